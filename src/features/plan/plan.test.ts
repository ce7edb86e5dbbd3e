import { SCHOOL_IDS } from '#core/exposure/schools.ts';
import { describe, expect, it } from 'vitest';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { setupsOf } from '#store/selection.ts';
import { TABLES } from '#store/tables.ts';
import { adviceOf, recordingAt } from './adviceModel.ts';
import { CHECKLIST, CHECKLIST_IDS } from './checklist.ts';
import {
  landsAt,
  newSpot,
  planFields,
  schoolsOf,
  solvedAt,
  spotsOfFrame,
  surveyOfSetup,
} from './planModel.ts';
import { sidesOf } from './ratioModel.ts';

const book = demoBook();
const sets = [...book.ndSets.values()];
const at = (setup: string, camera: string) => {
  const selection = demoSelection(setup, camera);
  const { profile, plan, subjects } = selection;
  const numbers = setCardNumbers(profile.data, selection.camera, plan, subjects, selection.setup.fps);
  const survey = surveyOfSetup(selection);
  if (!survey.ok) throw new Error(survey.reason);
  return { selection, numbers, survey: survey.value };
};
const everyPair = setupsOf(book, 'salt-and-fire').flatMap((setup) =>
  setup.cameraIds.map((camera) => [setup.id, camera] as const),
);

describe('the demo shoot has a plan a crew would accept', () => {
  it.each(everyPair)(
    '%s, %s: the survey agrees with itself, and the card lands where it is planned',
    (setup, camera) => {
      const { selection, numbers, survey } = at(setup, camera);
      expect(survey.warnings).toEqual([]);
      expect(Math.abs(landsAt(selection, numbers, survey.grey ?? 0) - selection.plan.placement)).toBeLessThan(
        0.2,
      );
    },
  );

  it.each(everyPair)('%s, %s: what must be kept is not over the clip', (setup, camera) => {
    const { selection, numbers, survey } = at(setup, camera);
    expect(selection.plan.placement + survey.keep[1]).toBeLessThanOrEqual(numbers.clipStops);
  });

  it.each(everyPair)(
    '%s, %s: every school says a placement or what it lacks; settings re-metered agree',
    (setup, camera) => {
      const { selection, numbers, survey } = at(setup, camera);
      const { rows, best } = schoolsOf(selection, numbers, survey, sets);
      expect(rows).toHaveLength(SCHOOL_IDS.length);
      expect(rows.some(({ id }) => id === best.id)).toBe(true);
      for (const { placement, answer, why } of rows) {
        expect(why.length).toBeGreaterThan(10);
        if (placement === undefined || !answer) continue;
        const plan = { ...selection.plan, ...planFields(selection, placement, answer) };
        expect(TABLES.plans.safeParse(plan).success).toBe(true);
        const lands = landsAt({ ...selection, plan }, numbers, survey.grey ?? 0);
        expect(lands - placement).toBeCloseTo(answer.residual, 6);
      }
    },
  );

  it('the hall is advised the standard profile: live, and nobody grades', () => {
    const { selection, numbers, survey } = at('open-evening', 'hall-1');
    expect(adviceOf(selection, numbers, book, survey, [])[0].profile.id).toBe('standard');
    const furnace = at('furnace-mouth', 'a-cam');
    expect(adviceOf(furnace.selection, furnace.numbers, book, furnace.survey, [])[0].profile.id).toBe(
      'wideLog',
    );
  });
});

