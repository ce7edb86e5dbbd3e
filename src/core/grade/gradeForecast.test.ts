import { describe, expect, it } from 'vitest';
import type { Frame } from '../frame/frame.ts';
import { monitoringRecipe } from '../lut/monitoring.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { signalToCode } from '../signal/scale.ts';
import { FORECAST_GRID, gradeForecast } from './gradeForecast.ts';
import { newRow } from './rows/rowKinds.ts';
import type { Grade, GradeRow } from './rows/types.ts';

const profile = compileProfile(ARCHETYPES.wideLog);
const graded = (...rows: readonly GradeRow[]): Grade => ({
  recipe: monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 0 }),
  dial: { kelvin: 5600, tint: 0 },
  floorStops: -5,
  rows,
});
/** The left half at one tone, the right half at another, as recorded. */
const halves = (bitDepth: 8 | 10, left: number, right: number): Frame => {
  const [width, height] = [64, 36];
  const codeAt = (stops: number) =>
    Math.round(signalToCode(profile.signalAt(stops), { bitDepth, range: 'legal' }));
  const plane = Uint16Array.from({ length: width * height }, (_, i) => codeAt(i % width < 32 ? left : right));
  return { width, height, bitDepth, range: 'legal', r: plane, g: plane, b: plane };
};
const CLEAN = { electronsAtGrey: 1e6, readElectrons: 1 };
const NOISY = { electronsAtGrey: 60, readElectrons: 6 };
const isLeft = (cell: number) => cell % FORECAST_GRID.columns < FORECAST_GRID.columns / 2;

describe('what breaks in a graded picture', () => {
  it('is nothing for a clean 10-bit picture that is hardly touched', () => {
    const found = gradeForecast(graded(), halves(10, 0, 1), CLEAN);
    expect(Object.values(found).map(({ share }) => share)).toEqual([0, 0, 0, 0]);
  });

  it('bands where a clean 8-bit sky is drawn apart, and not where noise hides it', () => {
    const steep = graded({ ...newRow('contrast'), values: { slope: 2, ends: 6 } });
    const frame = halves(8, 0, 0.5);
    expect(gradeForecast(steep, frame, CLEAN).bands.share).toBe(1);
    expect(gradeForecast(steep, frame, { electronsAtGrey: 1200, readElectrons: 3 }).bands.share).toBe(0);
  });

  it('is grain where dark tones of a noisy sensor are raised, in their place', () => {
    const pushed = graded({ ...newRow('exposure'), values: { stops: 3 } });
    const { noise } = gradeForecast(pushed, halves(10, -3, -9), NOISY);
    expect(noise.share).toBeGreaterThan(0.4);
    expect(noise.cells.some(isLeft)).toBe(true);
    expect(gradeForecast(pushed, halves(10, -3, -9), CLEAN).noise.share).toBe(0);
  });

  it('clips and crushes only what the recording still held, and says where', () => {
    const pushed = graded({ ...newRow('exposure'), side: 'after', values: { stops: 3 } });
    const found = gradeForecast(pushed, halves(10, -4, 2), CLEAN);
    expect(found.topped.share).toBeCloseTo(0.5, 2);
    expect(found.topped.cells.every((cell) => !isLeft(cell))).toBe(true);
    expect(found.topped.cells).toHaveLength((FORECAST_GRID.columns * FORECAST_GRID.rows) / 2);
    const clipped = gradeForecast(graded(), halves(10, 0, profile.clipStops + 1), CLEAN);
    expect(clipped.topped.share).toBe(0);
    const veiled = graded({ ...newRow('points'), values: { black: 0.08 } });
    expect(gradeForecast(veiled, halves(10, -3, 0), CLEAN).crushed.share).toBeCloseTo(0.5, 2);
  });
});
