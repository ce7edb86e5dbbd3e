import type { NumberAsk } from '#core/practice/types.ts';
import type { Mark } from '#core/practice/judge.ts';
import { printMiss } from '#core/practice/progress.ts';
import { words } from '#ui/wording/practise.ts';

const [WIDTH, HEIGHT, MIDDLE, PAD] = [360, 58, 180, 16];

/** Where the answer lies beside the truth: the band is full marks. The miss is drawn to scale. */
export const MissScale = ({ ask, mark }: { ask: NumberAsk; mark: Mark }) => {
  const reach = Math.max(4 * mark.tolerance, Math.abs(mark.miss) * 1.1);
  const at = (value: number) => MIDDLE + (value / reach) * (MIDDLE - PAD);
  const x = at(mark.miss);
  return (
    <svg
      className="miss-scale"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`${ask.label}: ${printMiss(mark.unit, mark.miss)}`}
    >
      <rect
        className="miss-band"
        x={at(-mark.tolerance)}
        width={at(mark.tolerance) - at(-mark.tolerance)}
        y={16}
        height={18}
      />
      <line className="miss-axis" x1={PAD} x2={WIDTH - PAD} y1={25} y2={25} />
      <line className="miss-truth" x1={MIDDLE} x2={MIDDLE} y1={12} y2={38} />
      <circle className={mark.ok ? 'miss-ok' : 'miss-off'} cx={x} cy={25} r={6} />
      <text x={MIDDLE} y={52} textAnchor="middle">
        {words.right}
      </text>
      {Math.abs(x - MIDDLE) > 30 && (
        <text x={x} y={10} textAnchor="middle">
          {words.yours}
        </text>
      )}
    </svg>
  );
};
