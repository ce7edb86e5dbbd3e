import { balancedLight, type Lean } from '../colour/lean.ts';
import { whiteXy } from '../colour/temperature.ts';
import { GAMUTS, gamutMatrix, gamutOf, rgbToXyz } from '../colour/gamut.ts';
import { apply, invert, multiply, type Matrix3, type Triple } from '../maths/matrix.ts';
import { xyToXyz } from '../colour/chromaticity.ts';
import { luminanceFor, type ExposureSettings } from '../exposure/meter.ts';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import { failure, success, type Result } from '../result.ts';
import type { SceneLight } from '../scene/scene.ts';
import type { Chroma } from '../signal/chroma.ts';
import type { Coding } from '../signal/scale.ts';
import { MIDDLE_GREY, stopsToReflectance } from '../units.ts';
import { diffused } from './diffusion.ts';
import { encodeTable, LOW, SHIFT, UNDER, type EncodeTable } from './encodeTable.ts';
import { NOISE_MASK, noiseTable, startOf } from './noiseTable.ts';
import { CHANNEL_SHARE, sensorAt, type SensorSpec } from './spec.ts';
import { NO_PAINT, paintBend, paintBlack, paintGains, paintMatrix, type Paint } from './paint.ts';
import { goesByLuma, LUMA_OF, recordRows } from './record.ts';

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

/** A simulated camera: its sensor, how it leans, and how it was painted. */
export type CameraBody = {
  readonly sensor: SensorSpec;
  readonly lean?: Lean;
  /** How it was painted. */
  readonly paint?: Paint;
};

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
  const rgb = apply(XYZ_TO_SCENE, xyToXyz(whiteXy(balancedLight({ kelvin, tint }, lean))));
  return rgb.map((v) => Math.max(v, 0.02)) as unknown as Triple;
};

/** Everything a pixel needs on its way from light to signal, worked out once a picture. */
type Development = {
  readonly rgb: Float32Array;
  readonly width: number;
  readonly pixels: number;
  /** Electrons of a channel for its light. */
  readonly electrons: readonly number[];
  /** Electrons back to light that is 0.18 at grey in the balanced light. */
  readonly balanced: readonly number[];
  readonly well: number;
  readonly read2: number;
  readonly matrix: Matrix3;
  readonly table: EncodeTable;
  readonly byLuma: boolean;
  readonly seed: number;
};

const developmentOf = (
  { width, height, rgb }: SceneLight,
  { sensor, lean, paint = NO_PAINT }: CameraBody,
  settings: CameraSettings,
  seed: number,
): Development => {
  const state = sensorAt(sensor, settings.iso);
  // Luminance that lands at grey; what is over it lands over it.
  const perCandela = state.electronsAtGrey / luminanceFor({ ...settings, iso: state.exposedAt });
  const white = balancedWhite(settings, lean);
  const profile = compileProfile(settings.profile);
  const gains = paintGains(paint);
  const [, , , kr, kg, kb] = rgbToXyz(gamutOf(profile.gamut));
  return {
    rgb,
    width,
    pixels: width * height,
    electrons: CHANNEL_SHARE.map((share) => share * perCandela),
    balanced: CHANNEL_SHARE.map(
      (share, c) => (gains[c] * MIDDLE_GREY) / (share * state.electronsAtGrey * white[c]),
    ),
    well: state.wellElectrons,
    read2: state.readElectrons ** 2,
    matrix: multiply(paintMatrix(paint, [kr, kg, kb]), gamutMatrix('bt2020', profile.gamut)),
    table: tableOf(settings.profile, profile.transfer.encode, paint),
    byLuma: goesByLuma(settings),
    seed,
  };
};

/**
 * Rows of the picture as signals: R'G'B', or luma and colour differences. One plain loop: it is most of a
 * frame's time.
 */
