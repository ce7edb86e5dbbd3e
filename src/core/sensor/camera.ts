import { whiteXy } from '../colour/temperature.ts';
import { GAMUTS, gamutMatrix, rgbToXyz } from '../colour/gamut.ts';
import { apply, invert, type Triple } from '../colour/matrix.ts';
import { xyToXyz } from '../colour/chromaticity.ts';
import { luminanceFor, type ExposureSettings } from '../exposure/meter.ts';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import { failure, success, type Result } from '../result.ts';
import type { SceneLight } from '../scene/scene.ts';
import type { Coding } from '../signal/scale.ts';
import { MIDDLE_GREY, stopsToReflectance } from '../units.ts';
import { diffused } from './diffusion.ts';
import { encodeTable, LOW, SHIFT, UNDER } from './encodeTable.ts';
import { NOISE_MASK, noiseTable, startOf } from './noiseTable.ts';
import { CHANNEL_SHARE, sensorAt, type SensorSpec } from './spec.ts';
import { goesByLuma, LUMA_OF, record, type Chroma } from './record.ts';

/** How a body leans: mired warm +, tint in thousandths of Duv green +. */
export type Lean = { readonly mired: number; readonly tint: number };

/** What is dialled in on the simulated camera. */
export type CameraSettings = ExposureSettings & {
  /** Share of the light that a diffusion filter spreads, 0..0.1. */
  readonly diffusion: number;
  readonly kelvin: number;
  /** Thousandths of Duv; + turns the picture green. */
  readonly tint: number;
  readonly profile: ProfileData;
  readonly coding: Coding;
  readonly chroma: Chroma;
  /** Compression that melts small differences, 0 none .. 1. */
  readonly smoothing: number;
};

/** A simulated camera: its sensor and how it leans. */
export type CameraBody = { readonly sensor: SensorSpec; readonly lean?: Lean };

type Rule = readonly [key: keyof CameraSettings, low: number, high: number, such: string];
const RULES: readonly Rule[] = [
  ['fNumber', 0.7, 64, 'f/0.7 to f/64'],
  ['seconds', 1 / 32_000, 4, '1/32000 to 4 s'],
  ['iso', 25, 409_600, '25 to 409600'],
  ['ndStops', 0, 20, '0 to 20 stops'],
  ['diffusion', 0, 0.1, '0 to 10 % of the light'],
  ['kelvin', 1500, 20_000, '1500 to 20000 K'],
  ['tint', -100, 100, '-100 to 100 thousandths of Duv'],
  ['smoothing', 0, 1, '0 to 1'],
];

/** Settings checked against what a camera has at all; a failure names the one that is out of range. */
export const checkedSettings = (settings: CameraSettings): Result<CameraSettings> => {
  for (const [key, low, high, such] of RULES) {
    const value = settings[key] as number;
    if (!(value >= low && value <= high))
      return failure(key, `${key} is ${value}: the simulated camera takes ${such}. The last picture stays.`);
  }
  return success(settings);
};

const XYZ_TO_SCENE = invert(rgbToXyz(GAMUTS.bt2020));

/** What a neutral looks like to the sensor in the light that body and dial call white; luminance 1. */
export const balancedWhite = (
  { kelvin, tint }: Pick<CameraSettings, 'kelvin' | 'tint'>,
  lean?: Lean,
): Triple => {
  const mired = 1e6 / kelvin - (lean?.mired ?? 0);
  const duv = -(tint + (lean?.tint ?? 0)) / 1000;
  const rgb = apply(XYZ_TO_SCENE, xyToXyz(whiteXy({ kelvin: 1e6 / mired, duv })));
  return rgb.map((v) => Math.max(v, 0.02)) as unknown as Triple;
};

/**
 * A scene through the simulated camera: iris, time and ND set how much of it makes electrons; a pixel that is full stays
 * full, channel by channel and before white balance; photon and read noise; balance, gamut, curve, codes.
 * Deterministic: same scene, settings and seed, same codes.
 * @throws RangeError for settings out of range (see checkedSettings).
 */
