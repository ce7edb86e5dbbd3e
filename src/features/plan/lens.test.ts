import { describe, expect, it } from 'vitest';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import { DEPTH_WISH_IDS, type LensUse } from '#core/lens/depthWishes.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { imagerOf, imagerSaid, lensUseOf } from '#store/records/lens.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import { depthIrises, depthOf } from './lensModel.ts';
import { knobsOf, solvedAt, surveyOfSetup } from './planModel.ts';

const sets = [...demoBook().ndSets.values()];
const planned = (setup: string, camera: string, change: Partial<PlanRecord>) => {
  const found = demoSelection(setup, camera);
  const selection = { ...found, plan: { ...found.plan, ...change } };
  const { profile, plan, subjects } = selection;
  const numbers = setCardNumbers(profile.data, selection.camera, plan, subjects, selection.setup.fps);
  const survey = surveyOfSetup(selection);
  if (!survey.ok) throw new Error(survey.reason);
  return { selection, numbers, answer: solvedAt(selection, numbers, survey.value, sets, plan.placement) };
};
const YARD = ['packing-yard', 'a-cam'] as const;
const LENS: LensUse = { focal: 60, distance: 1.8, behind: 4.5, wish: 'eyes', confusion: 'seen' };

describe('the lens of a plan', () => {
  it('gives the solver the irises of its wish, whatever the lock; none is left without a wish', () => {
    const { selection, answer } = planned(...YARD, { lens: LENS, iris: 16 });
    const irises = depthIrises(selection) ?? [];
    expect(irises).toContain(2.8);
    expect(irises).not.toContain(16);
    expect(irises).toContain(answer?.iris);
    expect(knobsOf(selection, planned(...YARD, {}).numbers, sets).irises).toEqual(irises);
    expect(depthIrises(planned(...YARD, { lens: { ...LENS, wish: 'none' } }).selection)).toBeUndefined();
    expect(planned(...YARD, { lens: { ...LENS, wish: 'none' }, iris: 16 }).answer?.iris).toBe(16);
  });

  it('is not there where it cannot be read, and costs nothing', () => {
    for (const lens of [
      7,
      {},
      { ...LENS, focal: -1 },
      { ...LENS, distance: 0.1 },
      { ...LENS, wish: 'bokeh' },
    ]) {
      expect(lensUseOf({ lens })).toBeUndefined();
      expect(() => planned(...YARD, { lens: lens as LensUse })).not.toThrow();
    }
    expect(imagerOf({ imager: { width: 0, photosites: 1 } })).toBeUndefined();
    // Half of it was typed: nothing is worked out from a half that nobody said.
    expect(imagerOf({ imager: { width: 24 } })).toBeUndefined();
    expect(imagerSaid({ imager: { width: 24 } })).toEqual({ width: 24 });
    const { camera, plan } = planned(...YARD, {}).selection;
    expect(depthOf({ ...camera, imager: undefined }, plan)).toBeUndefined();
    for (const wish of DEPTH_WISH_IDS)
      expect(depthOf(camera, { lens: { ...LENS, wish } })?.answer.rows.length).toBeGreaterThan(10);
  });
});

describe('glass before the lens', () => {
  it('takes the place of ND: a polariser leaves less for the solver, and the card wants more light', () => {
    const bare = planned(...YARD, {});
    const glazed = planned(...YARD, { glass: ['polariser'] });
    expect(glazed.numbers.luminance / bare.numbers.luminance).toBeCloseTo(2 ** 1.65, 6);
    const ndOf = ({ answer }: ReturnType<typeof planned>) => answer?.nd.stops ?? 0;
    // Both land; the ND answers within the steps of the bag.
    expect(Math.abs(ndOf(bare) - ndOf(glazed) - 1.65)).toBeLessThan(0.4);
    expect(planned(...YARD, { glass: ['sugar'] as never }).numbers.luminance).toBe(bare.numbers.luminance);
  });
});

describe('the rule of shutters', () => {
  it('binds the solver where the shutter is free', () => {
    const { selection, numbers } = planned('dunes', 'air-cam', {});
    const shutters = (rule: 'any' | 'steady' | 'motion', isLocked = false) => {
      const locks = { ...selection.setup.locks, shutter: isLocked, rule };
      return knobsOf({ ...selection, setup: { ...selection.setup, locks } }, numbers, sets).shutters;
    };
    const seconds = (list: ReturnType<typeof shutters>) =>
      list.map((one) => (one.kind === 'time' ? one.denominator : 0));
    expect(Math.min(...seconds(shutters('steady')))).toBeGreaterThanOrEqual(8 * 25);
    expect(seconds(shutters('motion'))).toEqual([48, 50, 60]);
    expect(shutters('any').length).toBeGreaterThan(shutters('steady').length);
    expect(shutters('steady', true)).toEqual([selection.plan.shutter]);
  });
});
