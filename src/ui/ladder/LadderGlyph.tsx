import { rampColour } from '#core/scopes/ramp.ts';

const LOW = -10;
/** Half stops from -10 to +10. */
const ROWS = 40;
/** Shares under this are not drawn. */
const LEAST = 1e-5;

const colourAt = (row: number) => rampColour('viridis', LOW + (row + 0.5) / 2);
/** The ramp from dark to bright, the same for every glyph. */
const BACKGROUND = `linear-gradient(to top, ${Array.from({ length: ROWS }, (_, row) => colourAt(row)).join(', ')})`;

/** The outline: each half stop as wide as the root of its share, brightest on top. */
const outlineOf = (distribution: readonly number[]): string => {
  const peak = Math.max(1e-9, ...distribution);
  const high = 100 / distribution.length;
  const right = distribution.flatMap((share, row) => {
    const x = 50 + (share > LEAST ? 50 * Math.sqrt(share / peak) : 0);
    const y = 100 - row * high;
    return [
      [x, y],
      [x, y - high],
    ] as const;
  });
  const left = right.map(([x, y]) => [100 - x, y] as const).toReversed();
  return `polygon(${[...right, ...left].map(([x, y]) => `${x.toFixed(1)}% ${y.toFixed(1)}%`).join(',')})`;
};

/**
 * The ladder's drawing, small: how a take's pixels spread over stops, grey marked. Shares a half stop from -10. Two
 * elements and no more: a table draws many of them while it scrolls.
 */
export const LadderGlyph = ({ distribution, label }: { distribution: readonly number[]; label: string }) => (
  <span className="glyph" role="img" aria-label={label}>
    <span style={{ background: BACKGROUND, clipPath: outlineOf(distribution) }} />
  </span>
);
