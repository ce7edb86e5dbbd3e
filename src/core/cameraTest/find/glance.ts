import { clampRect, type Frame, type Rect } from '../../frame/frame.ts';
import { LUMA } from '../../signal/luma.ts';
import { codeToSignal, maxCode } from '../../signal/scale.ts';
import { lumaPlane } from '../../scopes/luma.ts';
import { flattened } from '../../scopes/flattened.ts';
import { noiseSpectrum } from './noiseSpectrum.ts';
import { edgeAcross, type EdgeStats } from './edgeAcross.ts';

// What one frame of a test tells: the picture in coarse cells, to know the shot by; the card in full, to measure it.

/** Cells the picture is looked at in. */
export const CELLS = { across: 16, down: 9 } as const;
/** Bands of rows across the card that show a lamp's flicker. */
const BANDS = 24;

/** An even part of a frame; signal fractions. */
export type CardStats = {
  /** Luma, mean. */
  readonly signal: number;
  /** R', G', B' means. */
  readonly channels: readonly [number, number, number];
  /** R', G', B' means of its left, right, upper and lower half. */
  readonly halves: readonly (readonly [number, number, number])[];
  /** Standard deviation from pixel to pixel: uneven light and rounding taken out. */
  readonly spatial: number;
  /** Noise from frame to frame, standard deviation of one, rounding taken out; undefined on a clip's first. */
  readonly temporal?: number;
  /** How alike a pixel and its neighbour to the right are once the mean is taken out: 0 for white noise. */
  readonly neighbours: number;
  /** Power of its noise at each of FREQUENCIES, of white noise's. */
  readonly spectrum: readonly number[];
  /** Share of its pixels at the highest and at the lowest code. */
  readonly atTop: number;
  readonly atBottom: number;
  /** Means of bands of rows over the mean of all, the trend across them taken out. */
  readonly bands: readonly number[];
  readonly pixels: number;
};

type CodesUsed = {
  readonly low: number;
  readonly high: number;
  /** Share of pixels on every fourth code, of the fullest such set: 1 where the last two bits are empty. */
  readonly onFourth: number;
};

export type Glance = {
  /** Seconds from the clip's start. */
  readonly at: number;
  /** R', G', B' of each cell, row by row; signal fractions. */
  readonly cells: readonly number[];
  readonly card: CardStats;
  readonly edge?: EdgeStats;
  /** Luma of a dark chip beside the card. */
  readonly chip?: number;
  /** Luma codes that occur. */
  readonly codes: CodesUsed;
};

/** Variance of rounding to whole codes, in codes. */
const ROUNDING = 1 / 12;

/** Luma as the file holds it, else made from R'G'B'. */
const lumaOf = (frame: Frame): Uint16Array => frame.source?.y ?? lumaPlane(frame, LUMA.bt709);

/** Large pictures are read in every so many rows and columns: a cell has pixels enough, and codes show. */
const everyIn = (width: number): number => Math.max(1, Math.round(width / 500));

const codesUsed = (luma: Uint16Array, width: number): CodesUsed => {
  const rests = [0, 0, 0, 0];
  let [low, high] = [Infinity, 0];
  const every = everyIn(width);
  for (let row = 0; row < luma.length; row += every * width)
    for (let i = row; i < row + width; i += 1) {
      const code = luma[i];
      rests[code & 3] += 1;
      if (code < low) low = code;
      if (code > high) high = code;
    }
  const count = rests.reduce((a, b) => a + b, 0);
  return { low, high, onFourth: Math.max(...rests) / Math.max(1, count) };
};

const cellsOf = ({ r, g, b, width, height, ...coding }: Frame): number[] => {
  const { across, down } = CELLS;
  const sums = new Float64Array(3 * across * down);
  const counts = new Uint32Array(across * down);
  const column = Uint8Array.from({ length: width }, (_, x) => Math.floor((x * across) / width));
  const every = everyIn(width);
  for (let y = 0; y < height; y += every) {
    const row = Math.floor((y * down) / height) * across;
    for (let x = 0, i = y * width; x < width; x += every, i += every) {
      const cell = row + column[x];
      sums[3 * cell] += r[i];
      sums[3 * cell + 1] += g[i];
      sums[3 * cell + 2] += b[i];
      counts[cell] += 1;
    }
  }
  return Array.from(sums, (sum, k) => codeToSignal(sum / Math.max(1, counts[Math.floor(k / 3)]), coding));
};

const bandsOf = (luma: Uint16Array, stride: number, { x, y, width, height }: Rect): number[] => {
  const count = Math.min(BANDS, height);
  const means = Array.from({ length: count }, (_, k) => {
    const [from, to] = [Math.floor((k * height) / count), Math.floor(((k + 1) * height) / count)];
    let sum = 0;
    for (let row = from; row < to; row += 1)
      for (let i = (y + row) * stride + x, end = i + width; i < end; i += 1) sum += luma[i];
    return sum / Math.max(1, (to - from) * width);
  });
  const mean = means.reduce((a, b) => a + b, 0) / count;
  const middle = (count - 1) / 2;
  const trend =
    means.reduce((sum, v, k) => sum + v * (k - middle), 0) / Math.max(1, (count * (count * count - 1)) / 12);
  return means.map((v, k) => v - mean - trend * (k - middle));
};

