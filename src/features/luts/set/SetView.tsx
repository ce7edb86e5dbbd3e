'use client';

import { Download } from 'lucide-react';
import { parseAsStringLiteral, useQueryState } from 'nuqs';
import { useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import { BAKE_SIZES } from '#core/lut/bake.ts';
import type { MarkBand, Marks } from '#core/lut/marks.ts';
import { useBench, useCard, useSelection } from '#ui/bench/hooks.ts';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import type { LutSource } from '#ui/luts/lutSource.ts';
import { useLutFile, type LutFileOptions } from '#ui/luts/useLutFile.ts';
import { FormatOptions } from '#ui/luts/WriteFile.tsx';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/lutsSet.ts';
import { LutPicture } from '#ui/luts/LutPicture.tsx';
import { cssOf, markNotes, markSource, marksOf, percentOf, rangeOf, SHOW_IDS, SHOWS } from './setModel.ts';

type Row = MarkBand & { readonly losses: readonly (string | undefined)[] };

const bandColumns = (marks: Marks, isBusy: boolean): readonly Column<Row>[] => [
  {
    id: 'band',
    header: words.band,
    title: ({ from, to }) => [percentOf(marks, from), percentOf(marks, to)].filter(Boolean).join(' to '),
    cell: (band) => (
      <span className="mark-band">
        <span className="mark-swatch" style={{ background: cssOf(band.colour) }} aria-hidden />
        <span>
          {band.name}
          {band.id.startsWith('stop ') || <span className="evidence-says">{rangeOf(band)}</span>}
        </span>
      </span>
    ),
  },
  ...BAKE_SIZES.map((size, i): Column<Row> => ({
    id: `size-${size}`,
    header: size,
    says: words.edgeSays,
    cell: ({ losses }) => (isBusy ? '…' : (losses[i] ?? words.doesNotShow)),
  })),
];

/** What each size loses at the edges of the bands, from the worker. */
const useEdges = (marks: Marks, { scale }: LutFileOptions) => {
  const { luts } = useBench();
  const { coding } = useSelection().camera;
  const input = useMemo(() => ({ marks, scale, coding }), [marks, scale, coding]);
  return useAnswer({ key: input, ask: async (signal) => luts.edges(input, { signal }) });
};

/** LUTs that make any monitor show stops, or card, skin and clip of this set-up. */
export const SetView = () => {
  const selection = useSelection();
  const { numbers } = useCard();
  const [show, setShow] = useQueryState('show', parseAsStringLiteral(SHOW_IDS).withDefault('bands'));
  const marks = useMemo(() => marksOf(show, selection, numbers), [show, selection, numbers]);
  const { setup, camera, profile } = selection;
  const name = `${setup.name} ${camera.name} ${SHOWS[show].name}`;
  const notes = useMemo(() => markNotes(marks, profile.name), [marks, profile.name]);
  const { options, change, file, said, write } = useLutFile(
    // What is written hangs on the options, which are kept there: it is made when it is written.
    ({ size, scale }) => markSource(name, marks, { size, scale, selection }),
    name,
    notes,
  );
  const { size, scale } = options;
  const source: LutSource = useMemo(
    () => markSource(name, marks, { size, scale, selection }),
    [name, marks, size, scale, selection],
  );
  const through = useMemo(
    () => ({
      spec: { kind: 'reduced', of: source.spec, points: size, interpolation: options.interpolation } as const,
      output: source.output,
    }),
    [source, size, options.interpolation],
  );
  const { answer, old } = useEdges(marks, options);
  const rows = marks.bands.map((band): Row => ({
    ...band,
    losses: BAKE_SIZES.map((points) => {
      const edges = answer?.find((sized) => sized.size === points)?.edges;
      return edges?.find(({ id }) => id === band.id)?.stops?.toFixed(2);
    }),
  }));
  return (
    <div className="luts">
      <div className="luts-main">
        <Panel
          title={SHOWS[show].name}
          note={words.forTheMonitor(setup.name, camera.name)}
          className="luts-picture mark-picture"
          tools={
            <Segmented
              label={words.whatItShows}
              options={SHOW_IDS.map((id) => ({ id, name: SHOWS[id].name, says: SHOWS[id].says }))}
              value={show}
              onPick={(id) => void setShow(id)}
            />
          }
        >
          <LutPicture through={through} name={name} />
        </Panel>
        <Panel title={words.writeTheLut} className="mark-below">
          <div className="mark-write">
            <Segmented
              label={words.size}
              options={BAKE_SIZES.map((points) => ({ id: String(points), name: words.points(points) }))}
              value={String(size)}
              onPick={(points) => change({ size: Number(points) })}
            />
            <FormatOptions options={options} change={change} />
            <Button variant="primary" size="sm" onClick={() => void write()}>
              <Download size={16} aria-hidden="true" /> {file}
            </Button>
          </div>
          <p className={said?.bad ? 'field-error' : 'quiet small mb-0'} role="status">
            {said?.text ?? words.judgedOnLuma}
          </p>
        </Panel>
      </div>
      <div className="luts-side">
        <Panel title={words.bandsOfTheLut}>
          <TableScroll label={words.bandsOfTheLut}>
            <DataTable
              label={words.bandsOfTheLut}
              columns={bandColumns(marks, answer === undefined)}
              rows={rows}
              rowKey={({ id }) => id}
              isBusy={old}
            />
          </TableScroll>
          <div className="figures-foot">
            <p className="quiet">
              Stops over grey; by how many of them an edge lies off when a monitor reads between so many
              points. Narrow bands need 65.
            </p>
          </div>
        </Panel>
      </div>
    </div>
  );
};
