'use client';

import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useState } from 'react';
import { onMissScale } from '#core/practice/judge.ts';
import { printStops } from '#core/units.ts';
import type { PracticeRecord } from '#store/records/practice.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/practise.ts';

const [WIDTH, HEIGHT] = [460, 240];
const PAD = { left: 40, right: 12, top: 12, bottom: 34 } as const;
/** Misses are drawn up to so many tolerances. */
const MOST = 4;

type Dot = { readonly id: string; readonly at: number; readonly off: number };

/** Misses of numbers in tolerances, oldest first. */
const dotsOf = (results: readonly PracticeRecord[]): Dot[] =>
  results
    .flatMap(({ id, marks }) => marks.map((mark) => ({ id: `${id} ${mark.ask}`, mark })))
    .filter(({ mark }) => mark.unit !== 'choices' && mark.tolerance > 0)
    .map(({ id, mark }, at) => ({
      id,
      at,
      off: Math.max(-MOST, Math.min(MOST, mark.miss / mark.tolerance)),
    }));

/** A mean of so many answers runs along. */
const RUN = 7;
const running = (dots: readonly Dot[]): Dot[] =>
  dots.map((dot, i) => {
    const own = dots.slice(Math.max(0, i - RUN + 1), i + 1);
    return { ...dot, off: own.reduce((sum, { off }) => sum + Math.abs(off), 0) / own.length };
  });

/** Error over time: dots are answers, the line is the mean size of the latest seven. */
export const MissesOverTime = ({ results }: { results: readonly PracticeRecord[] }) => {
  const dots = dotsOf(results);
  const x = scaleLinear([0, Math.max(1, dots.length - 1)], [PAD.left, WIDTH - PAD.right]);
  const y = scaleLinear([-MOST, MOST], [HEIGHT - PAD.bottom, PAD.top]);
  const path = line<Dot>(
    ({ at }) => x(at),
    ({ off }) => y(off),
  );
  return (
    <svg
      className="chart practise-chart"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={words.overTime}
    >
      <rect
        className="miss-band"
        x={PAD.left}
        width={WIDTH - PAD.left - PAD.right}
        y={y(1)}
        height={y(-1) - y(1)}
      />
      {[-4, -2, 0, 2, 4].map((tick) => (
        <g key={tick} className="grid">
          <line x1={PAD.left} x2={WIDTH - PAD.right} y1={y(tick)} y2={y(tick)} />
          <text x={PAD.left - 6} y={y(tick)} dy="0.32em" textAnchor="end">
            {tick > 0 ? `+${tick}` : String(tick).replace('-', '−')}
          </text>
        </g>
      ))}
      {dots.map(({ id, at, off }) => (
        <circle
          key={id}
          className={Math.abs(off) <= 1 ? 'miss-ok' : 'miss-off'}
          cx={x(at)}
          cy={y(off)}
          r={4}
        />
      ))}
      {dots.length > 1 && <path className="miss-mean" d={path(running(dots)) ?? ''} />}
      <text x={WIDTH / 2} y={HEIGHT - 6} textAnchor="middle">
        {words.answers}
      </text>
    </svg>
  );
};

/** Units in which what was thought can be held against what it was. */
const UNITS = ['stops', 'mired', 'percent'] as const;
type Unit = (typeof UNITS)[number];

type Thought = { readonly id: string; readonly said: number; readonly was: number; readonly ok: boolean };

/** What was said and what was nearest to it of what is right, on the scale of the misses. */
const thoughtsOf = (results: readonly PracticeRecord[], unit: Unit): Thought[] =>
  results.flatMap(({ id, marks }) =>
    marks.flatMap(({ ask, unit: own, said, written, miss, ok }): Thought[] => {
      // An f-number is no place in the picture.
      if (own !== unit || said === undefined || written === 'f-number') return [];
      const at = onMissScale(written ?? unit, said);
      return [{ id: `${id} ${ask}`, said: at, was: at - miss, ok }];
    }),
  );

const printIn = (unit: Unit, value: number): string => (unit === 'stops' ? printStops(value) : String(value));

/** Calibration: what was said against what it was. */
export const ThoughtAgainst = ({ results }: { results: readonly PracticeRecord[] }) => {
  const [picked, setPicked] = useState<Unit>('stops');
  const units = UNITS.filter((unit) => thoughtsOf(results, unit).length > 0);
  const unit = units.includes(picked) ? picked : (units[0] ?? 'stops');
  const dots = thoughtsOf(results, unit);
  const [low = -1, high = 1] = extent(dots.flatMap(({ said, was }) => [said, was]));
  const room = Math.max(unit === 'stops' ? 0.5 : 5, (high - low) * 0.06);
  const ends = [low - room, high + room];
  const x = scaleLinear(ends, [PAD.left, WIDTH - PAD.right]);
  const y = scaleLinear(ends, [HEIGHT - PAD.bottom, PAD.top]);
  const ticks = x.ticks(7).filter(Number.isInteger);
  return (
    <>
      {units.length > 1 && (
        <Segmented
          label={words.inUnit}
          options={units.map((id) => ({ id, name: words.unitNames[id] }))}
          value={unit}
          onPick={setPicked}
        />
      )}
      <svg
        className="chart practise-chart"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={words.thought}
      >
        {ticks.map((tick) => (
          <g key={tick} className="grid">
            <line x1={PAD.left} x2={WIDTH - PAD.right} y1={y(tick)} y2={y(tick)} />
            <text x={PAD.left - 6} y={y(tick)} dy="0.32em" textAnchor="end">
              {printIn(unit, tick)}
            </text>
            <text x={x(tick)} y={HEIGHT - PAD.bottom + 14} textAnchor="middle">
              {printIn(unit, tick)}
            </text>
          </g>
        ))}
        <line className="miss-truth" x1={x(ends[0])} y1={y(ends[0])} x2={x(ends[1])} y2={y(ends[1])} />
        {dots.map(({ id, said, was, ok }) => (
          <circle key={id} className={ok ? 'miss-ok' : 'miss-off'} cx={x(was)} cy={y(said)} r={4} />
        ))}
        <text x={WIDTH / 2} y={HEIGHT - 4} textAnchor="middle">
          {words.was(words.unitNames[unit])}
        </text>
        <text x={12} y={HEIGHT / 2} textAnchor="middle" transform={`rotate(-90 12 ${HEIGHT / 2})`}>
          {words.said(words.unitNames[unit])}
        </text>
      </svg>
    </>
  );
};
