'use client';

import { useMemo } from 'react';
import { AGAIN, SUN_SIDES } from '#core/day/lightOfHour.ts';
import { printSigned, printStopsDecimal } from '#core/units.ts';
import { printLight } from '#ui/format.ts';
import { printHours, whenOf } from '#ui/bench/daylight.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/planHour.ts';
import { hoursOf, type HourRow, type HoursOfSetup } from './hourModel.ts';
import { SunCompass } from './SunCompass.tsx';

/** Longer than this nobody waits for: printed as steady, minutes. */
const STEADY = 90;

/** Two figures: a model of a clear sky knows no more. */
const lux = (value: number | undefined) =>
  value === undefined ? words.night : `${printLight(Number(value.toPrecision(2)))} lx`;
const soon = (minutes: number) =>
  minutes > STEADY ? words.steady : words.inMinutes(Math.max(1, Math.round(minutes)));

const COLUMNS: readonly Column<HourRow>[] = [
  { id: 'hour', header: words.time, className: 'num', cell: ({ hour }) => printHours(hour) },
  {
    id: 'height',
    header: words.height,
    className: 'num',
    cell: ({ altitude }) => `${printSigned(altitude)}°`,
  },
  { id: 'lux', header: words.lux, className: 'num', cell: (row) => lux(row.lux) },
  {
    id: 'kelvin',
    header: words.sunColour,
    className: 'num',
    cell: ({ kelvin }) => (kelvin === undefined ? words.sunDown : `${Math.round(kelvin / 50) * 50} K`),
  },
  {
    id: 'level',
    header: words.tenMinutes,
    says: words.inTen,
    className: 'num',
    cell: ({ stopsAMinute }) => (stopsAMinute === undefined ? '–' : printStopsDecimal(10 * stopsAMinute)),
  },
  {
    id: 'colour',
    header: words.tenMinutesColour,
    says: words.inTen,
    className: 'num',
    cell: ({ miredAMinute }) => (miredAMinute === undefined ? '–' : printSigned(10 * miredAMinute)),
  },
  {
    id: 'meter',
    header: words.meterAgain,
    says: words.againSays,
    className: 'num',
    cell: ({ meterIn }) => soon(meterIn),
  },
  {
    id: 'balance',
    header: words.balanceAgain,
    says: words.againSays,
    className: 'num',
    cell: ({ kelvin, balanceIn }) => (kelvin === undefined ? '–' : soon(balanceIn)),
  },
];

/** What moves first in this set-up, in a sentence. */
const answer = ({ rows, side, isTurned }: HoursOfSetup): string => {
  const fastest = rows.reduce((a, b) => (b.meterIn < a.meterIn ? b : a));
  const warmest = rows.reduce((a, b) => (b.balanceIn < a.balanceIn ? b : a));
  const meter =
    fastest.meterIn > STEADY
      ? words.lightIsSteady
      : words.meterEvery(Math.max(1, Math.round(fastest.meterIn)));
  const balance =
    warmest.balanceIn > STEADY
      ? words.colourIsSteady
      : words.balanceEvery(Math.max(1, Math.round(warmest.balanceIn)));
  if (rows.every(({ kelvin }) => kelvin === undefined)) return `${meter} ${words.sunIsDown}`;
  const lit = side ? words.lit(SUN_SIDES[side].name, SUN_SIDES[side].says) : words.sunIsDown;
  return `${meter} ${balance} ${isTurned ? lit : words.turnCamera}`;
};

/** The sun and sky while this set-up is shot: how fast level and colour move, and from where the sun comes. */
export const HourPanel = () => {
  const { setup, shoot } = useSelection();
  const editSetup = useEditSetup();
  const found = useMemo(() => shoot.sun && hoursOf(setup, shoot.sun), [setup, shoot.sun]);
  if (!setup.brief.outside) return null;
  return (
    <Panel title={words.title} note={words.note} className="hour">
      {!found && <p className="quiet mb-0">{words.noPlace}</p>}
      {found && (
        <>
          <p className="hour-answer">{answer(found)}</p>
          <div className="hour-light">
            <SunCompass
              bearing={found.bearing}
              rows={found.rows}
              onTurn={(bearing) =>
                editSetup(words.looksToNow(bearing), { when: { ...whenOf(setup), bearing } })
              }
            />
            <div>
              <TableScroll label={words.title}>
                <DataTable
                  label={words.title}
                  className="figures"
                  columns={COLUMNS}
                  rows={found.rows}
                  rowKey={({ id }) => id}
                />
              </TableScroll>
              <ul className="hour-stretches">
                {found.stretches.map(({ id, from, to, fits }) => (
                  <li key={id}>
                    {words.stretches[id]}{' '}
                    <strong className="num">
                      {printHours(from)}–{printHours(to)}
                    </strong>
                    , {words.lasts(Math.round(60 * (to - from)), fits)}
                  </li>
                ))}
              </ul>
            </div>
          </div>
          <p className="quiet small-print mb-0">{words.models(AGAIN.mired)}</p>
        </>
      )}
    </Panel>
  );
};
