import { describe, expect, it } from 'vitest';
import { CAUTIONS } from '#core/cautions.ts';
import { surveyOf } from '#core/exposure/survey.ts';
import { demoBook } from './fixtures/demoBook.ts';
import type { PlanRecord } from './records/plan.ts';
import type { SetupRecord } from './records/setup.ts';
import { TABLES } from './tables.ts';
import { setupFrom, TEMPLATE_IDS, TEMPLATES } from './templates.ts';

const book = demoBook();
const beside = book.setups.get('bench-interview')!;
const camera = book.cameras.get('a-cam')!;
const from = (start: Parameters<typeof setupFrom>[5]) =>
  setupFrom(book, beside, camera, 'Again', 'again', start);
const setupIn = (edit: ReturnType<typeof from>) => edit.changes[0].after as SetupRecord;

describe('a set-up to start from', () => {
  it.each(TEMPLATE_IDS)('%s: is a set-up whose light reads as one scene', (template) => {
    const edit = from({ template });
    const setup = setupIn(edit);
    expect(TABLES.setups.safeParse(setup).success).toBe(true);
    expect(edit.changes).toHaveLength(1);
    expect(setup).toMatchObject({
      name: 'Again',
      light: TEMPLATES[template].light,
      cameraIds: beside.cameraIds,
    });
    for (const id of setup.cautions) expect(CAUTIONS[id]).toBeTruthy();
    const survey = surveyOf(setup.spots, [], { k: 12.5, c: 250 });
    expect(survey.ok && survey.value.warnings).toEqual([]);
    expect(survey.ok && survey.value.grey).toBeGreaterThan(0);
    for (const { name } of setup.spots) expect(name).toMatch(/\(example\)$/);
  });

  it('is any other set-up as it stands: its light and plans, not its hour, ticks and people', () => {
    const edit = from({ setup: 'packing-yard' });
    const setup = setupIn(edit);
    const yard = book.setups.get('packing-yard')!;
    expect(setup).toMatchObject({
      spots: yard.spots,
      brief: yard.brief,
      cautions: yard.cautions,
      ticked: {},
    });
    expect(setup.when).toBeUndefined();
    expect(setup.subjectIds).toEqual(beside.subjectIds);
    const alone = setupFrom(book, book.setups.get('slipway')!, camera, 'Again', 'again', {
      setup: 'packing-yard',
    });
    expect(setupIn(alone).subjectIds).toEqual(yard.subjectIds);
    const plans = edit.changes.slice(1).map(({ after }) => after as PlanRecord);
    expect(plans.map(({ cameraId }) => cameraId)).toEqual(beside.cameraIds);
    for (const plan of plans) {
      expect(plan.setupId).toBe('again');
      expect(plan.ndStops).toBe(book.plans.get(`packing-yard:${plan.cameraId}`)!.ndStops);
      expect(TABLES.plans.safeParse(plan).success).toBe(true);
    }
  });

  it('is empty without one, and where it is gone', () => {
    expect(setupIn(from(undefined)).spots).toEqual([]);
    expect(setupIn(from({ setup: 'gone' })).spots).toEqual([]);
  });
});
