import { codeToSignal, type Coding } from '../signal/scale.ts';
import type { Vectorscope } from './vectorscope.ts';
import { waveformLevels, type Waveform } from './waveform.ts';

/** Share of a column or a direction that lies outside its outline at each end. Our own: specks are not the picture. */
const OUTSIDE = 0.01;

/** Lowest, middle and highest signal of each column; specks left out. */
export type WaveOutline = {
  readonly low: readonly number[];
  readonly middle: readonly number[];
  readonly high: readonly number[];
};

/** Level under which a share of a column lies. */
const levelAt = (counts: Uint16Array, from: number, levels: number, wanted: number): number => {
  let sum = 0;
  for (let level = 0; level < levels; level += 1) {
    sum += counts[from + level];
    if (sum > wanted) return level;
  }
  return levels - 1;
};

/** A waveform as three lines, so that two pictures can lie over each other and be told apart by their strokes. */
export const waveOutline = ({ columns, levels, stride, counts }: Waveform, coding: Coding): WaveOutline => {
  const { shift } = waveformLevels(coding.bitDepth);
  const line = (share: number) =>
    Array.from({ length: columns }, (_, column) => {
      const from = column * stride;
      let all = 0;
      for (let level = 0; level < levels; level += 1) all += counts[from + level];
      const level = levelAt(counts, from, levels, share * Math.max(0, all - 1));
      return codeToSignal(level * 2 ** shift, coding);
    });
  return { low: line(OUTSIDE), middle: line(0.5), high: line(1 - OUTSIDE) };
};

/** Directions of a vectorscope's outline. */
export const OUTLINE_DIRECTIONS = 72;

/**
 * How far colours go in each direction, as corners of a line round them: Cb and Cr, -0.5 to 0.5. Directions without
 * colour lie in the middle.
 */
export const vectorOutline = (
  { bins, counts }: Vectorscope,
  { bitDepth, range }: Coding,
): readonly (readonly [cb: number, cr: number])[] => {
  // Colour differences span 224 of 256 steps in legal range (ITU-R BT.709-6, item 4.6), all of them in full.
  const span = range === 'legal' ? (bins * 224) / 256 : bins * (1 - 2 ** -bitDepth);
  const steps = bins;
  const found = Array.from({ length: OUTLINE_DIRECTIONS }, () => new Uint32Array(steps));
  const middle = bins / 2;
  for (let row = 0; row < bins; row += 1)
    for (let column = 0; column < bins; column += 1) {
      const count = counts[row * bins + column];
      if (count === 0) continue;
      const [x, y] = [column + 0.5 - middle, row + 0.5 - middle];
      const turn = Math.atan2(y, x) / (2 * Math.PI);
      const at = Math.floor((turn < 0 ? turn + 1 : turn) * OUTLINE_DIRECTIONS) % OUTLINE_DIRECTIONS;
      found[at][Math.min(steps - 1, Math.floor(Math.hypot(x, y)))] += count;
    }
  return found.map((radii, at) => {
    const all = radii.reduce((sum, v) => sum + v, 0);
    let sum = 0;
    let radius = 0;
    for (let step = 0; step < steps && all > 0; step += 1) {
      sum += radii[step];
      if (sum >= (1 - OUTSIDE) * all) {
        radius = (step + 0.5) / span;
        break;
      }
    }
    const angle = (2 * Math.PI * (at + 0.5)) / OUTLINE_DIRECTIONS;
    return [radius * Math.cos(angle), radius * Math.sin(angle)] as const;
  });
};
