'use client';

import Form from 'react-bootstrap/Form';
import {
  LAMPS,
  lampFlicker,
  lampsSay,
  printSwing,
  type LampFlicker,
  type LampId,
} from '#core/exposure/lampFlicker.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { capital } from '#core/verdict/wording.ts';
import { lampsOf } from '#store/records/lamps.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/planSlow.ts';

const columnsOf = (here: readonly LampId[], flip: (id: LampId) => void): readonly Column<LampFlicker>[] => [
  {
    id: 'lamp',
    header: words.lamp,
    cell: ({ id, state }) => (
      <span className="lamp-here">
        <Form.Check
          aria-label={words.isHere(LAMPS[id].name)}
          checked={here.includes(id)}
          onChange={() => flip(id)}
        />
        <StateMark state={state} /> <span title={LAMPS[id].says}>{LAMPS[id].name}</span>
      </span>
    ),
  },
  {
    id: 'swing',
    header: words.swing,
    says: words.swingSays,
    className: 'num',
    cell: printSwing,
  },
  {
    id: 'beats',
    header: words.beats,
    says: words.beatsSays,
    className: 'num',
    cell: ({ beats, swing }) => (swing === 0 ? '–' : beats === undefined ? words.unknown : beats.toFixed(0)),
  },
];

/** What each kind of lamp does at the set-up's frame rate and the card's shutter; first those that light it. */
export const FlickerPanel = () => {
  const { plan, setup } = useSelection();
  const { numbers } = useCard();
  const editSetup = useEditSetup();
  const { mains } = setup.brief;
  const here = lampsOf(setup);
  const flickers = lampFlicker(setup.fps, numbers.seconds, mains);
  const answer = lampsSay(flickers, here);
  const flip = (id: LampId) =>
    editSetup(words.lamps, {
      lamps: here.includes(id) ? here.filter((one) => one !== id) : [...here, id],
    });
  return (
    <Panel title={words.flicker} note={words.flickerNote(setup.fps, printShutter(plan.shutter), mains)}>
      {answer ? (
        <p>
          <StateMark state={answer.state} /> <strong>{capital(answer.says)}.</strong>
        </p>
      ) : (
        <p className="quiet">{words.tick}</p>
      )}
      <TableScroll label={words.flicker}>
        <DataTable
          label={words.flicker}
          className="figures words tight"
          columns={columnsOf(here, flip)}
          rows={flickers}
          rowKey={({ id }) => id}
        />
      </TableScroll>
      <p className="quiet small-print">{words.test}</p>
    </Panel>
  );
};
