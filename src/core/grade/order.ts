import { adaptation } from '../colour/adaptation.ts';
import { gamutOf, rgbToXyz, type GamutSpec } from '../colour/gamut.ts';
import { deltaE2000 } from '../colour/lab.ts';
import { apply, invert, multiply, type Matrix3, type Triple } from '../maths/matrix.ts';
import { temperatureOf, whiteXy } from '../colour/temperature.ts';
import type { Planes } from '../frame/frame.ts';
import { atOnce, type InParts } from '../inParts.ts';
import { labOfSignal } from '../lut/loss.ts';
import { outputOf } from '../lut/outputs.ts';
import { compileRecipe, type LutRecipe } from '../lut/recipe.ts';
import { compileProfile } from '../profile/index.ts';
import { LUMA } from '../signal/luma.ts';
import { signalsByCode, type Coding } from '../signal/scale.ts';
import { PICTURE_LIGHT } from './pictureLight.ts';

/** What is put right: light in stops, and the balance in mired, warmer +. */
export type GradeCorrection = { readonly stops: number; readonly mired: number };

/** Where it is done: on the recording's light, or on the picture that the conversion made. */
const ORDERS = ['before', 'after'] as const;
export type Order = (typeof ORDERS)[number];

/**
 * Linear R'G'B' with its white as a light that lies so many mired warmer, at the same distance from the locus
 * (Bradford).
 */
export const balanceMatrix = (spec: GamutSpec, mired: number): Matrix3 => {
  const gamut = gamutOf(spec);
  const toXyz = rgbToXyz(gamut);
  const { kelvin, duv } = temperatureOf(gamut.white);
  const warmer = whiteXy({ kelvin: 1e6 / (1e6 / kelvin + mired), duv });
  return multiply(invert(toXyz), multiply(adaptation(gamut.white, warmer), toXyz));
};

const clamp01 = (v: number) => Math.min(1, Math.max(0, v));

/** The picture with a correction before or after the conversion: signals in, the output's signal out, held to 0..1. */
export const corrected = (
  recipe: LutRecipe,
  { stops, mired }: GradeCorrection,
  order: Order,
): ((signal: Triple) => Triple) => {
  const { light, picture, rgb } = compileRecipe(recipe);
  const gain = 2 ** stops;
  if (order === 'before') {
    const matrix = balanceMatrix(recipe.profile.gamut, mired);
    const into = new Float64Array(3);
    return ([r, g, b]) => {
      const [x, y, z] = apply(matrix, [gain * light(r), gain * light(g), gain * light(b)]);
      picture(x, y, z, into);
      return [into[0], into[1], into[2]];
    };
  }
  const { encode, decode } = PICTURE_LIGHT[recipe.output];
  const matrix = balanceMatrix(outputOf(recipe.output).primaries, mired);
  return (signal) => {
    const [r, g, b] = rgb(signal);
    const [x, y, z] = apply(matrix, [gain * decode(r), gain * decode(g), gain * decode(b)]);
    return [
      clamp01(encode(Math.max(0, x))),
      clamp01(encode(Math.max(0, y))),
      clamp01(encode(Math.max(0, z))),
    ];
  };
};

/** What one order leaves of a frame. */
type OrderFigures = {
  /** Shares of the pixels with a channel at the top, and of those with all three there. */
  readonly topped: number;
  readonly white: number;
  /** Different 10-bit luma codes over the output's grey that the frame still has. */
  readonly levels: number;
  /** Highest tone of a neutral that still differs from the next third of a stop, stops over grey in the recording. */
  readonly apartTo: number;
};
export type OrderLoss = {
  readonly [K in Order]: OrderFigures;
} & {
  /** CIEDE2000 between the two, mean and worst. */
  readonly mean: number;
  readonly worst: number;
  readonly pixels: number;
};

/** Pixels that are looked at, at most, and in one part. */
const MOST_PIXELS = 40_000;
const PART_PIXELS = 1000;
const TOP = 1 - 0.5 / 1023;
const THIRD = 1 / 3;

/** Two ways to one picture, and what it is a picture of. */
export type TwoWays = {
  readonly before: (signal: Triple) => Triple;
  readonly after: (signal: Triple) => Triple;
  readonly recipe: LutRecipe;
};

const apartTo = (run: (signal: Triple) => Triple, recipe: LutRecipe): number => {
  const { signalAt, clipStops } = compileProfile(recipe.profile);
  const displaySignal = (stops: number) => {
    const v = signalAt(stops);
    return run([v, v, v])[1];
  };
  let stops = clipStops;
  while (stops > -8 && displaySignal(stops) - displaySignal(stops - THIRD) < 1 / 1023) stops -= THIRD;
  return stops;
};

/** What one way leaves of a frame against the other, a thousand pixels at a time; on pixels spread evenly. */
export function* lossOfWaysInParts(
  { r, g, b }: Planes,
  coding: Coding,
  { recipe, ...ways }: TwoWays,
): InParts<OrderLoss> {
  const every = Math.max(1, Math.ceil(r.length / MOST_PIXELS));
  const runs = ORDERS.map((order) => ways[order]);
  const { luma, grey } = outputOf(recipe.output);
  const { kr, kg, kb } = LUMA[luma];
  const lab = labOfSignal(recipe.output);
  const signals = signalsByCode(coding);
  const counted = ORDERS.map(() => ({ topped: 0, white: 0, levels: new Set<number>() }));
  let [sum, worst, pixels] = [0, 0, 0];
  for (let i = 0; i < r.length; i += every) {
    const signal: Triple = [signals[r[i]], signals[g[i]], signals[b[i]]];
    const [before, after] = runs.map((run, n) => {
      const out = run(signal);
      const tops = out.filter((v) => v >= TOP).length;
      if (tops > 0) counted[n].topped += 1;
      if (tops === 3) counted[n].white += 1;
      const y = kr * out[0] + kg * out[1] + kb * out[2];
      if (y > grey) counted[n].levels.add(Math.round(1023 * y));
      return out;
    });
    const difference = deltaE2000(lab(before), lab(after));
    sum += difference;
    worst = Math.max(worst, difference);
    pixels += 1;
    if (pixels % PART_PIXELS === 0) yield;
  }
  const [before, after] = counted.map(({ topped, white, levels }, n): OrderFigures => ({
    topped: topped / pixels,
    white: white / pixels,
    levels: levels.size,
    apartTo: apartTo(runs[n], recipe),
  }));
  return { before, after, mean: sum / pixels, worst, pixels };
}

/** `orderLoss`, a thousand pixels at a time. */
export const orderLossInParts = (
  planes: Planes,
  coding: Coding,
  recipe: LutRecipe,
  correction: GradeCorrection,
): InParts<OrderLoss> =>
  lossOfWaysInParts(planes, coding, {
    before: corrected(recipe, correction, 'before'),
    after: corrected(recipe, correction, 'after'),
    recipe,
  });

/**
 * What is lost on a frame when the correction comes after the conversion instead of before; measured on
 * pixels spread evenly.
 */
export const orderLoss = atOnce(orderLossInParts);
