import type { Triple } from '../maths/matrix.ts';
import { atOnce, type InParts } from '../inParts.ts';
import { curveInput } from './invert.ts';
import { sampleLatticeInParts } from './lattice.ts';
import { lutLoss, type LutLoss } from './loss.ts';
import { UNIT_DOMAIN, type Lut } from './lut.ts';
import { compileNodes } from './node.ts';
import type { OutputId } from './outputs.ts';

/** Sizes that monitors and editors take, points a side. */
export const BAKE_SIZES = [17, 33, 65] as const;

/** Points of a shaper and of a 1D LUT. */
const CURVE_POINTS = 4096;

/** Shares of the points that are spread evenly whatever the curve does: no part of the range goes without. */
const EVEN = 0.25;
const STEPS = 512;

/**
 * A curve that puts lattice points where the grey axis bends most: the density of points goes by the square
 * root of the second difference, which evens out the error of straight reads between them (de Boor 1978, A
 * Practical Guide to Splines, chapter XII).
 */
export const shaperFor = (transform: (rgb: Triple) => Triple): Float32Array => {
  const grey = (v: number) => transform([v, v, v])[1];
  const density = new Float64Array(STEPS);
  let total = 0;
  for (let i = 0; i < STEPS; i += 1) {
    const v = (i + 0.5) / STEPS;
    const h = 1 / STEPS;
    density[i] = Math.sqrt(Math.abs(grey(Math.min(1, v + h)) - 2 * grey(v) + grey(Math.max(0, v - h))));
    total += density[i];
  }
  const sums = new Float64Array(STEPS + 1);
  for (let i = 0; i < STEPS; i += 1)
    sums[i + 1] =
      sums[i] + (total > 0 ? ((1 - EVEN) * density[i]) / total : (1 - EVEN) / STEPS) + EVEN / STEPS;
  return Float32Array.from({ length: CURVE_POINTS }, (_, i) => {
    const at = (i / (CURVE_POINTS - 1)) * STEPS;
    const low = Math.min(STEPS - 1, Math.floor(at));
    return (sums[low] + (at - low) * (sums[low + 1] - sums[low])) / sums[STEPS];
  });
};

/** `bake` row by row. */
export function* bakeInParts(
  transform: (rgb: Triple) => Triple,
  size: number,
  shaper?: Float32Array,
): InParts<Lut[]> {
  if (!shaper)
    return [{ kind: 'cube', domain: UNIT_DOMAIN, lattice: yield* sampleLatticeInParts(size, transform) }];
  const last = size - 1;
  const inputs = Float64Array.from({ length: size }, (_, i) => curveInput(shaper, i / last));
  const at = (v: number) => inputs[Math.round(v * last)];
  const lattice = yield* sampleLatticeInParts(size, ([r, g, b]) => transform([at(r), at(g), at(b)]));
  return [
    { kind: 'curves', domain: UNIT_DOMAIN, curves: [shaper, shaper, shaper] },
    { kind: 'cube', domain: UNIT_DOMAIN, lattice },
  ];
}

/** A transform of 0..1 on a cube, or on a shaper and a cube. */
export const bake = atOnce(bakeInParts);

/** A transform whose channels do not mix, as three curves. */
export const bakeCurves = (transform: (rgb: Triple) => Triple, points = CURVE_POINTS): Lut => {
  const rows = Array.from({ length: points }, (_, i) => {
    const v = i / (points - 1);
    return transform([v, v, v]);
  });
  const curve = (c: number) => Float32Array.from(rows, (row) => row[c]);
  return { kind: 'curves', domain: UNIT_DOMAIN, curves: [curve(0), curve(1), curve(2)] };
};

const PROBES = 9;
/** Channels count as apart when another one moves them by less than this. */
const APART = 1e-6;

/** Whether each channel of a transform depends on itself alone, found by trying. */
export const isSeparable = (transform: (rgb: Triple) => Triple): boolean => {
  const spread = Array.from({ length: PROBES }, (_, i) => i / (PROBES - 1));
  return spread.every((v) => {
    const alone = transform([v, v, v]);
    return spread.every((other) => {
      const r = transform([v, other, 1 - other])[0];
      const g = transform([other, v, 1 - other])[1];
      const b = transform([other, 1 - other, v])[2];
      return (
        Math.abs(r - alone[0]) < APART && Math.abs(g - alone[1]) < APART && Math.abs(b - alone[2]) < APART
      );
    });
  });
};

export type Baked = {
  readonly size: number;
  readonly shaped: boolean;
  readonly loss: LutLoss;
};

/** `bakeLosses` row by row. */
export function* bakeLossesInParts(
  transform: (rgb: Triple) => Triple,
  output: OutputId,
  toSignal: (v: number) => number = (v) => v,
  sizes: readonly number[] = BAKE_SIZES,
  usable?: readonly [from: number, to: number],
): InParts<Baked[]> {
  const shaper = shaperFor(transform);
  const signals =
    (run: (rgb: Triple) => Triple) =>
    (rgb: Triple): Triple => {
      const [r, g, b] = run(rgb);
      return [toSignal(r), toSignal(g), toSignal(b)];
    };
  const baked: Baked[] = [];
  for (const size of sizes)
    for (const shaped of [false, true]) {
      const nodes = yield* bakeInParts(transform, size, shaped ? shaper : undefined);
      const loss = lutLoss(signals(transform), signals(compileNodes(nodes)), output, usable);
      baked.push({ size, shaped, loss });
      yield;
    }
  return baked;
}

/** Loss of each usual size, plain and shaped, of a transform that ends in an output's 0..1. */
export const bakeLosses = atOnce(bakeLossesInParts);

/** A shaper pays when it takes a third or more off the worst colour and grey gains too. Our own choice. */
export const shaperPays = (plain: LutLoss, shaped: LutLoss): boolean =>
  shaped.worst < (2 / 3) * plain.worst && shaped.stops < plain.stops;
