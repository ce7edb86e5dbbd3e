'use client';

import { LAMPS, lampFlicker, type LampFlicker } from '#core/exposure/lampFlicker.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/planSlow.ts';

const percent = (swing: number) => `${(100 * swing).toFixed(swing < 0.1 ? 1 : 0)} %`;

const COLUMNS: readonly Column<LampFlicker>[] = [
  {
    id: 'lamp',
    header: words.lamp,
    cell: ({ id, state }) => (
      <>
        <StateMark state={state} /> <span title={LAMPS[id].says}>{LAMPS[id].name}</span>
      </>
    ),
  },
  {
    id: 'swing',
    header: words.swing,
    says: words.swingSays,
    className: 'num',
    cell: ({ swing, beats, id }) =>
      beats === undefined && id === 'dimmed' ? words.atMost(percent(swing)) : percent(swing),
  },
  {
    id: 'beats',
    header: words.beats,
    says: words.beatsSays,
    className: 'num',
    cell: ({ beats, swing }) => (swing === 0 ? '–' : beats === undefined ? words.unknown : beats.toFixed(0)),
  },
];

/** What each kind of lamp does at the set-up's frame rate and the card's shutter. */
export const FlickerPanel = () => {
  const { plan, setup } = useSelection();
  const { numbers } = useCard();
  const { mains } = setup.brief;
  return (
    <Panel title={words.flicker} note={words.flickerNote(setup.fps, printShutter(plan.shutter), mains)}>
      <TableScroll label={words.flicker}>
        <DataTable
          label={words.flicker}
          className="figures words"
          columns={COLUMNS}
          rows={lampFlicker(setup.fps, numbers.seconds, mains)}
          rowKey={({ id }) => id}
        />
      </TableScroll>
      <p className="quiet small-print">{words.test}</p>
    </Panel>
  );
};
