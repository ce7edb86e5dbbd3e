import type { Lab } from '../colour/lab.ts';
import type { Triple } from '../maths/matrix.ts';
import { atOnce, type InParts } from '../inParts.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import type { Coding } from '../signal/scale.ts';
import { cubeScale, onSignal, type CubeScale } from './cubeScale.ts';
import { stopsShownAt } from './greyAxis.ts';
import { guessInput, offFrom, type InputGuess } from './inputKind.ts';
import { displayLight, lutLoss, labOfSignal, type LutLoss } from './loss.ts';
import type { Lattice } from './lattice.ts';
import type { InterpolationId } from './lut.ts';
import { compileNodes, type LutNode } from './node.ts';
import { monitoringRecipe } from './monitoring.ts';
import { outputOf, type OutputId } from './outputs.ts';
import { compileRecipe } from './recipe.ts';

/** How a LUT is to be looked at: its scale, how it is read, what it ends in, and what it is fed. */
export type InspectOptions = {
  readonly nodes: readonly LutNode[];
  readonly scale: CubeScale;
  readonly coding: Coding;
  readonly interpolation: InterpolationId;
  readonly output: OutputId;
  readonly profile: ProfileData;
  /** Stops over grey at which the card is placed. */
  readonly placement: number;
  /** Tones to follow, stops over the placed card. */
  readonly tones: readonly { readonly name: string; readonly over: number }[];
};

/** Where a tone of the active profile goes. Signals are fractions. */
type Landing = {
  readonly name: string;
  readonly stops: number;
  readonly in: number;
  readonly out: number;
  /** Where it seems to lie on the picture, stops from the picture's grey, by the plain tone scale. */
  readonly seen: number;
  /** Where it would lie if the LUT undid the placement. */
  readonly wanted: number;
};

export type LutReport = {
  readonly guess: InputGuess;
  /** How far the nearest conversion from the active profile lies off, as the guess counts it. */
  readonly own: number;
  /** Stop of the active profile that lands on the output's grey, and where its card is placed. */
  readonly pull: number;
  readonly placement: number;
  /** Lowest and highest output of all points, signal. */
  readonly range: readonly [number, number];
  /** Grey axis of the active profile: the lowest stop at which the output has come to its highest, and what that is. */
  readonly whiteStops: number;
  readonly whiteSignal: number;
  /** Light of that output on its display, 1 = the white that the eye takes for white. */
  readonly whiteLight: number;
  /** Highest stop at which the output is still at its lowest. */
  readonly blackStops: number;
  /** Input at which the grey axis begins to fall, if it does, and by how much in all. */
  readonly falls?: { readonly at: number; readonly by: number };
  /** Cells of the cube in which a rising channel makes its own output fall by more than a 10-bit code; share of all. */
  readonly folds: number;
  /** Largest a* or b* of a neutral, and where. */
  readonly tinge: { readonly delta: number; readonly at: number };
  /** Largest change of slope between neighbouring points of the grey axis, against the mean slope. */
  readonly bend: { readonly by: number; readonly at: number };
  /** Share of outputs under black or over white, and of those past the limits of EBU R 103. */
  readonly outside: number;
  readonly illegal: number;
  /** Reading this cube at half its points, against all: what its own points leave open is about a quarter of it. */
  readonly halved?: LutLoss;
  readonly landings: readonly Landing[];
};

const GREY_STEPS = 1024;
const TEN_BIT = 1 / 1023;
/** R', G' and B' stay from −5 to 105 % (EBU R 103, from memory). */
const R103 = [-0.05, 1.05] as const;

/** Every second point of a cube of odd size. */
const halfOf = ({ size, data }: Lattice): Lattice | undefined => {
  if (size % 2 === 0 || size < 5) return undefined;
  const small = (size + 1) / 2;
  const out = new Float32Array(small ** 3 * 3);
  for (let i = 0; i < small ** 3; i += 1) {
    const [r, g, b] = [i % small, Math.floor(i / small) % small, Math.floor(i / small ** 2)];
    const from = 3 * (2 * r + size * (2 * g + size * 2 * b));
    out.set(data.subarray(from, from + 3), 3 * i);
  }
  return { size: small, data: out };
};

function* outputsOf(nodes: readonly LutNode[], run: (rgb: Triple) => Triple): InParts<Triple[]> {
  const size = 17;
  const found: Triple[] = [];
  const cube = nodes.length === 1 && nodes[0].kind === 'cube' ? nodes[0].lattice : undefined;
  if (cube) {
    for (let i = 0; i < cube.data.length; i += 3)
      found.push([cube.data[i], cube.data[i + 1], cube.data[i + 2]]);
    return found;
  }
  for (let i = 0; i < size ** 3; i += 1) {
    found.push(
      run(
        [i % size, Math.floor(i / size) % size, Math.floor(i / size ** 2)].map(
          (n) => n / (size - 1),
        ) as unknown as Triple,
      ),
    );
    if (i % size === 0) yield;
  }
  return found;
}

