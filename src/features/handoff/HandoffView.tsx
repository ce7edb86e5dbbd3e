'use client';

import { Download, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Table from 'react-bootstrap/Table';
import { LOG_EXPORTS } from '#store/exports/index.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import { useTakes } from '#ui/bench/useTakes.ts';
import { download, slug } from '#ui/download.ts';
import { printPull } from '#ui/format.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { cardRecipe, recipeSource } from '#ui/luts/lutSource.ts';
import { pullInFile, recipeNotes } from '#ui/luts/lutWords.ts';
import { WriteFile } from '#ui/luts/WriteFile.tsx';
import { printStopsDecimal } from '#core/units.ts';
import { PocketCard } from './PocketCard.tsx';

const LogFiles = () => {
  const selection = useSelection();
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
        <Table className="figures">
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
        </Table>
      )}
      <div className="exports">
        {LOG_EXPORTS.map((log) => (
          <Button
            key={log.name}
            variant="outline-secondary"
            disabled={none}
            onClick={() =>
              download(`${name}.${log.extension}`, log.write(selection.shoot, takes, new Date()), log.type)
            }
          >
            <Download size={16} aria-hidden="true" /> {log.name}
          </Button>
        ))}
        <span className="quiet">{LOG_EXPORTS.map(({ says }) => says).join(', ')}.</span>
      </div>
    </Panel>
  );
};

/** The monitoring LUT of the card as a file, by the same road as every LUT. */
const MonitoringLutPanel = () => {
  const selection = useSelection();
  const { setup, camera, profile, plan } = selection;
  const [baked, setBaked] = useState(true);
  const pull = baked ? plan.placement : 0;
  const recipe = useMemo(() => cardRecipe(selection, pull), [selection, pull]);
  const source = useMemo(() => recipeSource('card', 'computed by the card', recipe), [recipe]);
  return (
    <Panel title="Monitoring LUT" note={`${profile.name} to BT.1886, for monitors and post alike`}>
      <div className="choices">
        <Segmented
          label="Pull"
          options={[
            { id: 'baked', name: `${printPull(plan.placement)} baked in` },
            { id: 'plain', name: 'no pull' },
          ]}
          value={baked ? 'baked' : 'plain'}
          onPick={(id) => setBaked(id === 'baked')}
        />
      </div>
      <WriteFile
        source={source}
        name={`${setup.name} ${camera.name} ${profile.name} ${pullInFile(pull)}`}
        notes={recipeNotes(recipe, profile.name)}
      />
    </Panel>
  );
};

/** Hand-off: what post needs, and the card on paper. */
export const HandoffView = () => (
  <div className="handoff">
    <h1 className="visually-hidden">Hand-off</h1>
    <div className="handoff-files">
      <LogFiles />
      <MonitoringLutPanel />
    </div>
    <Panel
      title="Set card"
      note="for the pocket, A6"
      className="pocket-panel"
      tools={
        <Button variant="outline-secondary" size="sm" onClick={() => window.print()}>
          <Printer size={16} aria-hidden="true" /> Print
        </Button>
      }
    >
      <PocketCard />
    </Panel>
  </div>
);