/** Luma of the card in the frame before, to tell noise by. */
export type Before = { readonly rect: Rect; readonly luma: Float32Array };

const cutLuma = (luma: Uint16Array, stride: number, { x, y, width, height }: Rect): Float32Array => {
  const out = new Float32Array(width * height);
  for (let row = 0; row < height; row += 1)
    out.set(luma.subarray((y + row) * stride + x, (y + row) * stride + x + width), row * width);
  return out;
};

const sameRect = (a: Rect, b: Rect) =>
  a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;

/** Variance of one frame from the difference of two (EMVA Standard 1288 release 4.0, clause 6.5). */
const temporalVariance = (now: Float32Array, before: Float32Array): number => {
  let [sum, squares] = [0, 0];
  for (let i = 0; i < now.length; i += 1) {
    const d = now[i] - before[i];
    sum += d;
    squares += d * d;
  }
  const n = now.length;
  return (squares - sum ** 2 / n) / (2 * Math.max(1, n - 1));
};

const deviationOf = (variance: number, perCode: number) =>
  Math.sqrt(Math.max(0, variance - ROUNDING)) * perCode;

/** The card of a frame, and what is kept of it for the next. */
const cardOf = (frame: Frame, luma: Uint16Array, rect: Rect, before: Before | undefined) => {
  const { width } = frame;
  const signalOf = (code: number) => codeToSignal(code, frame);
  const perCode = signalOf(1) - signalOf(0);
  const flat = flattened(luma, width, rect);
  const { variance, alike, rest } = flat;
  const now = cutLuma(luma, width, rect);
  // Legal range keeps a step at either end for timing (BT.709-6 clause 4.6): nothing lies there.
  const reserve = frame.range === 'legal' ? 2 ** (frame.bitDepth - 8) : 0;
  const [bottom, top] = [reserve, maxCode(frame.bitDepth) - reserve];
  // Quarters of the card: left and right of the upper half, then of the lower.
  const quarters = Array.from({ length: 4 }, () => [0, 0, 0]);
  const [half, below] = [rect.x + Math.floor(rect.width / 2), rect.y + Math.floor(rect.height / 2)];
  let [atTop, atBottom] = [0, 0];
  for (let row = rect.y; row < rect.y + rect.height; row += 1)
    for (let x = rect.x, i = row * width + x; x < rect.x + rect.width; x += 1, i += 1) {
      const sums = quarters[(row < below ? 0 : 2) + (x < half ? 0 : 1)];
      sums[0] += frame.r[i];
      sums[1] += frame.g[i];
      sums[2] += frame.b[i];
      if (luma[i] >= top) atTop += 1;
      if (luma[i] <= bottom) atBottom += 1;
    }
  const pixels = rect.width * rect.height;
  const [left, upper] = [half - rect.x, below - rect.y];
  const [right, lower] = [rect.width - left, rect.height - upper];
  const mean = (parts: readonly number[], count: number): readonly [number, number, number] => {
    const of = (c: number) =>
      signalOf(parts.reduce((sum, k) => sum + quarters[k][c], 0) / Math.max(1, count));
    return [of(0), of(1), of(2)];
  };
  const card: CardStats = {
    signal: signalOf(flat.mean),
    channels: mean([0, 1, 2, 3], pixels),
    halves: [
      mean([0, 2], left * rect.height),
      mean([1, 3], right * rect.height),
      mean([0, 1], upper * rect.width),
      mean([2, 3], lower * rect.width),
    ],
    spatial: deviationOf(variance, perCode),
    ...(before && sameRect(before.rect, rect)
      ? { temporal: deviationOf(temporalVariance(now, before.luma), perCode) }
      : {}),
    neighbours: alike,
    spectrum: noiseSpectrum(rest, rect.width, rect.height),
    atTop: atTop / pixels,
    atBottom: atBottom / pixels,
    bands: bandsOf(luma, width, rect).map((code) => code * perCode),
    pixels,
  };
  return { card, kept: { rect, luma: now } };
};

/** Where card and chip lie, in fractions of the picture. */
export type TestMarks = { readonly card: Rect; readonly chip?: Rect };

/** A mark in whole pixels of a frame. */
export const inPixels = ({ x, y, width, height }: Rect, frame: Frame): Rect =>
  clampRect(
    { x: x * frame.width, y: y * frame.height, width: width * frame.width, height: height * frame.height },
    frame,
  );

/** A card in the middle, as the list asks for it. */
export const USUAL_MARK: Rect = { x: 0.39, y: 0.36, width: 0.22, height: 0.28 };

/** What a frame tells; `before` is the card of the frame before in the same clip. */
export const glanceAt = (
  frame: Frame,
  at: number,
  marks: TestMarks,
  before?: Before,
): { readonly glance: Glance; readonly kept: Before } => {
  const luma = lumaOf(frame);
  const { card, kept } = cardOf(frame, luma, inPixels(marks.card, frame), before);
  const chip = marks.chip && flattened(luma, frame.width, inPixels(marks.chip, frame)).mean;
  const edge = edgeAcross(frame, luma);
  return {
    glance: {
      at,
      cells: cellsOf(frame),
      card,
      codes: codesUsed(luma, frame.width),
      ...(edge ? { edge } : {}),
      ...(chip === undefined ? {} : { chip: codeToSignal(chip, frame) }),
    },
    kept,
  };
};
