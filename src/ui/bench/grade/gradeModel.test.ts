import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it } from 'vitest';
import { newRow } from '#core/grade/rows/rowKinds.ts';
import { PLAIN_SCHOOLS } from '#core/grade/start/schools.ts';
import { openBooks } from '#store/fixtures/openBooks.ts';
import type { GradeRecord } from '#store/records/grade.ts';
import { planChange, planSchema, type PlanRecord } from '#store/records/plan.ts';
import { resolveSelection } from '#store/selection.ts';
import {
  correctedRows,
  FIRST_GRADE,
  keptGrade,
  movedRow,
  outputIdOf,
  schoolsOf,
  toneIdOf,
  trimmedRows,
  withNewRow,
} from './gradeModel.ts';
import { printGradeValue, rowLines, rowSays } from './gradePrint.ts';

const { fresh, bookOf, closeAll } = openBooks('grade');
afterEach(closeAll);

const exposure = { ...newRow('exposure'), values: { stops: -1 } };
const saturation = { ...newRow('saturation'), values: { amount: 1.2 } };
const ids = (rows: readonly { readonly id: string }[]) => rows.map(({ id }) => id);

describe('a trial grade as it is kept', () => {
  it('reads schools, output and tone that this version does not know as not chosen', () => {
    const strange = {
      schools: { order: 'constructor', anchor: 'skin', more: 'x' },
      output: 'toString',
      tone: '',
    };
    expect(schoolsOf(strange)).toEqual({ ...PLAIN_SCHOOLS, anchor: 'skin' });
    expect(outputIdOf(strange)).toBe('bt1886');
    expect(toneIdOf(strange)).toBe('plain');
  });

  it('is kept with the plan, undone as one step, and read back whole', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const at = { shoot: 'salt-and-fire', setup: 'furnace-mouth', camera: 'a-cam' };
    const selection = () => resolveSelection(book.getState(), at)!;
    expect(keptGrade(selection(), 4000)).toBeUndefined();
    const grade: GradeRecord = { ...FIRST_GRADE, rows: [exposure, saturation] };
    await book.edit({ label: 'Grade', changes: [planChange(selection().plan, { grade })] });
    const kept = keptGrade(selection(), 4000);
    expect(kept?.rows).toEqual([exposure, saturation]);
    expect(kept?.recipe.pullStops).toBe(0);
    const again = await bookOf(database);
    expect(resolveSelection(again.getState(), at)?.plan.grade).toEqual(grade);
    await book.undo();
    expect(selection().plan.grade).toBeUndefined();
  });

  it('refuses rows that are no rows', () => {
    const plan = { grade: { ...FIRST_GRADE, rows: [{ ...exposure, values: { stops: Number.NaN } }] } };
    const { shape } = planSchema as unknown as { shape: Record<keyof PlanRecord, typeof planSchema> };
    expect(shape.grade.safeParse(plan.grade).success).toBe(false);
    expect(shape.grade.safeParse({ ...FIRST_GRADE, rows: [{ ...exposure, side: 'over' }] }).success).toBe(
      false,
    );
    expect(shape.grade.safeParse({ ...FIRST_GRADE, rows: [exposure] }).success).toBe(true);
  });
});

describe('rows of a trial grade', () => {
  it('for a clip that moves alone get two rows behind exposure and balance', () => {
    const rows = trimmedRows([exposure, newRow('balance'), saturation], { stops: 0.25, mired: -10 });
    expect(ids(rows)).toEqual(['exposure', 'balance', 'clip-exposure', 'clip-balance', 'saturation']);
    expect(trimmedRows([exposure], { stops: 0, mired: 0 })).toEqual([exposure]);
    expect(trimmedRows([exposure], undefined)).toEqual([exposure]);
  });

  it('of a corrected clip begin with its correction, where the set-up has no match', () => {
    expect(ids(correctedRows([exposure], true))).toEqual(['clip-match', 'exposure']);
    expect(correctedRows([exposure], false)).toEqual([exposure]);
    const matched = [newRow('match'), exposure];
    expect(correctedRows(matched, true)).toEqual(matched);
  });

  it('go where their kind belongs, each with an id of its own', () => {
    const rows = withNewRow([exposure, saturation], 'contrast');
    expect(ids(rows)).toEqual(['exposure', 'contrast', 'saturation']);
    expect(ids(withNewRow(rows, 'contrast'))).toEqual(['exposure', 'contrast', 'contrast-2', 'saturation']);
    expect(ids(withNewRow([], 'denoise'))).toEqual(['denoise']);
  });

  it('move among those of their side, and stop at its ends', () => {
    const rows = [exposure, saturation, { ...newRow('balance') }];
    expect(ids(movedRow(rows, 'exposure', 1))).toEqual(['saturation', 'balance', 'exposure']);
    expect(ids(movedRow(rows, 'exposure', -1))).toEqual(ids(rows));
    expect(ids(movedRow(rows, 'saturation', 1))).toEqual(ids(rows));
    expect(ids(movedRow(rows, 'nobody', 1))).toEqual(ids(rows));
  });

  it('say what they do, and nothing of what they leave', () => {
    expect(rowSays(exposure)).toBe('light −1.00\u00a0stops');
    expect(rowSays(newRow('exposure'))).toBe('nothing');
    expect(rowSays(newRow('denoise'))).toContain('note');
    expect(rowSays({ ...newRow('exposure'), kind: 'of later' })).toContain('later version');
    expect(printGradeValue({ unit: 'mired' }, -74.4)).toBe('−74\u00a0mired');
    expect(printGradeValue({ unit: 'percent' }, 0.0044)).toBe('0.44\u00a0%');
    expect(rowLines({ rows: [saturation, exposure, { ...saturation, id: 's2', on: false }] })).toEqual([
      'Exposure, before the conversion: light −1.00\u00a0stops',
      'Colour of the whole picture, after the conversion: colour ×\u00a01.20',
    ]);
  });
});
