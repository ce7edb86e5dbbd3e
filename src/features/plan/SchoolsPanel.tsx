'use client';

import { Fragment, useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { printFNumber } from '#core/exposure/aperture.ts';
import { SCHOOLS } from '#core/exposure/schools.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import type { ExposureAnswer } from '#core/exposure/solver.ts';
import { printStops, printStopsDecimal, stopsWord } from '#core/units.ts';
import { useEditPlan, useSelection } from '#ui/bench/hooks.ts';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { inPost } from '#ui/format.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Term } from '#ui/help/Term.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { ZebraLevel } from '#ui/parts/ZebraLevel.tsx';
import { planFields, type SchoolRow, type Schools } from './planModel.ts';
import { placementRow } from './placementRows.ts';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import { words } from '#ui/wording/plan.ts';

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

/** A school with the levels that the camera's zebra shows at its placement. */
type SchoolLine = SchoolRow & { readonly levels?: ReturnType<typeof placementRow> };
type PlacedSchool = SchoolRow & { readonly placement: number };
const isPlaced = (row: SchoolRow): row is PlacedSchool => row.placement !== undefined;
/** Whether the plan places where the school does, to a hundredth of a stop. */
const isTaken = (row: SchoolRow, placement: number) =>
  isPlaced(row) && Math.abs(placement - row.placement) < 0.01;

const stateOf = ({ roomAbove, cleanBelow }: SchoolRow) =>
  roomAbove < -0.05 ? 'lost' : cleanBelow < -0.05 || roomAbove < 1 / 3 - 0.05 ? 'watch' : 'holds';

/** What a school advises and what it costs. */
const SchoolWhy = ({ row: { why, answer, placement, levels } }: { row: SchoolLine }) =>
  placement === undefined || !answer ? (
    why
  ) : (
    <>
      {why}{' '}
      {answer.short ? (
        <span className="text-warn">{answer.short}</span>
      ) : (
        <strong>
          {settingsWords(answer)}
          {Math.abs(answer.residual) > 0.08 && ` (${printStopsDecimal(answer.residual)})`}
        </strong>
      )}
      {levels && levels.outOfReach.length > 0 && (
        <div className="text-warn">This camera’s zebra cannot show: {levels.outOfReach.join(', ')}.</div>
      )}
    </>
  );

/** A figure that only a school with a placement has. */
const figure = (
  id: string,
  header: string,
  says: string,
  print: (row: PlacedSchool) => string,
  sortBy: (row: PlacedSchool) => number,
): Column<SchoolLine> => ({
  id,
  header,
  says,
  className: 'num',
  cell: (row) => (isPlaced(row) ? print(row) : '–'),
  sortBy: (row) => (isPlaced(row) ? sortBy(row) : undefined),
});

const useColumns = (advised: SchoolRow['id']): readonly Column<SchoolLine>[] => {
  const selection = useSelection();
  const editPlan = useEditPlan();
  return useMemo(() => {
    const take = (row: PlacedSchool) =>
      editPlan(
        `${SCHOOLS[row.id].name} ${printStops(row.placement)}`,
        planFields(selection, row.placement, row.answer),
      );
    return [
      {
        id: 'school',
        header: words.school,
        title: ({ id }) => SCHOOLS[id].rule,
        cell: (row) =>
          isPlaced(row) ? (
            <Button
              variant="bare"
              className="row-pick"
              aria-pressed={isTaken(row, selection.plan.placement)}
              onClick={() => take(row)}
            >
              <StateMark state={stateOf(row)} /> {SCHOOLS[row.id].name}
              {row.id === advised && <span className="advised">{words.advised}</span>}
            </Button>
          ) : (
            SCHOOLS[row.id].name
          ),
      },
      figure(
        'placement',
        'Places at',
        'Where the card goes, stops over grey',
        ({ placement }) => printStops(placement),
        ({ placement }) => placement,
      ),
      {
        id: 'card',
        header: words.card,
        className: 'num',
        cell: ({ levels }) => (levels ? <ZebraLevel of={levels.card} /> : '–'),
      },
      {
        id: 'faces',
        header: words.faces,
        className: 'num',
        cell: ({ levels }) =>
          levels && levels.skin.length > 0
            ? levels.skin.map((zebra, i) => (
                <Fragment key={selection.subjects[i].id}>
                  <ZebraLevel of={zebra} />{' '}
                </Fragment>
              ))
            : '–',
      },
      figure(
        'room',
        'Room, stops',
        'From the brightest kept tone to clip, stops',
        ({ roomAbove }) => printStopsDecimal(roomAbove),
        ({ roomAbove }) => roomAbove,
      ),
      figure(
        'clean',
        'Over floor, stops',
        'From the darkest kept tone to the usable floor, stops',
        ({ cleanBelow }) => printStopsDecimal(cleanBelow),
        ({ cleanBelow }) => cleanBelow,
      ),
      figure(
        'noise',
        'Noise',
        'At grey after the pull, against placement 0',
        ({ noise }) => `×${noise.toFixed(2)}`,
        ({ noise }) => noise,
      ),
      { id: 'post', header: words.inPost, cell: (row) => (isPlaced(row) ? inPost(row.placement) : '–') },
      {
        id: 'why',
        header: words.whyAndTheSettings,
        className: 'school-why',
        cell: (row) => <SchoolWhy row={row} />,
      },
    ];
  }, [selection, editPlan, advised]);
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
      <span className="quiet">{words.backsOff}</span>
      <Form.Select
        size="sm"
        value={BACK_OFFS.indexOf(nearest)}
        onChange={(event) => editSetup('Back-off', { backOff: BACK_OFFS[Number(event.target.value)] })}
      >
        {BACK_OFFS.map((stops, i) => (
          <option key={stops} value={i}>
            {stops === 1 / 2 ? '1/2' : printStops(stops).replace('+', '')} {stopsWord(stops)}
          </option>
        ))}
      </Form.Select>
    </label>
  );
};

/** Every school of placement on this scene, with what each costs; taking one fills the card. */
export const SchoolsPanel = ({ schools }: { schools: Schools }) => {
  const selection = useSelection();
  const { plan } = selection;
  const columns = useColumns(schools.best.id);
  const rows = useMemo(
    (): readonly SchoolLine[] =>
      schools.rows.map((row) => ({
        ...row,
        levels: row.placement === undefined ? undefined : placementRow(selection, row.placement),
      })),
    [schools, selection],
  );
  const rowClass = (row: SchoolRow) => {
    if (!isPlaced(row)) return 'dim';
    return isTaken(row, plan.placement) ? 'taken' : undefined;
  };
  return (
    <Panel title={words.placementSchoolBySchool} className="schools" tools={<BackOff />}>
      <p className="school-advice">
        <strong>
          {SCHOOLS[schools.best.id].name}, {printStops(schools.best.placement)}.
        </strong>{' '}
        {schools.best.why}
      </p>
      <TableScroll label={words.placementSchoolBySchool}>
        <DataTable
          label={words.placementSchoolBySchool}
          className="figures words"
          columns={columns}
          rows={rows}
          rowKey={({ id }) => id}
          rowProps={(row) => ({ className: rowClass(row) })}
        />
      </TableScroll>
      <p className="quiet figures-foot mb-0">
        <Term id="room">Room</Term>: from the brightest kept tone to clip. Over <Term id="floor">floor</Term>:
        from the usable floor to the darkest kept tone. <Term id="noise">Noise</Term>: at grey after the pull,
        against placement 0. The choice is yours; a <Term id="school">school</Term> is taken by its name.
      </p>
    </Panel>
  );
};
