import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { printStops } from '#core/units.ts';
import type { PracticeRecord } from '#store/records/practice.ts';
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

/** Calibration: what was said against what it was, in stops. */
export const ThoughtAgainst = ({ results }: { results: readonly PracticeRecord[] }) => {
  const dots = results
    .flatMap(({ id, marks }) => marks.map((mark) => ({ id: `${id} ${mark.ask}`, mark })))
    .filter(
      ({ mark: { unit, said, truth } }) => unit === 'stops' && said !== undefined && truth !== undefined,
    )
    .map(({ id, mark: { said, truth, ok } }) => ({ id, said: said!, truth: truth!, ok }));
  const [low = -1, high = 1] = extent(dots.flatMap(({ said, truth }) => [said, truth]));
  const ends = [Math.floor(low) - 0.5, Math.ceil(high) + 0.5];
  const x = scaleLinear(ends, [PAD.left, WIDTH - PAD.right]);
  const y = scaleLinear(ends, [HEIGHT - PAD.bottom, PAD.top]);
  const ticks = x.ticks(7).filter(Number.isInteger);
  return (
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
            {printStops(tick)}
          </text>
          <text x={x(tick)} y={HEIGHT - PAD.bottom + 14} textAnchor="middle">
            {printStops(tick)}
          </text>
        </g>
      ))}
      <line className="miss-truth" x1={x(ends[0])} y1={y(ends[0])} x2={x(ends[1])} y2={y(ends[1])} />
      {dots.map(({ id, said, truth, ok }) => (
        <circle key={id} className={ok ? 'miss-ok' : 'miss-off'} cx={x(truth)} cy={y(said)} r={4} />
      ))}
      <text x={WIDTH / 2} y={HEIGHT - 4} textAnchor="middle">
        {words.was}
      </text>
      <text x={12} y={HEIGHT / 2} textAnchor="middle" transform={`rotate(-90 12 ${HEIGHT / 2})`}>
        {words.said}
      </text>
    </svg>
  );
};
