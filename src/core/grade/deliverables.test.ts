// SDR and HDR of one grade: what is carried over and what is not.
import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { monitoringRecipe } from '../lut/monitoring.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { compileGrade } from './compileGrade.ts';
import { gradeFor, NO_TRIM } from './deliverables.ts';
import { brighterOn } from './plainDisplays.ts';
import { newRow } from './rows/rowKinds.ts';
import type { Grade } from './rows/types.ts';

const profile = ARCHETYPES.wideLog;
const row = (kind: Parameters<typeof newRow>[0], values: Record<string, number>) => ({
  ...newRow(kind),
  values,
});
const grade: Grade = {
  recipe: monitoringRecipe({ profile, pullStops: 0 }),
  dial: { kelvin: 5600, tint: 0 },
  floorStops: -6,
  rows: [row('exposure', { stops: -1 }), row('points', { white: 1.4 }), row('saturation', { amount: 0.9 })],
};
const hdr = { output: 'pq', peak: 1000, trim: NO_TRIM } as const;

describe('one grade for another deliverable', () => {
  it('is itself for its own output without a trim', () => {
    const same = gradeFor(grade, { output: grade.recipe.output, peak: grade.recipe.peak, trim: NO_TRIM });
    expect(same).toEqual(grade);
  });

  it('does not draw highlights out in HDR, where paper white is no end; lays them lower where asked', () => {
    const white = (of: Grade) => of.rows.find(({ kind }) => kind === 'points')?.values.white;
    expect(white(gradeFor(grade, hdr))).toBe(1);
    const lower = { ...grade, rows: [row('points', { white: 0.7 })] };
    expect(white(gradeFor(lower, hdr))).toBe(0.7);
    expect(white(gradeFor(grade, { ...hdr, output: 'srgb' }))).toBe(1.4);
  });

  it('opens the light of the picture by the trim, before the conversion; colour goes after all rows', () => {
    const trimmed = gradeFor(grade, { ...hdr, trim: { stops: 1, saturation: 0.5 } });
    expect(trimmed.rows.map(({ id, side }) => [id, side])).toEqual([
      ['exposure', 'before'],
      ['points', 'before'],
      ['output-exposure', 'before'],
      ['saturation', 'after'],
      ['output-saturation', 'after'],
    ]);
    const lightOf = (of: Grade) => {
      const signal = compileProfile(profile).signalAt(0);
      return TRANSFERS.pq.decode(compileGrade(of).run([signal, signal, signal])[1]);
    };
    // A stop of scene light is 1.2 stops on an HDR display (BT.2100-2 table 5, gamma 1.2).
    expect(Math.log2(lightOf(trimmed) / lightOf(gradeFor(grade, hdr)))).toBeCloseTo(1.2, 1);
  });
});

describe('plain displays', () => {
  it('a code of BT.1886 through another power, by the powers themselves', () => {
    for (const power of [2.2, 1.96])
      for (const signal of [0.05, 0.45, 0.9])
        expect(brighterOn(power, signal)).toBeCloseTo(Math.log2(signal ** power / signal ** 2.4), 12);
    expect(brighterOn(2.2, 0)).toBe(0);
    expect(brighterOn(2.2, 1)).toBe(-0);
  });
});
