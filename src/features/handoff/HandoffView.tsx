'use client';

import { Download, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { CUBE_SCALES, type CubeScale } from '#core/lut/cubeScale.ts';
import { takesCsv } from '#store/exports/takesCsv.ts';
import { takesJson } from '#store/exports/takesJson.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { useTakes } from '#ui/bench/useTakes.ts';
import { download, slug } from '#ui/download.ts';
import { printPull } from '#ui/format.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { printStopsDecimal } from '#core/units.ts';
import { CUBE_SIZE, cubeOf } from './cubeExport.ts';
import { PocketCard } from './PocketCard.tsx';

const LogFiles = () => {
  const { selection } = useBench();
  const takes = useTakes() ?? [];
  const name = `${slug(selection.shoot.name)}-log`;
  const none = takes.length === 0;
  const newest = takes.slice(0, 4);
  return (
    <Panel
      title="The log"
      note={none ? 'no take yet' : `${takes.length} takes of ${selection.shoot.name}, stops from grey`}
    >
      {none ? (
        <p className="quiet">Log a take with L on any screen; then its corrections stand here.</p>
      ) : (
        <table className="figures">
          <thead>
            <tr>
              <th scope="col">Take</th>
              <th scope="col">Planned</th>
              <th scope="col">Found</th>
              <th scope="col">Undo in post</th>
            </tr>
          </thead>
          <tbody>
            {newest.map((take) => (
              <tr key={take.id}>
                <th scope="row">
                  {take.card.setupName} {take.number}
                </th>
                <td>{printStopsDecimal(take.card.placement)}</td>
                <td>
                  {take.measured?.cardStops === undefined
                    ? 'not marked'
                    : printStopsDecimal(take.measured.cardStops)}
                </td>
                <td>{printStopsDecimal(-(take.measured?.cardStops ?? take.card.placement) || 0)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <div className="exports">
        <button
          type="button"
          className="btn btn-outline-secondary"
          disabled={none}
          onClick={() => download(`${name}.csv`, takesCsv(takes), 'text/csv;charset=utf-8')}
        >
          <Download size={16} aria-hidden="true" /> CSV
        </button>
        <button
          type="button"
          className="btn btn-outline-secondary"
          disabled={none}
          onClick={() =>
            download(`${name}.json`, takesJson(selection.shoot, takes, new Date()), 'application/json')
          }
        >
          <Download size={16} aria-hidden="true" /> JSON
        </button>
        <span className="quiet">CSV for a table, JSON to read back whole (version 1).</span>
      </div>
    </Panel>
  );
};

const CubePanel = () => {
  const { selection } = useBench();
  const [scale, setScale] = useState<CubeScale>('signal');
  const [baked, setBaked] = useState(true);
  const file = useMemo(() => cubeOf(selection, { scale, baked }), [selection, scale, baked]);
  return (
    <Panel title="Monitoring LUT" note={`${CUBE_SIZE} points, ${selection.profile.name} to BT.1886`}>
      <div className="choices">
        <Segmented
          label="Pull"
          options={[
            { id: 'baked', name: `${printPull(selection.plan.placement)} baked in` },
            { id: 'plain', name: 'no pull' },
          ]}
          value={baked ? 'baked' : 'plain'}
          onPick={(id) => setBaked(id === 'baked')}
        />
        <Segmented
          label="Scale of 0 to 1"
          options={(['signal', 'code'] as const).map((id) => ({
            id,
            name: CUBE_SCALES[id].name,
            says: CUBE_SCALES[id].says,
          }))}
          value={scale}
          onPick={setScale}
        />
      </div>
      <p className="quiet">
        {CUBE_SCALES[scale].says} Between lattice points read it tetrahedrally: worst on the grey axis{' '}
        {file.worstCodes.toFixed(1)} of 1023.
      </p>
      <div className="exports">
        <button
          type="button"
          className="btn btn-primary"
          onClick={() => download(file.name, file.text(), 'text/plain')}
        >
          <Download size={16} aria-hidden="true" /> {file.name}
        </button>
      </div>
    </Panel>
  );
};

/** Hand-off: what post needs, and the card on paper. */
export const HandoffView = () => (
  <div className="handoff">
    <h1 className="visually-hidden">Hand-off</h1>
    <div className="handoff-files">
      <LogFiles />
      <CubePanel />
    </div>
    <Panel
      title="Set card"
      note="for the pocket, A6"
      className="pocket-panel"
      tools={
        <button type="button" className="btn btn-outline-secondary btn-sm" onClick={() => window.print()}>
          <Printer size={16} aria-hidden="true" /> Print
        </button>
      }
    >
      <PocketCard />
    </Panel>
  </div>
);
