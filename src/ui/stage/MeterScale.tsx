import { printStopsDecimal } from '#core/units.ts';
import { words } from '#ui/wording/stage.ts';

const WIDTH = 180;
const MIDDLE = WIDTH / 2;

/** The camera's own meter: a scale that ends where the camera's does; beyond it only an arrow. */
export const MeterScale = ({ shows, scale }: { shows: number | undefined; scale: number }) => {
  const step = (MIDDLE - 14) / scale;
  const beyond = shows !== undefined && Math.abs(shows) > scale;
  const at = MIDDLE + step * Math.min(scale, Math.max(-scale, shows ?? 0));
  const reading =
    shows === undefined
      ? 'no reading yet'
      : `${printStopsDecimal(shows)} stops${beyond ? ', beyond its scale' : ''}`;
  return (
    <svg className="meter-scale" viewBox={`0 0 ${WIDTH} 40`} role="img" aria-label={words.meter(reading)}>
      {Array.from({ length: 6 * scale + 1 }, (_, i) => {
        const stops = i / 3 - scale;
        const whole = i % 3 === 0;
        const x = MIDDLE + step * stops;
        return (
          <g key={i} className="grid">
            <line x1={x} x2={x} y1={whole ? 6 : 11} y2={18} />
            {whole && (
              <text x={x} y={34} textAnchor="middle">
                {stops === 0 ? '0' : `${stops > 0 ? '+' : '−'}${Math.abs(stops)}`}
              </text>
            )}
          </g>
        );
      })}
      {shows !== undefined && (
        <path
          className={`meter-needle${beyond ? ' meter-beyond' : ''}`}
          d={
            beyond
              ? shows > 0
                ? `M${WIDTH - 2},12 l-10,-7 v14 z`
                : 'M2,12 l10,-7 v14 z'
              : `M${at},20 l-5,-14 h10 z`
          }
        />
      )}
    </svg>
  );
};
