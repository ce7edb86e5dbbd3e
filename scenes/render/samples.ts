import { luminanceOf } from './light.ts';
import type { Thing } from './material.ts';
import type { Model } from './model.ts';
import type { Vec } from './shapes.ts';

/** What the camera saw: light by group without texture and with, and what the filter needs. Planar, three a pixel. */
export type Traced = {
  readonly width: number;
  readonly height: number;
  /** By group: light on surfaces, their own reflectance taken off. */
  readonly light: readonly Float32Array[];
  /** By group: what comes by way of a mirror. */
  readonly glow: readonly Float32Array[];
  /** By group: lamps and sky, seen directly; exact, and never filtered. */
  readonly direct: readonly Float32Array[];
  readonly albedo: Float32Array;
  readonly normal: Float32Array;
  readonly depth: Float32Array;
  /** Number of the thing + 1; 0 none. Of the middle of the pixel. */
  readonly mask: Uint8Array;
  /** Number of the solid + 1; 0 none. Of the middle of the pixel. */
  readonly solid: Uint16Array;
  readonly things: readonly Thing[];
};

export type Window = {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
};

export type Sample = {
  readonly weight: Vec;
  readonly light: Float64Array[];
  readonly glow: Float64Array[];
  readonly direct: Float64Array[];
  readonly lightSum: Float64Array[];
  readonly glowSum: Float64Array[];
  readonly albedoSum: Vec;
  readonly normalSum: Vec;
  depth: number;
  /** Samples whose first surface was matt. */
  matt: number;
  mirrored: boolean;
  /** By the shine of a matt thing. */
  gleamed: boolean;
  seen: number;
};

export const blankSample = (groups: number): Sample => {
  const bins = () => Array.from({ length: groups }, () => new Float64Array(3));
  return {
    weight: [1, 1, 1],
    light: bins(),
    glow: bins(),
    direct: bins(),
    lightSum: bins(),
    glowSum: bins(),
    albedoSum: [0, 0, 0],
    normalSum: [0, 0, 0],
    depth: 0,
    matt: 0,
    mirrored: false,
    gleamed: false,
    seen: 0,
  };
};
export const resetSample = (sample: Sample): void => {
  for (const bin of [...sample.lightSum, ...sample.glowSum, ...sample.direct]) bin.fill(0);
  sample.albedoSum.fill(0);
  sample.normalSum.fill(0);
  sample.depth = 0;
  sample.matt = 0;
  sample.seen = 0;
};

/** One path may bring at most so many times what the pixel has on average, cd/m2: what is brighter is noise. */
const BRIGHTEST = 12;
const SHEEN = 8;
/** Paths after which the mean is worth something. */
const LEARNT = 4;
const addCapped = (bin: Float64Array, sum: Float64Array, cap: number): void => {
  const y = luminanceOf([bin[0], bin[1], bin[2]]);
  const k = y > cap ? cap / y : 1;
  for (let c = 0; c < 3; c += 1) sum[c] += bin[c] * k;
  bin.fill(0);
};
export const settle = (sample: Sample): void => {
  sample.seen += 1;
  sample.light.forEach((bin, g) => {
    const sum = sample.lightSum[g];
    const mean = luminanceOf([sum[0], sum[1], sum[2]]) / (sample.seen - 1);
    // Where no path found light yet, the mean says nothing: the first that does counts whole.
    const learnt = sample.seen > LEARNT && mean > 0;
    addCapped(bin, sum, learnt ? BRIGHTEST * mean : Infinity);
    addCapped(sample.glow[g], sample.glowSum[g], sample.gleamed && learnt ? SHEEN * mean : Infinity);
  });
};

export const blank = ({ width, height }: Window, model: Model): Traced => {
  const plane = () => new Float32Array(3 * width * height);
  const groups = () => Array.from({ length: model.groups }, plane);
  return {
    width,
    height,
    light: groups(),
    glow: groups(),
    direct: groups(),
    albedo: plane(),
    normal: plane(),
    depth: new Float32Array(width * height),
    mask: new Uint8Array(width * height),
    solid: new Uint16Array(width * height),
    things: [...model.things],
  };
};

export const write = (out: Traced, at: number, sample: Sample, samples: number, pixels: number): void => {
  const length = Math.hypot(...sample.normalSum) || 1;
  for (let c = 0; c < 3; c += 1) {
    const i = c * pixels + at;
    out.light.forEach((plane, g) => (plane[i] = sample.lightSum[g][c] / samples));
    out.glow.forEach((plane, g) => (plane[i] = sample.glowSum[g][c] / samples));
    out.direct.forEach((plane, g) => (plane[i] = sample.direct[g][c] / samples));
    out.albedo[i] = sample.matt === 0 ? 1 : sample.albedoSum[c] / sample.matt;
    out.normal[i] = sample.normalSum[c] / length;
  }
  out.depth[at] = sample.depth / samples;
};
