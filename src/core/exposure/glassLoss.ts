/**
 * Glass that is not grey, the stops it takes beside its ND, and the share of the scene's mean light that it spreads;
 * what else it does stands in `lens/glass.ts`. Common practice, from memory: pieces differ, the card shot through it is
 * right.
 */
export const GLASS_LOSS = {
  polariser: { name: 'polariser', stops: 1.65 },
  diffusion8: { name: 'diffusion 1/8', stops: 0, veil: 0.005 },
  diffusion4: { name: 'diffusion 1/4', stops: 0, veil: 0.01 },
  diffusion2: { name: 'diffusion 1/2', stops: 0, veil: 0.02 },
  redWater: { name: 'red, for blue water', stops: 1.5 },
  magentaWater: { name: 'magenta, for green water', stops: 1 },
  infrared: { name: 'infrared stop', stops: 0.1 },
} as const;
export type GlassId = keyof typeof GLASS_LOSS;
export const GLASS_IDS = Object.keys(GLASS_LOSS) as GlassId[];

/** Those of a list that are known, once each. */
export const knownGlass = (ids: unknown): readonly GlassId[] =>
  Array.isArray(ids) ? GLASS_IDS.filter((id) => ids.includes(id)) : [];

/** Stops that everything before the lens takes: ND and other glass. */
export const stopsBefore = ({
  ndStops,
  glass,
}: {
  readonly ndStops: number;
  readonly glass?: unknown;
}): number => knownGlass(glass).reduce((sum, id) => sum + GLASS_LOSS[id].stops, ndStops);
