import { describe, expect, it } from 'vitest';
import { monitoringRecipe } from '../../lut/monitoring.ts';
import { ARCHETYPES } from '../../profile/index.ts';
import { compileGrade } from '../compileGrade.ts';
import { newRow } from '../rows/rowKinds.ts';
import type { Grade } from '../rows/types.ts';
import { STARTING_POINTS, STARTING_POINT_IDS } from './startingPoints.ts';

const gradeOf = (profile: keyof typeof ARCHETYPES): Grade => ({
  recipe: monitoringRecipe({ profile: ARCHETYPES[profile], pullStops: 0 }),
  dial: { kelvin: 5600, tint: 0 },
  floorStops: -5,
  rows: [{ ...newRow('exposure'), values: { stops: -1 } }, newRow('saturation'), newRow('grain')],
});

describe('common starting points', () => {
  it.each(STARTING_POINT_IDS)('%s: explains itself, puts its rows in once, and leaves the others', (id) => {
    const grade = gradeOf('wideLog');
    const { says, rows } = STARTING_POINTS[id];
    expect(says(grade)).toMatch(/^[A-Z].*\.$/);
    const once = rows(grade);
    expect(once.find((row) => row.id === 'exposure')?.values.stops).toBe(-1);
    expect(rows({ ...grade, rows: once })).toEqual(once);
    expect(new Set(once.map((row) => row.id)).size).toBe(once.length);
    expect(() => compileGrade({ ...grade, rows: once }).run([0.4, 0.4, 0.4])).not.toThrow();
  });

  it('tell whether this recording is of their kind', () => {
    const { matrixLog, hlgForSdr } = STARTING_POINTS;
    expect(matrixLog.says(gradeOf('wideLog'))).toContain('not of this kind');
    expect(hlgForSdr.says(gradeOf('hlg'))).toContain('Here it is read as HLG');
    expect(hlgForSdr.says(gradeOf('wideLog'))).toContain('not HLG');
  });

  it('put two tints between contrast and conversion, which leave grey’s light alone', () => {
    const grade = { ...gradeOf('wideLog'), rows: [newRow('contrast'), newRow('saturation')] };
    const rows = STARTING_POINTS.tealWarm.rows(grade);
    expect(rows.map(({ id }) => id)).toEqual(['contrast', 'tint-shadows', 'tint-mids', 'saturation']);
    const { lightAt } = compileGrade({ ...grade, rows: [...rows, { ...newRow('hue'), on: true }] });
    const before = compileGrade({ ...grade, rows: [newRow('hue')] }).lightAt('hue');
    const luma = ([r, g, b]: readonly number[]) =>
      0.2126 * Math.log2(r + 0.0028) + 0.7152 * Math.log2(g + 0.0028) + 0.0722 * Math.log2(b + 0.0028);
    const grey = [0.41, 0.41, 0.41] as const;
    expect(luma(lightAt('hue')(grey))).toBeCloseTo(luma(before(grey)), 3);
  });
});
