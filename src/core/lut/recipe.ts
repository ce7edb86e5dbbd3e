import { compileCorrection } from '../correction/compile.ts';
import { gamutMatrix, type GamutSpec } from '../colour/gamut.ts';
import { apply, IDENTITY, invert, type Triple } from '../maths/matrix.ts';
import { LUMA } from '../signal/luma.ts';
import { compileGamutMap } from './gamutMap.ts';
import { compileNeutral, SAME_SIGNAL } from './neutral.ts';
import type { LutRecipe } from './recipeData.ts';

export type { LutRecipe };

export type CompiledRecipe = {
  /** R'G'B' signal fractions in, signal 0..1 of the output out. */
  readonly rgb: (signal: Triple) => Triple;
  /** The same for one channel when channels do not mix; undefined when they do. */
  readonly channel?: (signal: number) => number;
  /** A neutral's signal. */
  readonly neutral: (signal: number) => number;
  /** Signal in, of a neutral's signal out: the darkest that gives it. */
  readonly inverse: (out: number) => number;
  /** The first half: light of one channel in the profile's primaries, pulled; nothing over the clip. */
  readonly light: (signal: number) => number;
  /** The second half: that light, three channels, to the output's signal; written to `into`. */
  readonly picture: (r: number, g: number, b: number, into: Float64Array) => void;
  /** The output's signal back to the profile's, where neither is held: not for black and white. */
  readonly undo: (out: Triple) => Triple;
};

/** Draws colour about its luma, in place. */
const saturate = (rgb: Float64Array, luma: keyof typeof LUMA, saturation: number): void => {
  const { kr, kg, kb } = LUMA[luma];
  const y = kr * rgb[0] + kg * rgb[1] + kb * rgb[2];
  for (let c = 0; c < 3; c += 1) rgb[c] = y + saturation * (rgb[c] - y);
};

const matrices = (from: GamutSpec, to: GamutSpec) => {
  const matrix = from === to ? IDENTITY : gamutMatrix(from, to);
  return { matrix, back: matrix === IDENTITY ? IDENTITY : invert(matrix) };
};

/**
 * The functions that run a recipe: decode, pull, gamut to the output's, tone scale, saturation, encoding;
 * held to 0..1.
 */
export const compileRecipe = (recipe: LutRecipe): CompiledRecipe => {
  const {
    transfer,
    clipSignal,
    output,
    tone,
    gain,
    light,
    coded,
    neutral: plainNeutral,
  } = compileNeutral(recipe);
  const { matrix, back } = matrices(recipe.profile.gamut, output.primaries);
  const { saturation } = recipe;
  const match = recipe.match && compileCorrection(recipe.match, recipe.profile.gamut);
  const map = compileGamutMap(recipe.gamutMap, recipe.profile.gamut, output.primaries);
  const last = output.last ?? SAME_SIGNAL;
  const m = matrix;
  const plainPicture = (r: number, g: number, b: number, into: Float64Array): void => {
    into[0] = m[0] * r + m[1] * g + m[2] * b;
    into[1] = m[3] * r + m[4] * g + m[5] * b;
    into[2] = m[6] * r + m[7] * g + m[8] * b;
    map?.compress(into);
    tone.rgb(into[0], into[1], into[2], into);
    if (saturation !== 1) saturate(into, output.luma, saturation);
    for (let c = 0; c < 3; c += 1) into[c] = coded(into[c]);
  };
  const shown = new Float64Array(3);
  const picture = match
    ? (r: number, g: number, b: number, into: Float64Array): void => {
        const [x, y, z] = match.run([r / gain, g / gain, b / gain]);
        plainPicture(x * gain, y * gain, z * gain, into);
      }
    : plainPicture;
  // What a match makes of a neutral has a colour: its green stands for it.
  const neutral = match
    ? (signal: number) => {
        const v = light(signal);
        picture(v, v, v, shown);
        return shown[1];
      }
    : plainNeutral;
  const signalOf = (scene: number) => transfer.encode(scene / gain);
  const apart = matrix === IDENTITY && saturation === 1 && recipe.output !== 'pq' && !match;
  return {
    neutral,
    light,
    picture,
    ...(apart ? { channel: neutral } : {}),
    rgb: apart
      ? ([r, g, b]) => [neutral(r), neutral(g), neutral(b)]
      : ([r, g, b]) => {
          picture(light(r), light(g), light(b), shown);
          return [shown[0], shown[1], shown[2]];
        },
    inverse: (out) => {
      let [low, high] = [transfer.encode(0), clipSignal];
      for (let i = 0; i < 50; i += 1) {
        const mid = (low + high) / 2;
        if (neutral(mid) < out) low = mid;
        else high = mid;
      }
      return high;
    },
    undo: ([r, g, b]) => {
      const out = Float64Array.of(last.decode(r), last.decode(g), last.decode(b));
      if (saturation !== 1 && saturation !== 0) saturate(out, output.luma, 1 / saturation);
      out.set(tone.scene([out[0], out[1], out[2]]));
      map?.open(out);
      const scene: Triple = [out[0], out[1], out[2]];
      const pulled = back === IDENTITY ? scene : apply(back, scene);
      const [x, y, z] = match
        ? match.undo([pulled[0] / gain, pulled[1] / gain, pulled[2] / gain]).map((v) => v * gain)
        : pulled;
      return [signalOf(x), signalOf(y), signalOf(z)];
    },
  };
};