/** Share of the steps along each axis of a cube by which its own output falls. */
function* foldsOf(run: (rgb: Triple) => Triple): InParts<number> {
  const size = 17;
  let [falls, all] = [0, 0];
  for (let axis = 0; axis < 3; axis += 1)
    for (let i = 0; i < size ** 2; i += 1) {
      const [p, q] = [(i % size) / (size - 1), Math.floor(i / size) / (size - 1)];
      let last = -Infinity;
      for (let n = 0; n < size; n += 1) {
        const rgb = [p, q];
        rgb.splice(axis, 0, n / (size - 1));
        const out = run(rgb as unknown as Triple)[axis];
        if (n > 0) all += 1;
        if (out < last - TEN_BIT) falls += 1;
        last = out;
      }
      yield;
    }
  return falls / all;
}

const greyAxis = (rgb: (signal: Triple) => Triple, lab: (signal: Triple) => Lab) => {
  let falls: LutReport['falls'];
  let tinge = { delta: 0, at: 0 };
  let bend = { by: 0, at: 0 };
  const values = Float64Array.from({ length: GREY_STEPS + 1 }, (_, i) => {
    const v = i / GREY_STEPS;
    const out = rgb([v, v, v]);
    const [, a, b] = lab(out);
    const delta = Math.max(Math.abs(a), Math.abs(b));
    if (delta > tinge.delta) tinge = { delta, at: v };
    return out[1];
  });
  const mean = (values[GREY_STEPS] - values[0]) / GREY_STEPS;
  let [high, by] = [-Infinity, 0];
  for (let i = 0; i <= GREY_STEPS; i += 1) {
    if (values[i] < high - TEN_BIT / 4) {
      falls ??= { at: i / GREY_STEPS, by: 0 };
      by = Math.max(by, high - values[i]);
    }
    high = Math.max(high, values[i]);
    if (i === 0 || i === GREY_STEPS || mean <= 0) continue;
    const turn = Math.abs(values[i + 1] - 2 * values[i] + values[i - 1]) / mean;
    if (turn > bend.by) bend = { by: turn, at: i / GREY_STEPS };
  }
  return { falls: falls && { ...falls, by }, tinge, bend };
};

/** `inspectLut` in parts of some milliseconds. */
export function* inspectLutInParts(options: InspectOptions): InParts<LutReport> {
  const { nodes, scale, coding, output, profile: data, placement } = options;
  const raw = compileNodes(nodes, options.interpolation);
  const rgb = onSignal(raw, scale, coding);
  const grey = (v: number) => rgb([v, v, v])[1];
  const profile = compileProfile(data);
  const outputs = yield* outputsOf(nodes, raw);
  const signals = outputs.flat().map(cubeScale(scale, coding).toSignal);
  const share = (is: (v: number) => boolean) => signals.filter(is).length / signals.length;
  const stops = Array.from({ length: 2 * 96 + 1 }, (_, i) => -10 + (i * (profile.clipStops + 10)) / 192);
  const shown = stops.map((s) => grey(profile.signalAt(s)));
  const [lowest, highest] = [Math.min(...shown), Math.max(...shown)];
  const whiteAt = shown.findIndex((v) => v >= highest - TEN_BIT);
  const blackAt = shown.findLastIndex((v) => v <= lowest + TEN_BIT);
  // Read back by the plain tone scale of the same output, without a pull: what the eye is used to.
  const plain = compileRecipe({ ...monitoringRecipe({ profile: data, pullStops: 0 }), output, peak: 1000 });
  const landings = options.tones.map(({ name, over }): Landing => {
    const at = placement + over;
    const signal = profile.signalAt(at);
    const out = grey(signal);
    return { name, stops: at, in: signal, out, seen: profile.stopsAt(plain.inverse(out)), wanted: over };
  });
  const cube = nodes.length === 1 && nodes[0].kind === 'cube' ? nodes[0] : undefined;
  const half = cube && halfOf(cube.lattice);
  yield;
  const guess = guessInput(grey, output);
  yield;
  const axis = greyAxis(rgb, labOfSignal(output));
  const folds = yield* foldsOf(raw);
  return {
    guess,
    own: offFrom(grey, output, data),
    pull: stopsShownAt(profile, grey, outputOf(output).grey),
    placement,
    range: [signals.reduce((a, b) => Math.min(a, b)), signals.reduce((a, b) => Math.max(a, b))],
    whiteStops: stops[whiteAt],
    whiteSignal: highest,
    whiteLight: displayLight(output)([highest, highest, highest])[1],
    blackStops: stops[Math.max(0, blackAt)],
    ...axis,
    folds,
    outside: share((v) => v < -TEN_BIT / 2 || v > 1 + TEN_BIT / 2),
    illegal: share((v) => v < R103[0] || v > R103[1]),
    ...(cube && half
      ? {
          halved: lutLoss(
            rgb,
            onSignal(compileNodes([{ ...cube, lattice: half }], options.interpolation), scale, coding),
            output,
          ),
        }
      : {}),
    landings,
  };
}

/**
 * Everything that is said of a LUT: kind of input, range, clip, folds, neutrality, smoothness, legality, and
 * where tones land.
 */
export const inspectLut = atOnce(inspectLutInParts);
