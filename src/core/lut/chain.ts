import type { Triple } from '../maths/matrix.ts';
import { compileCdl, type Cdl } from './cdl.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import type { Coding } from '../signal/scale.ts';
import { onSignal, type CubeScale } from './cubeScale.ts';
import type { InterpolationId } from './lut.ts';
import { compileMarks, type Marks } from './marks.ts';
import { compileNodes, type LutNode } from './node.ts';
import { compileRecipe, type LutRecipe } from './recipe.ts';

/** What a look is made to be put on. */
export type LookFeed = 'display' | 'log';

/** One step from a recording's signal to a picture's. Signals are fractions, 1 = 100 %. */
export type ChainStep =
  /** Light taken off (−) or added (+) in stops, on a profile's signal. */
  | { readonly kind: 'exposure'; readonly profile: ProfileData; readonly stops: number }
  | { readonly kind: 'conversion'; readonly recipe: LutRecipe }
  /** From a conversion's picture back to its profile's signal: for a look that expects log after a display step. */
  | { readonly kind: 'back'; readonly recipe: LutRecipe }
  | {
      readonly kind: 'lut';
      readonly name: string;
      readonly nodes: readonly LutNode[];
      readonly scale: CubeScale;
      readonly coding: Coding;
      readonly interpolation: InterpolationId;
      /** 0 leaves what comes in, 1 is the LUT. */
      readonly intensity: number;
    }
  | { readonly kind: 'cdl'; readonly cdl: Cdl }
  /** Tones painted in colours instead of a picture, or over one. */
  | { readonly kind: 'marks'; readonly marks: Marks };

type Step = (signal: Triple) => Triple;

/** So much of what a step does: 0 leaves what comes in, 1 is the step. */
export const blended = (step: Step, intensity: number): Step => {
  if (intensity === 1) return step;
  return (signal) => {
    const done = step(signal);
    return [
      signal[0] + intensity * (done[0] - signal[0]),
      signal[1] + intensity * (done[1] - signal[1]),
      signal[2] + intensity * (done[2] - signal[2]),
    ];
  };
};

type Compilers = {
  readonly [K in ChainStep['kind']]: (step: Extract<ChainStep, { kind: K }>) => Step;
};

const each =
  (f: (v: number) => number): Step =>
  ([r, g, b]) => [f(r), f(g), f(b)];

/**
 * Exposure on one channel of a profile: decode, gain, encode. What is clipped stays clipped when light is
 * taken off: it is not turned into a tone that never was.
 */
const exposed = (data: ProfileData, stops: number) => {
  const { transfer, clipSignal } = compileProfile(data);
  const gain = 2 ** stops;
  return (signal: number) =>
    Math.min(clipSignal, transfer.encode(transfer.decode(Math.min(signal, clipSignal)) * gain));
};

/** What makes the function of each kind of step. A further one is a row. */
const COMPILERS: Compilers = {
  exposure: ({ profile, stops }) => (stops === 0 ? (signal) => signal : each(exposed(profile, stops))),
  conversion: ({ recipe }) => compileRecipe(recipe).rgb,
  back: ({ recipe }) => compileRecipe(recipe).undo,
  lut: ({ nodes, scale, coding, interpolation, intensity }) =>
    blended(onSignal(compileNodes(nodes, interpolation), scale, coding), intensity),
  cdl: ({ cdl }) => compileCdl(cdl),
  marks: ({ marks }) => compileMarks(marks),
};

/** Steps in their order as one function of signals. */
export const compileChain = (steps: readonly ChainStep[]): Step => {
  const made = steps.map((step) => (COMPILERS[step.kind] as (s: ChainStep) => Step)(step));
  return (signal) => made.reduce((value, run) => run(value), signal);
};
