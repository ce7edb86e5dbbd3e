import { arc } from 'd3-shape';
import { ringColour } from '#core/grade/ringColour.ts';
import { words } from '#ui/wording/grade.ts';

const SIZE = 132;
const [INNER, OUTER] = [36, 62];

const shade = (hue: number): string =>
  `rgb(${ringColour(hue)
    .map((v) => Math.round(255 * v))
    .join(' ')})`;

/** Degrees of the ring, 0 to the right and rising to the left, as the angle of a drawn arc. */
const angle = (hue: number) => Math.PI / 2 - (hue * Math.PI) / 180;

/** Hues of the picture as bars on a ring, and the range that a row takes, with its soft edges. */
export const HueRing = ({
  bins,
  hue,
  width,
  soft,
}: {
  bins: readonly number[];
  hue: number;
  width: number;
  soft: number;
}) => {
  const most = Math.max(...bins, 1e-6);
  const step = 360 / bins.length;
  const band = arc();
  const piece = (from: number, to: number, inner: number, outer: number) =>
    band({ startAngle: angle(to), endAngle: angle(from), innerRadius: inner, outerRadius: outer }) ?? '';
  return (
    <svg className="hue-ring" width={SIZE} height={SIZE} role="img" aria-label={words.ring}>
      <g transform={`translate(${SIZE / 2} ${SIZE / 2})`}>
        {bins.map((share, i) => (
          <path
            key={i * step}
            d={piece(
              i * step,
              (i + 1) * step,
              INNER,
              INNER + 4 + (OUTER - INNER - 8) * Math.sqrt(share / most),
            )}
            fill={shade((i + 0.5) * step)}
          />
        ))}
        <path
          className="hue-soft"
          d={piece(hue - width / 2 - soft, hue + width / 2 + soft, OUTER - 2, OUTER)}
        />
        <path className="hue-taken" d={piece(hue - width / 2, hue + width / 2, OUTER - 5, OUTER + 2)} />
        <text y={4} textAnchor="middle">
          {Math.round(hue)}°
        </text>
      </g>
    </svg>
  );
};
