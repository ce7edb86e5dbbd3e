'use client';

import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Table from 'react-bootstrap/Table';
import { printFNumber } from '#core/exposure/aperture.ts';
import { SCHOOLS } from '#core/exposure/schools.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import type { ExposureAnswer } from '#core/exposure/solver.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { useEditPlan, useSelection } from '#ui/bench/hooks.ts';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { printPull } from '#ui/format.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { planFields, type SchoolRow, type Schools } from './planModel.ts';
import { placementRow } from './placementRows.ts';
import { useEditSetup } from './useSetup.ts';

const settingsWords = (answer: ExposureAnswer) =>
  [
    printFNumber(answer.iris),
    printShutter(answer.shutter),
    `ISO ${answer.iso}`,
    answer.nd.names.length === 0
      ? 'no ND'
      : answer.nd.names.map((name) => name.replace(/\s+/g, ' ')).join(' + '),
    ...(answer.light === 0 ? [] : [`light ${printStops(answer.light)}`]),
  ].join(', ');

const stateOf = ({ roomAbove, cleanBelow }: SchoolRow) =>
  roomAbove < -0.05 ? 'lost' : cleanBelow < -0.05 || roomAbove < 1 / 3 - 0.05 ? 'watch' : 'holds';

const SchoolLine = ({ row, recommended }: { row: SchoolRow; recommended: boolean }) => {
  const selection = useSelection();
  const editPlan = useEditPlan();
  const { name, rule } = SCHOOLS[row.id];
  const { placement, answer } = row;
  if (placement === undefined)
    return (
      <tr className="dim">
        <th scope="row" title={rule}>
          {name}
        </th>
        <td colSpan={8} className="school-why">
          {row.why}
        </td>
      </tr>
    );
  const levels = placementRow(selection, placement);
  const taken = Math.abs(selection.plan.placement - placement) < 0.01;
  return (
    <tr className={taken ? 'taken' : undefined}>
      <th scope="row" title={rule}>
        <Button
          variant="bare"
          className="row-pick"
          aria-pressed={taken}
          onClick={() =>
            editPlan(`${name} ${printStops(placement)}`, planFields(selection, placement, answer))
          }
        >
          <StateMark state={stateOf(row)} /> {name}
          {recommended && <span className="advised">advised</span>}
        </Button>
      </th>
      <td className="num">{printStops(placement)}</td>
      <td className="num">{levels.card}</td>
      <td className="num">{levels.skin.join(' ') || '–'}</td>
      <td className="num">{printStopsDecimal(row.roomAbove)}</td>
      <td className="num">{printStopsDecimal(row.cleanBelow)}</td>
      <td className="num">{`×${row.noise.toFixed(2)}`}</td>
      <td>{printPull(placement) === 'no pull' ? 'as is' : printPull(placement)}</td>
      <td className="school-why">
        {row.why}{' '}
        {answer &&
          (answer.short ? (
            <span className="text-warn">{answer.short}</span>
          ) : (
            <strong>
              {settingsWords(answer)}
              {Math.abs(answer.residual) > 0.08 && ` (${printStopsDecimal(answer.residual)})`}
            </strong>
          ))}
      </td>
    </tr>
  );
};

/** Under clip, for as bright as it holds: the trade backs off a third to two thirds, the careful up to one stop. */
const BACK_OFFS = [0, 1 / 3, 1 / 2, 2 / 3, 1] as const;

const BackOff = () => {
  const selection = useSelection();
  const editSetup = useEditSetup();
  const { backOff } = selection.setup;
  const nearest = BACK_OFFS.reduce((best, one) =>
    Math.abs(one - backOff) < Math.abs(best - backOff) ? one : best,
  );
  return (
    <label className="back-off">
      <span className="quiet">backs off</span>
      <Form.Select
        size="sm"
        value={BACK_OFFS.indexOf(nearest)}
        onChange={(event) => editSetup('Back-off', { backOff: BACK_OFFS[Number(event.target.value)] })}
      >
        {BACK_OFFS.map((stops, i) => (
          <option key={stops} value={i}>
            {stops === 1 / 2 ? '1/2' : printStops(stops).replace('+', '')} stop
          </option>
        ))}
      </Form.Select>
    </label>
  );
};

/** Every school of placement on this scene, with what each costs; taking one fills the card. */
export const SchoolsPanel = ({ schools }: { schools: Schools }) => (
  <Panel title="Placement, school by school" className="schools" tools={<BackOff />}>
    <p className="school-advice">
      <strong>
        {SCHOOLS[schools.best.id].name}, {printStops(schools.best.placement)}.
      </strong>{' '}
      {schools.best.why}
    </p>
    <TableScroll label="Placement, school by school">
      <Table className="figures words">
        <thead>
          <tr>
            <th scope="col">School</th>
            <th scope="col">Places at</th>
            <th scope="col">Card</th>
            <th scope="col">Faces</th>
            <th scope="col">Room</th>
            <th scope="col">Clean by</th>
            <th scope="col">Noise</th>
            <th scope="col">In post</th>
            <th scope="col">Why, and the settings</th>
          </tr>
        </thead>
        <tbody>
          {schools.rows.map((row) => (
            <SchoolLine key={row.id} row={row} recommended={row.id === schools.best.id} />
          ))}
        </tbody>
      </Table>
    </TableScroll>
    <p className="quiet figures-foot mb-0">
      Room: from the brightest kept tone to clip. Clean by: from the darkest kept tone to the usable floor.
      Noise: at grey after the pull, against placement 0. The choice is yours; a school is taken by its name.
    </p>
  </Panel>
);
