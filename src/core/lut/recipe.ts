import { gamutMatrix } from '../colour/gamut.ts';
import { apply, IDENTITY, type Triple } from '../colour/matrix.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import { LUMA } from '../signal/luma.ts';
import { outputOf, type OutputId } from './outputs.ts';
import { compileTone, type ToneScale } from './toneScale.ts';

/** A LUT from a profile's signal to a picture, as data. */
export type LutRecipe = {
  readonly profile: ProfileData;
  /** Stops taken off before the picture is made: the placement, so that the card looks like a card. 0 = none. */
  readonly pullStops: number;
  readonly output: OutputId;
  /** Peak of the display, cd/m2; counts for PQ alone. */
  readonly peak: number;
  readonly tone: ToneScale;
  /** Colour about luma on the output's signal; 1 leaves it, 0 is black and white. */
  readonly saturation: number;
};

export type CompiledRecipe = {
  /** R'G'B' signal fractions in, signal 0..1 of the output out. */
  readonly rgb: (signal: Triple) => Triple;
  /** The same for one channel when channels do not mix; undefined when they do. */
  readonly channel?: (signal: number) => number;
  /** A neutral's signal. */
  readonly neutral: (signal: number) => number;
  /** Signal in, of a neutral's signal out: the darkest that gives it. */
  readonly inverse: (out: number) => number;
};

const clamp01 = (v: number) => Math.min(1, Math.max(0, v));

/** The functions that run a recipe: decode, pull, gamut to the output's, tone scale, saturation, encoding; held to 0..1. */
export const compileRecipe = (recipe: LutRecipe): CompiledRecipe => {
  const { transfer, clipSignal, clipStops } = compileProfile(recipe.profile);
  const output = outputOf(recipe.output);
  const tone = compileTone(recipe.tone, output, recipe.peak, clipStops - recipe.pullStops);
  const gain = 2 ** -recipe.pullStops;
  // What is clipped stays clipped: no light is made of codes over the clip.
  const light = (signal: number) => transfer.decode(Math.min(signal, clipSignal)) * gain;
  const last = output.last ?? ((v: number) => v);
  const coded = (v: number) => clamp01(last(clamp01(v)));
  const neutral = (signal: number) => coded(tone.neutral(light(signal)));
  const inverse = (out: number) => {
    let [low, high] = [transfer.encode(0), clipSignal];
    for (let i = 0; i < 50; i += 1) {
      const mid = (low + high) / 2;
      if (neutral(mid) < out) low = mid;
      else high = mid;
    }
    return high;
  };
  const matrix =
    recipe.profile.gamut === output.primaries
      ? IDENTITY
      : gamutMatrix(recipe.profile.gamut, output.primaries);
  const { saturation } = recipe;
  const apart = matrix === IDENTITY && saturation === 1 && recipe.output !== 'pq';
  if (apart)
    return { neutral, inverse, channel: neutral, rgb: ([r, g, b]) => [neutral(r), neutral(g), neutral(b)] };
  const { kr, kg, kb } = LUMA[output.luma];
  return {
    neutral,
    inverse,
    rgb: ([r, g, b]) => {
      const shown = tone.rgb(apply(matrix, [light(r), light(g), light(b)]));
      if (saturation === 1) return [coded(shown[0]), coded(shown[1]), coded(shown[2])];
      const luma = kr * shown[0] + kg * shown[1] + kb * shown[2];
      return [
        coded(luma + saturation * (shown[0] - luma)),
        coded(luma + saturation * (shown[1] - luma)),
        coded(luma + saturation * (shown[2] - luma)),
      ];
    },
  };
};
