import { gamutOf, rgbToXyz } from '../colour/gamut.ts';
import { deltaE2000, xyzToLab, type Lab } from '../colour/lab.ts';
import { apply, type Triple } from '../maths/matrix.ts';
import { hlgOotf, TRANSFERS } from '../transfer/index.ts';
import { outputOf, type OutputId } from './outputs.ts';

/** Diffuse white of HDR, cd/m2 (BT.2408-7 table 1). */
export const HDR_WHITE = 203;
const HLG_PEAK = 1000;

const each =
  (f: (v: number) => number) =>
  ([r, g, b]: Triple): Triple => [f(r), f(g), f(b)];

/**
 * What a display of each output makes of its signal: light, 1 = the white that the eye takes for white. A
 * further one is a row.
 */
const DISPLAYS: { readonly [id in OutputId]: (signal: Triple) => Triple } = {
  bt1886: each(TRANSFERS.bt1886.decode),
  srgb: each(TRANSFERS.srgb.decode),
  hlg: (signal) => each((v) => v / HDR_WHITE)(hlgOotf(each(TRANSFERS.hlg.decode)(signal), HLG_PEAK)),
  pq: each((v) => TRANSFERS.pq.decode(v) / HDR_WHITE),
};

/** Light of an output's display for its signal: 1 = the white that the eye takes for white. */
export const displayLight = (id: OutputId): ((signal: Triple) => Triple) => DISPLAYS[id];

/** L*a*b* of an output's signal, as its display shows it. */
export const labOfSignal = (id: OutputId): ((signal: Triple) => Lab) => {
  const gamut = gamutOf(outputOf(id).primaries);
  const matrix = rgbToXyz(gamut);
  const white = apply(matrix, [1, 1, 1]);
  return (signal) => xyzToLab(apply(matrix, DISPLAYS[id](signal)), white);
};

/** How far two transforms lie apart. */
export type LutLoss = {
  /** CIEDE2000 over colours spread evenly in the input, mean and worst. */
  readonly mean: number;
  readonly worst: number;
  /** Input at which it is worst. */
  readonly at: Triple;
  /** On the grey axis where the input is usable: worst difference in stops of light, and the input there. */
  readonly stops: number;
  readonly stopsAt: number;
};

/** Colours an axis: none of them on a point of the usual 17, 33 and 65. */
const AXIS = 14;
const GREYS = 1023;
/** Light under this share of white is black on the displays a set has: differences there are none. Our own choice. */
const DARKEST = 1e-4;

/**
 * What is lost when `other` stands in for `exact`, both from inputs 0..1 to an output's signal.
 * @param usable Inputs of the grey axis that count: from the usable floor to the clip, shadows included.
 */
export const lutLoss = (
  exact: (rgb: Triple) => Triple,
  other: (rgb: Triple) => Triple,
  output: OutputId,
  usable: readonly [from: number, to: number] = [0, 1],
): LutLoss => {
  const lab = labOfSignal(output);
  let [sum, worst] = [0, -1];
  let at: Triple = [0, 0, 0];
  for (let i = 0; i < AXIS ** 3; i += 1) {
    const rgb = [i % AXIS, Math.floor(i / AXIS) % AXIS, Math.floor(i / AXIS ** 2)].map(
      (n) => (n + 0.37) / AXIS,
    ) as unknown as Triple;
    const difference = deltaE2000(lab(exact(rgb)), lab(other(rgb)));
    sum += difference;
    if (difference > worst) [worst, at] = [difference, rgb];
  }
  let [stops, stopsAt] = [0, 0];
  const light = DISPLAYS[output];
  for (let n = 0; n <= GREYS; n += 1) {
    const v = n / GREYS;
    if (v < usable[0] || v > usable[1]) continue;
    const [, wanted] = light(exact([v, v, v]));
    const [, found] = light(other([v, v, v]));
    if (wanted < DARKEST) continue;
    const difference = found > 0 ? Math.abs(Math.log2(found / wanted)) : Infinity;
    if (difference > stops) [stops, stopsAt] = [difference, v];
  }
  return { mean: sum / AXIS ** 3, worst, at, stops, stopsAt };
};