export const expose = (
  source: SceneLight,
  body: CameraBody,
  settings: CameraSettings,
  seed: number,
): Frame => {
  const checked = checkedSettings(settings);
  if (!checked.ok) throw new RangeError(`expose: ${checked.reason}`);
  const { width, height, rgb } = settings.diffusion > 0 ? diffused(source, settings.diffusion) : source;
  const pixels = width * height;
  const { sensor, lean } = body;
  const state = sensorAt(sensor, settings.iso);
  const iso = sensor.sensitivity === 'ei' ? indexBase(sensor, settings.iso) : settings.iso;
  // Luminance that lands at grey; what is over it lands over it.
  const perCandela = state.electronsAtGrey / luminanceFor({ ...settings, iso });
  const white = balancedWhite(settings, lean);
  const profile = compileProfile(settings.profile);
  const table = encodeTable(profile.transfer.encode, stopsToReflectance(profile.clipStops));
  const matrix = gamutMatrix('bt2020', profile.gamut);
  const read2 = state.readElectrons ** 2;
  const deviates = noiseTable();
  let random = startOf(seed);
  const { wellElectrons: well } = state;
  // Electrons of a channel for its light, and back to light that is 0.18 at grey in the balanced light.
  const [kr, kg, kb] = CHANNEL_SHARE.map((share) => share * perCandela);
  const [ir, ig, ib] = CHANNEL_SHARE.map(
    (share, c) => MIDDLE_GREY / (share * state.electronsAtGrey * white[c]),
  );
  const [m0, m1, m2, m3, m4, m5, m6, m7, m8] = matrix;
  const { logs, straight, first } = table;
  const signals = scratch(pixels);
  const [outR, outG, outB] = signals;
  const byLuma = goesByLuma(settings);
  const { kr: wr, kg: wg, kb: wb, toCb, toCr } = LUMA_OF;
  const word = new Float32Array(3);
  const bits = new Int32Array(word.buffer);
  const last = logs.length - 1;
  const span = straight.length - 1;
  const [shift, low, under] = [SHIFT, LOW, UNDER];
  const step = span / (low - under);
  for (let i = 0; i < pixels; i += 1) {
    let r = rgb[i] * kr;
    let g = rgb[i + pixels] * kg;
    let b = rgb[i + 2 * pixels] * kb;
    random = (Math.imul(random, 1664525) + 1013904223) | 0;
    let mixed = random ^ (random >>> 15);
    r += Math.sqrt(r + read2) * deviates[mixed & NOISE_MASK];
    random = (Math.imul(random, 1664525) + 1013904223) | 0;
    mixed = random ^ (random >>> 15);
    g += Math.sqrt(g + read2) * deviates[mixed & NOISE_MASK];
    random = (Math.imul(random, 1664525) + 1013904223) | 0;
    mixed = random ^ (random >>> 15);
    b += Math.sqrt(b + read2) * deviates[mixed & NOISE_MASK];
    r = (r > well ? well : r) * ir;
    g = (g > well ? well : g) * ig;
    b = (b > well ? well : b) * ib;
    word[0] = m0 * r + m1 * g + m2 * b;
    word[1] = m3 * r + m4 * g + m5 * b;
    word[2] = m6 * r + m7 * g + m8 * b;
    // The curve by table, written out: a call here costs a third of the frame.
    let at = (bits[0] >> shift) - first;
    r = word[0] >= low ? logs[at < last ? at : last] : straight[word[0] > under ? ((word[0] - under) * step + 0.5) | 0 : 0]; // prettier-ignore
    at = (bits[1] >> shift) - first;
    g = word[1] >= low ? logs[at < last ? at : last] : straight[word[1] > under ? ((word[1] - under) * step + 0.5) | 0 : 0]; // prettier-ignore
    at = (bits[2] >> shift) - first;
    b = word[2] >= low ? logs[at < last ? at : last] : straight[word[2] > under ? ((word[2] - under) * step + 0.5) | 0 : 0]; // prettier-ignore
    if (byLuma) {
      const luma = wr * r + wg * g + wb * b;
      outR[i] = luma;
      outG[i] = (b - luma) * toCb;
      outB[i] = (r - luma) * toCr;
    } else {
      outR[i] = r;
      outG[i] = g;
      outB[i] = b;
    }
  }
  return makeFrame(record(signals, { width, height, ...settings }));
};

let held: Float32Array[] = [];
/** Planes to work in, kept for the next frame of the same size: fresh memory costs a tenth of a frame. */
const scratch = (pixels: number): Float32Array[] => {
  if (held[0]?.length !== pixels) held = [0, 1, 2].map(() => new Float32Array(pixels));
  return held;
};

/** With an exposure index the sensor is metered at its base. */
const indexBase = ({ baseIsos }: SensorSpec, index: number): number =>
  baseIsos.reduce((best, one) =>
    Math.abs(Math.log2(index / one)) < Math.abs(Math.log2(index / best)) ? one : best,
  );
