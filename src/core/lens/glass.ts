import { GLASS_LOSS, type GlassId } from '../exposure/glassLoss.ts';

// Glass before the lens that is not plain grey: what it takes, what it turns, what it spreads. Losses and colours of
// filters differ from piece to piece: the figures are what such glass usually does (common practice, from memory) and
// say so; the card, shot with the glass on, is right.

type Glass = {
  /** Stops that its loss (`exposure/glassLoss.ts`) may lie off. */
  readonly within: number;
  /** What it turns the light by: mired warm +, tint green +. */
  readonly mired: number;
  readonly tint: number;
  /** What it is for, and what it takes. */
  readonly does: string;
  readonly watch: string;
};

const plain = { within: 0, mired: 0, tint: 0 };

/** A further piece is a row. */
export const GLASS = {
  polariser: {
    ...plain,
    within: 0.35,
    does: 'Takes reflections off water, glass and leaves, and darkens the sky at right angles to the sun.',
    watch: 'Turn it, then meter and balance through it. A wide lens shows a dark band in the sky.',
  },
  diffusion8: {
    ...plain,
    does: 'Softens skin and lets lights glow a little.',
    watch: 'Lifts blacks a little: set them in post, not in the camera.',
  },
  diffusion4: {
    ...plain,
    does: 'Softens skin and lets lights glow.',
    watch: 'Lifts blacks and spreads clipped lights: hold those under clip.',
  },
  diffusion2: {
    ...plain,
    does: 'Glow round every light, a veil over the blacks.',
    watch: 'The lowest stops drown in the veil: do not count on them.',
  },
  redWater: {
    ...plain,
    within: 0.5,
    mired: 120,
    does: 'Gives back red that blue water takes, before the sensor.',
    watch: 'By day down to about 20 m, without lamps: in a lamp’s light all turns red. Balance through it.',
  },
  magentaWater: {
    ...plain,
    within: 0.4,
    mired: 40,
    tint: -12,
    does: 'Takes the green of lakes and coasts, before the sensor.',
    watch: 'Take it off for lamps and near the surface. Balance through it.',
  },
  infrared: {
    ...plain,
    within: 0.1,
    does: 'Stops the infrared that strong ND lets through.',
    watch: 'Goes nearest to the lens. A wide lens may show green corners.',
  },
} as const satisfies Record<GlassId, Glass>;
export type GlassSum = {
  readonly names: readonly string[];
  readonly stops: number;
  readonly within: number;
  readonly mired: number;
  readonly tint: number;
  readonly veil: number;
};

/** What several pieces do together: losses, shifts in mired and veils add. */
export const glassSum = (ids: readonly GlassId[]): GlassSum =>
  ids
    .map((id) => ({ veil: 0, ...(GLASS[id] as Glass), ...GLASS_LOSS[id] }))
    .reduce<GlassSum>(
      (sum, glass) => ({
        names: [...sum.names, glass.name],
        stops: sum.stops + glass.stops,
        within: sum.within + glass.within,
        mired: sum.mired + glass.mired,
        tint: sum.tint + glass.tint,
        veil: sum.veil + glass.veil,
      }),
      { names: [], stops: 0, within: 0, mired: 0, tint: 0, veil: 0 },
    );

/** Stops over grey at which the light that a glass spreads lies: nothing darker is seen clearly. */
export const veilStops = (veil: number, meanStops: number): number => Math.log2(veil) + meanStops;

/** Grey filters stronger than this let so much infrared through that blacks turn warm, stops. Common practice. */
const INFRARED_FROM = 6;
/** Pieces before a lens; more vignette and cost sharpness. Our own choice. */
const MOST_GLASS = 2;

/** What to watch with this glass and this ND. */
export const glassWarnings = (
  ids: readonly GlassId[],
  nd: { readonly stops: number; readonly pieces: number; readonly hasVariable: boolean },
  water: boolean,
): readonly string[] => {
  const found: string[] = [];
  const pieces = ids.length + nd.pieces;
  if (pieces > MOST_GLASS)
    found.push(`${pieces} pieces of glass: watch the corners, and reflections of lights.`);
  if (nd.stops >= INFRARED_FROM && !ids.includes('infrared'))
    found.push(
      'So strong an ND may let infrared through: black cloth turns brown. Test it, or add the infrared stop.',
    );
  if (ids.includes('polariser') && nd.hasVariable)
    found.push('A variable ND is two polarisers: with a third in front it darkens unevenly. Use fixed ND.');
  if (!water && (ids.includes('redWater') || ids.includes('magentaWater')))
    found.push('A filter for water stands on the lens, and the set-up is not under water.');
  return found;
};
