import { shutterSeconds } from '../../exposure/shutter.ts';
import { median } from '../../maths/quantile.ts';
import type { Shot } from '../types.ts';
import type { Hold } from './holds.ts';

// The gain a hold was filmed at, by its noise: at one level a stop of gain means half the light, and noise of photons
// grows by the square root of two (EMVA 1288, section 2). Where an automatic holds the card's level over the ISO steps
// nothing else tells them apart.

/** Holds whose card lies this near grey are compared, signal fraction: farther away the curve's slope differs. */
const NEAR_GREY = 0.05;
/** How far noise may lie off this law, logarithm: noise reduction rises with the ISO. Our own choice. */
const SD = 0.25;
const PER_STOP = Math.LN2 / 2;

/** Gain of each shot over the first one, stops: what its place owes neither to the shutter nor to more light. */
export const gainsOf = (shots: readonly Shot[]): ReadonlyMap<string, number> => {
  // An angle and its frame rate cancel out.
  const seconds = ({ settings }: Shot) => shutterSeconds(settings.shutter, 1);
  const first = shots.find(({ kind }) => kind === 'first') ?? shots[0];
  return new Map(
    shots.map((shot) => {
      const { stops, moreLight } = shot.settings;
      return [shot.id, stops - moreLight - Math.log2(seconds(shot) / seconds(first))] as const;
    }),
  );
};

/** Logarithm of a hold's noise where its card lies near grey. */
const noiseOf = ({ card }: Hold, grey: number): number | undefined =>
  card.temporal !== undefined && card.temporal > 0 && Math.abs(card.signal - grey) < NEAR_GREY
    ? Math.log(card.temporal)
    : undefined;

export type GainSign = {
  /** How many standard deviations a hold's noise lies off what this shot's gain has. */
  readonly off: (shot: Shot, hold: Hold) => number;
};

/**
 * @param grey Signal of the card at grey, as far as it is known
 * @param gainFor Gain a hold is believed to have; all at the first shot's while nothing is known
 */
export const gainSign = (
  gains: ReadonlyMap<string, number>,
  holds: readonly Hold[],
  grey: number,
  gainFor: (hold: number) => number | undefined = () => 0,
): GainSign => {
  const atFirst = holds.flatMap((hold, j) => {
    const [noise, gain] = [noiseOf(hold, grey), gainFor(j)];
    return noise === undefined || gain === undefined ? [] : [noise - PER_STOP * gain];
  });
  const base = atFirst.length > 0 ? median(atFirst) : undefined;
  return {
    off: (shot, hold) => {
      const noise = noiseOf(hold, grey);
      if (base === undefined || noise === undefined || shot.view !== 'card') return 0;
      return (noise - base - PER_STOP * (gains.get(shot.id) ?? 0)) / SD;
    },
  };
};
