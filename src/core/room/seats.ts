import { median } from '../maths/quantile.ts';

/** What lies between two cameras at one position: light in stops, balance in mired, tint in thousandths of Duv. */
export type Apart = { readonly stops: number; readonly mired: number; readonly tint: number };
const KEYS = ['stops', 'mired', 'tint'] as const satisfies readonly (keyof Apart)[];

/** Under these nothing is said to be the light's: what two readings of one thing differ by. Our own. */
const NOTHING: Apart = { stops: 1 / 12, mired: 5, tint: 1 };

export type ToldApart = {
  /** The same wherever it looks: what the camera does. */
  readonly camera: Apart;
  /** How much the positions disagree, one standard deviation. */
  readonly spread: Apart;
  /** What is left at each position: the light's, by angle and place. */
  readonly light: readonly { readonly name: string; readonly apart: Apart; readonly isSeen: boolean }[];
};

const apart = (of: (key: keyof Apart) => number): Apart => ({
  stops: of('stops'),
  mired: of('mired'),
  tint: of('tint'),
});

/**
 * The camera's part and the light's. A camera is off by the same wherever it looks; what changes with the position is
 * the light's. The median holds as long as most positions agree; undefined under two, which say nothing of it.
 */
export const toldApart = (
  positions: readonly { readonly name: string; readonly apart: Apart }[],
): ToldApart | undefined => {
  if (positions.length < 2) return undefined;
  const camera = apart((key) => median(positions.map((one) => one.apart[key])));
  const light = positions.map(({ name, apart: own }) => {
    const left = apart((key) => own[key] - camera[key]);
    return { name, apart: left, isSeen: KEYS.some((key) => Math.abs(left[key]) > NOTHING[key]) };
  });
  const spread = apart((key) =>
    Math.sqrt(light.reduce((sum, one) => sum + one.apart[key] ** 2, 0) / (light.length - 1)),
  );
  return { camera, spread, light };
};
