import { rampColour } from '#core/scopes/ramp.ts';

const LOW = -10;

/** The ladder's drawing, small: how a take's pixels spread over stops, grey marked. Shares a half stop from -10. */
export const LadderGlyph = ({ distribution, label }: { distribution: readonly number[]; label: string }) => {
  const peak = Math.max(1e-9, ...distribution);
  const rows = distribution.length;
  return (
    <svg
      className="glyph"
      viewBox={`0 0 24 ${rows}`}
      preserveAspectRatio="none"
      role="img"
      aria-label={label}
    >
      {distribution.map((share, i) => {
        const width = Math.sqrt(share / peak) * 24;
        const stops = LOW + (i + 0.5) / 2;
        return share > 1e-5 ? (
          <rect
            key={stops}
            x={12 - width / 2}
            width={width}
            y={rows - 1 - i}
            height={1.05}
            fill={rampColour('viridis', stops)}
          />
        ) : null;
      })}
      <line x1="0" x2="24" y1={rows / 2} y2={rows / 2} className="glyph-grey" />
    </svg>
  );
};