describe('planning', () => {
  const { selection, numbers, survey } = at('furnace-mouth', 'a-cam');

  it('a locked knob stays, a free one moves', () => {
    const brighter = { ...survey, grey: (survey.grey ?? 0) * 2 ** 1.5 };
    const locked = solvedAt(selection, numbers, brighter, [], 1);
    expect(locked).toMatchObject({ iris: 2.8, iso: 800 });
    expect(locked?.short).toMatch(/too much light/);
    const free = {
      ...selection,
      setup: { ...selection.setup, locks: { ...selection.setup.locks, iris: false } },
    };
    const solved = solvedAt(free, numbers, brighter, [], 1);
    expect(solved?.iris).toBeGreaterThan(2.8);
    expect(Math.abs(solved?.residual ?? 9)).toBeLessThanOrEqual(1 / 6 + 1e-9);
    expect(solvedAt(selection, numbers, { ...survey, grey: undefined }, sets, 1)).toBeUndefined();
    expect(planFields(selection, 1 / 3, undefined)).toEqual({ placement: 1 / 3 });
  });

  it('glass that fits one camera is offered to no other', () => {
    const air = sets.filter(({ fits }) => fits);
    expect(air.map(({ fits }) => fits)).toEqual(['air-cam']);
    const brighter = { ...survey, grey: (survey.grey ?? 0) * 2 ** 4 };
    expect(solvedAt(selection, numbers, brighter, air, 1)?.short).toMatch(/too much light/);
    const dunes = at('dunes', 'air-cam');
    expect(solvedAt(dunes.selection, dunes.numbers, dunes.survey, air, 0)?.nd.setIds).toContain('nd-air');
  });

  it('a free shutter keeps to what does not flicker', () => {
    const yard = at('packing-yard', 'b-cam');
    const { setup } = yard.selection;
    const lamps = { ...setup.brief, outside: false };
    const free = {
      ...yard.selection,
      setup: { ...setup, brief: lamps, locks: { ...setup.locks, shutter: false } },
    };
    const solved = solvedAt(free, yard.numbers, yard.survey, [], 1);
    expect(solved?.shutter.kind === 'time' && [25, 50, 100].includes(solved.shutter.denominator)).toBe(true);
  });

  it('a new spot is a card first, then something to keep, and fits its schema', () => {
    const bare = { ...selection, setup: { ...selection.setup, spots: [] } };
    expect(newSpot('n', bare)).toMatchObject({ role: 'card', name: 'Spot 1' });
    expect(newSpot('n', selection).role).toBe('keep');
    // In EV a new spot is no sun: 40 cd/m2 are EV 8.32 (ISO 2720).
    const byEv = {
      ...selection.setup,
      spots: [{ ...newSpot('m', selection), unit: 'ev' as const, value: 8 }],
    };
    expect(newSpot('n', { ...selection, setup: byEv })).toMatchObject({ unit: 'ev', value: 8.32 });
    const setup = { ...selection.setup, spots: [newSpot('n', selection)] };
    expect(TABLES.setups.safeParse(setup).success).toBe(true);
  });

  it('patches of a frame become spots: back on the ladder where they were recorded', () => {
    const coding = { bitDepth: 10, range: 'legal' } as const;
    const code = (stops: number) => 64 + 876 * numbers.profile.signalAt(stops);
    const patch = (id: string, kind: 'card' | 'skin' | 'neutral', stops: number) => ({
      patch: {
        id,
        kind,
        rect: { x: 0, y: 0, width: 1, height: 1 },
        subjectId: kind === 'skin' ? 'ana' : undefined,
      },
      r: code(stops),
      g: code(stops),
      b: code(stops),
      luma: code(stops),
      sd: 0,
      pixels: 1,
    });
    const marks = [
      patch('card', 'card', 1),
      patch('s', 'skin', 2.2),
      patch('shadow', 'neutral', 0),
      patch('b', 'neutral', -1),
    ];
    const measured = { coding, patches: marks };
    const spots = spotsOfFrame(selection, numbers, measured as unknown as Parameters<typeof spotsOfFrame>[2]);
    expect(spots.map(({ name }) => name)).toEqual([
      'Card in the frame',
      'Ana in the frame',
      'Neutral in the frame',
      'Neutral in the frame 2',
    ]);
    // Nothing must be kept for the sake of a neutral mark, and no known face pulls the shadow side to itself.
    expect(spots[2].role).toBe('mayLose');
    const survey = surveyOfSetup({ ...selection, setup: { ...selection.setup, spots } });
    const { bright, shadow } = sidesOf(
      { ratio: { shadow: 'frame-shadow' } },
      survey.ok ? survey.value : (undefined as never),
    );
    expect((bright?.stops ?? 0) - (shadow?.stops ?? 0)).toBeCloseTo(2.2, 1);
    expect(Math.abs(landsAt(selection, numbers, spots[0].value) - 1)).toBeLessThan(0.01);
  });

  it('the checklist is filled with this camera’s values', () => {
    expect(CHECKLIST_IDS.map((id) => CHECKLIST[id].set({ selection, numbers })).join(' | ')).toBe(
      '25 fps, 10-bit 4:2:2 legal, intra 500 Mb/s | wide log | on, pull −1 | 800, auto off; if auto must be, ' +
        'ceiling 3200 | 180° at 25 fps, 1/50 s | 2 zebras at a time: card 49±2 and warning 90+; ' +
        'once the exposure is set, change the first to Ana 60±3. | 4000\u2009K, auto off | f/2.8, ' +
        'ND none, card at +1 | at their lowest; saturation and contrast left alone | ' +
        'none said: Day, lamps at this rate and shutter | on, ' +
        'for the picture that is delivered',
    );
    expect(recordingAt(selection.camera, 50)?.codec).toBe('long GOP');
    expect(recordingAt(selection.camera, 240)).toBeUndefined();
  });
});