const developRows = (d: Development, from: number, rows: number, out: readonly Float32Array[]): void => {
  const { rgb, width, pixels, well, read2, byLuma } = d;
  const [kr, kg, kb] = d.electrons;
  const [ir, ig, ib] = d.balanced;
  const [m0, m1, m2, m3, m4, m5, m6, m7, m8] = d.matrix;
  const { logs, straight, first } = d.table;
  const [outR, outG, outB] = out;
  const { kr: wr, kg: wg, kb: wb, toCb, toCr } = LUMA_OF;
  const deviates = noiseTable();
  const mask = NOISE_MASK;
  const word = new Float32Array(3);
  const bits = new Int32Array(word.buffer);
  const last = logs.length - 1;
  const [shift, low, under] = [SHIFT, LOW, UNDER];
  const step = (straight.length - 1) / (low - under);
  for (let row = 0, at = 0, i = from * width; row < rows; row += 1) {
    // Each row takes the deviates from another place, for each channel.
    let random = startOf(d.seed + 7919 * (from + row));
    const nr = random & mask;
    random = (Math.imul(random, 1664525) + 1013904223) | 0;
    const ng = (random >>> 7) & mask;
    random = (Math.imul(random, 1664525) + 1013904223) | 0;
    const nb = (random >>> 7) & mask;
    for (let x = 0; x < width; x += 1, at += 1, i += 1) {
      let r = rgb[i] * kr;
      let g = rgb[i + pixels] * kg;
      let b = rgb[i + 2 * pixels] * kb;
      r += Math.sqrt(r + read2) * deviates[(nr + x) & mask];
      g += Math.sqrt(g + read2) * deviates[(ng + x) & mask];
      b += Math.sqrt(b + read2) * deviates[(nb + x) & mask];
      r = (r > well ? well : r) * ir;
      g = (g > well ? well : g) * ig;
      b = (b > well ? well : b) * ib;
      const vr = m0 * r + m1 * g + m2 * b;
      const vg = m3 * r + m4 * g + m5 * b;
      const vb = m6 * r + m7 * g + m8 * b;
      word[0] = vr;
      word[1] = vg;
      word[2] = vb;
      // The curve by table, written out: a call here costs a third of the frame.
      if (vr >= low) {
        const k = (bits[0] >> shift) - first;
        r = logs[k < last ? k : last];
      } else r = straight[vr > under ? ((vr - under) * step + 0.5) | 0 : 0];
      if (vg >= low) {
        const k = (bits[1] >> shift) - first;
        g = logs[k < last ? k : last];
      } else g = straight[vg > under ? ((vg - under) * step + 0.5) | 0 : 0];
      if (vb >= low) {
        const k = (bits[2] >> shift) - first;
        b = logs[k < last ? k : last];
      } else b = straight[vb > under ? ((vb - under) * step + 0.5) | 0 : 0];
      if (byLuma) {
        const luma = wr * r + wg * g + wb * b;
        outR[at] = luma;
        outG[at] = (b - luma) * toCb;
        outB[at] = (r - luma) * toCr;
      } else {
        outR[at] = r;
        outG[at] = g;
        outB[at] = b;
      }
    }
  }
};

/** Rows worked on at a time: what they need stays near the processor. Even, for colour in 4:2:0. */
const BAND = 4;

/**
 * A scene through the simulated camera: iris, time and ND set how much of it makes electrons; a pixel that is
 * full stays full, channel by channel and before white balance; photon and read noise; balance, gamut, curve,
 * codes. Deterministic: same scene, settings and seed, same codes.
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
  const light = settings.diffusion > 0 ? diffused(source, settings.diffusion) : source;
  const { width, height } = light;
  const development = developmentOf(light, body, settings, seed);
  // Smoothing looks over the edge of a band, so that it is done whole.
  const band = settings.smoothing > 0 ? height : BAND;
  const signals = scratch(width * band);
  const planes = [0, 1, 2].map(() => new Uint16Array(width * height));
  for (let from = 0; from < height; from += band) {
    const rows = Math.min(band, height - from);
    developRows(development, from, rows, signals);
    recordRows(signals, { ...settings, width, height: rows }, planes, from * width);
  }
  const [r, g, b] = planes;
  return makeFrame({
    width,
    height,
    bitDepth: settings.coding.bitDepth,
    range: settings.coding.range,
    r,
    g,
    b,
  });
};

/** As many as there are cameras that film in turn. */
const MOST_TABLES = 4;
const tables = new Map<string, EncodeTable>();
/** The table of a profile, kept for the next frame: making it costs as much as a quarter of one. */
const tableOf = (
  { curve, clipStops }: ProfileData,
  encode: (light: number) => number,
  paint: Paint,
): EncodeTable => {
  const [black, bend] = [paintBlack(paint), paintBend(paint)];
  const key = `${clipStops} ${black} ${paint.gamma} ${JSON.stringify(curve)}`;
  const isPlain = black === 0 && paint.gamma === 0;
  const lifted = isPlain ? encode : (light: number) => encode(bend(light) + black);
  const unbent = paintBend({ ...paint, gamma: -paint.gamma });
  const table = tables.get(key) ?? encodeTable(lifted, unbent(stopsToReflectance(clipStops) - black));
  tables.delete(key);
  tables.set(key, table);
  if (tables.size > MOST_TABLES) tables.delete([...tables.keys()][0]);
  return table;
};

let held: Float32Array[] = [];
/** Planes to work in, kept for the next frame of the same size: fresh memory costs a tenth of a frame. */
const scratch = (pixels: number): Float32Array[] => {
  if (held[0]?.length !== pixels) held = [0, 1, 2].map(() => new Float32Array(pixels));
  return held;
};
