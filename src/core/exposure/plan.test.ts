import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { sensorFromFloor } from '../noise/sensorNoise.ts';
import { luminanceFor } from './meter.ts';
import { MOST_WITH_SKIN, recommend, SCHOOL_IDS, schoolAnswers, type SchoolInput } from './schools.ts';
import { SPOT_UNIT_IDS, type Spot } from './spot.ts';
import { incidentAgainstSpot, luxOfGrey, SPOT_UNITS, surveyOf } from './survey.ts';
const subjects = [{ id: 'ana', name: 'Ana', skinOffset: 1.2 }];
const spot = (part: Partial<Spot>): Spot => ({
  id: 'x',
  name: 'Spot',
  role: 'keep',
  unit: 'luminance',
  value: 40,
  ...part,
});
const surveyed = (...args: Parameters<typeof surveyOf>) => {
  const found = surveyOf(...args);
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};
const card = spot({ id: 'card', name: 'Card', role: 'card' });
const at = { iso: 100, iris: 16, seconds: 1 / 100, ndStops: 0 };

describe('units of a reading', () => {
  // ISO 2720: L = K N^2 / (t S); EV at ISO 100 is log2(N^2 / t).
  it('EV 15 at ISO 100 is 4096 cd/m2 with K = 12.5, the same as f/16 at 1/128 s', () => {
    const ev = surveyed([spot({ role: 'card', unit: 'ev', value: 15 })], []).grey ?? 0;
    expect(ev).toBeCloseTo((12.5 * 2 ** 15) / 100, 9);
    const f = surveyed(
      [spot({ role: 'card', unit: 'fNumber', value: 16, at: { ...at, seconds: 1 / 128 } })],
      [],
    );
    expect(f.grey).toBeCloseTo(ev, 6);
  });

  it('lux fall on a matt surface: L = E rho / pi; back again for the card', () => {
    const lux = surveyed([spot({ role: 'card', unit: 'lux', value: 1000 })], []).grey ?? 0;
    expect(lux).toBeCloseTo((1000 * 0.18) / Math.PI, 9);
    expect(luxOfGrey(lux)).toBeCloseTo(1000, 9);
  });

  it('the camera’s meter counts stops from what its settings call correct, through its glass', () => {
    const reading = spot({
      role: 'card',
      unit: 'meter',
      value: 1,
      at: { iso: 800, iris: 4, seconds: 1 / 50, ndStops: 3 },
    });
    // 12.5 x 16 / (0.02 x 800) x 2^3 x 2.
    expect(surveyed([reading], []).grey).toBeCloseTo(200, 9);
  });

  it('sunny 16: in bright sun f/16 at 1/ISO puts the card at grey', () => {
    // Literature: bright sun is about 80 000 lx; the rule is good to a third of a stop.
    const grey = (80_000 * 0.18) / Math.PI;
    const off = Math.log2(grey / luminanceFor({ fNumber: 16, seconds: 1 / 100, iso: 100, ndStops: 0 }));
    expect(Math.abs(off)).toBeLessThan(0.6);
  });

  it('constants are changed by name', () => {
    const k14 = surveyed([spot({ role: 'card', unit: 'ev', value: 10 })], [], { k: 14, c: 250 });
    expect(k14.grey).toBeCloseTo(14 * 10.24, 9);
    const c340 = surveyed([spot({ role: 'card', unit: 'incident', value: 10 })], [], { k: 12.5, c: 340 });
    expect(c340.grey).toBeCloseTo((340 * 10.24 * 0.18) / Math.PI, 9);
  });

  it('a surface under known light has its own reflectance: white 90 % is 2.3 stops over the card', () => {
    const found = surveyed(
      [
        spot({ id: 'card', role: 'card', unit: 'lux', value: 1000 }),
        spot({ id: 'white', unit: 'lux', value: 1000, reflectance: 0.9 }),
      ],
      [],
    );
    expect(found.spots[1].stops).toBeCloseTo(Math.log2(5), 9);
  });

  // ISO 2720: K = 12.5 and C = 250 agree on a reflector of pi K / C = 15.7 %.
  it('an incident meter opens up 0.2 stop against a spot meter on the card', () => {
    expect(incidentAgainstSpot({ k: 12.5, c: 250 })).toBeCloseTo(Math.log2(0.157 / 0.18), 2);
    expect(incidentAgainstSpot({ k: 12.5, c: (Math.PI * 12.5) / 0.18 })).toBeCloseTo(0, 12);
  });

  it('impossible readings get one sentence, naming the spot', () => {
    for (const [part, reason] of [
      [{ unit: 'lux', value: 0 }, /0 lux is no light/],
      [{ unit: 'lux', value: 100, reflectance: 0 }, /between 0 and 100/],
      [{ unit: 'incident', value: 9, reflectance: 1.2 }, /between 0 and 100/],
      [{ unit: 'luminance', value: -3 }, /above 0/],
      [{ unit: 'fNumber', value: 0, at }, /f-number must be above 0/],
      [{ unit: 'fNumber', value: 4 }, /ISO, iris and shutter/],
      [{ unit: 'meter', value: 0, at: { ...at, iris: 0 } }, /must be above 0/],
      [{ unit: 'ev', value: Number.NaN }, /type a number/],
      [{ unit: 'lux', value: 9, reflectance: 3 }, /between 0 and 100/],
    ] as const) {
      const result = surveyOf([spot({ name: 'Crate', ...part })], []);
      expect(result).toMatchObject({ ok: false, where: 'Crate' });
      expect(!result.ok && result.reason).toMatch(reason);
    }
    expect(SPOT_UNIT_IDS.every((id) => SPOT_UNITS[id].name.length > 0)).toBe(true);
  });
});

describe('a survey', () => {
  it('puts every spot on stops over the card', () => {
    const found = surveyed(
      [card, spot({ id: 'a', value: 160 }), spot({ id: 'b', unit: 'stops', value: -3 })],
      [],
    );
    [0, 2, -3].forEach((stops, i) => expect(found.spots[i].stops).toBeCloseTo(stops, 9));
    expect(found.spots[2].luminance).toBeCloseTo(5, 9);
    expect(found.keep[0]).toBeCloseTo(-3, 9);
    expect(found.keep[1]).toBeCloseTo(2, 9);
  });

  it('takes grey from a face with a known offset where there is no card', () => {
    const face = spot({ id: 'f', name: 'Ana', role: 'skin', subjectId: 'ana', value: 40 * 2 ** 1.2 });
    expect(surveyed([face], subjects).grey).toBeCloseTo(40, 6);
    expect(surveyOf([face], [])).toMatchObject({ ok: false, where: 'card' });
    expect(surveyOf([spot({})], subjects)).toMatchObject({ ok: false, where: 'card' });
  });

  it('lights and what may go are on the ladder, not in the range to keep', () => {
    const found = surveyed(
      [card, spot({ role: 'light', value: 40_000 }), spot({ role: 'mayLose', value: 0.1 })],
      [],
    );
    found.keep.forEach((stops) => expect(stops).toBeCloseTo(0, 9));
    expect(found.spots).toHaveLength(3);
  });

  it('says which readings contradict each other', () => {
    const two = surveyed([card, spot({ id: 'card2', name: 'Second card', role: 'card', value: 120 })], []);
    expect(two.warnings).toHaveLength(2);
    expect(two.warnings[1]).toMatch(/By Second card, grey lies \+0\.8/);
    const face = spot({ id: 'f', name: 'Ana', role: 'skin', subjectId: 'ana', value: 400 });
    expect(surveyed([card, face], subjects).warnings[0]).toMatch(
      /By Ana, grey lies \+2\.1 from where Card put it/,
    );
    expect(surveyed([card], subjects).warnings).toEqual([]);
  });

  it('is all stops where nothing absolute was read', () => {
    const found = surveyed([spot({ unit: 'stops', value: 3 })], []);
    expect(found.grey).toBeUndefined();
    expect(found.keep).toEqual([0, 3]);
  });
});

describe('schools of placement', () => {
  const profile = compileProfile(ARCHETYPES.wideLog);
  const input = (part: Partial<SchoolInput> = {}, spots: readonly Spot[] = [card]): SchoolInput => ({
    survey: surveyed(spots, subjects),
    profile,
    clipStops: 6,
    floorStops: -6,
    bitDepth: 10,
    sensor: sensorFromFloor(-6),
    subjects,
    backOff: 1 / 3,
    meterBias: 0,
    ...part,
  });
  const by = (given: SchoolInput) =>
    Object.fromEntries(schoolAnswers(given).map((answer) => [answer.id, answer]));

  it('speak each in its own way', () => {
    const crate = spot({ id: 'c', name: 'Crate', value: 40 * 2 ** 3 });
    const face = spot({ id: 'f', name: 'Ana', role: 'skin', subjectId: 'ana', value: 40 * 2 ** 1.2 });
    const answers = by(input({}, [card, crate, face]));
    expect(answers.card.placement).toBe(0);
    // The crate at +3 under clip 6 less 1/3: +2 2/3, held at +2 1/2 (to the third) for skin.
    expect(answers.bright.why).toMatch(/Crate at \+3\.0.*Held at \+2 1\/3: over \+2\.5/);
    expect(answers.fixed.placement).toBeCloseTo(2 / 3, 9);
    expect(answers.skin.why).toMatch(/zebra is \+1\.9/);
    expect(answers.spot.placement).toBeCloseTo(-4 / 3 + 1 / 3 - 1 / 3, 0);
    expect(answers.fixed.roomAbove).toBeCloseTo(6 - 3 - 2 / 3, 9);
    expect(answers.fixed.cleanBelow).toBeCloseTo(6 + 2 / 3, 9);
  });

  it('a strong light in frame is let go and named; it does not pull the exposure down', () => {
    const lamp = spot({ id: 'l', name: 'Lantern', role: 'light', value: 40 * 2 ** 9 });
    const answers = by(input({ subjects: [] }, [card, spot({ id: 'c', name: 'Wall', value: 80 }), lamp]));
    expect(answers.bright.placement).toBeGreaterThan(4);
    expect(answers.bright.why).toMatch(/Lantern may clip/);
    // A glint in the frame: the wall a stop over the card is what the meter sees.
    expect(answers.frame.why).toMatch(/^The frame’s mean lies \+1\.\d ±\d/);
  });

  it('8-bit log is placed higher than 10-bit, a finished picture at grey', () => {
    expect(by(input({ bitDepth: 8 })).fixed.placement).toBeCloseTo(4 / 3, 9);
    const standard = input({ profile: compileProfile(ARCHETYPES.standard), clipStops: 3.3 });
    expect(by(standard).fixed.placement).toBe(0);
    expect(recommend(standard, schoolAnswers(standard))).toMatchObject({ id: 'card', placement: 0 });
  });

  it('noise falls with placement and rises under grey', () => {
    const answers = schoolAnswers(input({ bitDepth: 8 }));
    expect(answers.find(({ id }) => id === 'card')?.noise).toBe(1);
    expect(answers.find(({ id }) => id === 'fixed')?.noise).toBeLessThan(0.7);
    expect(answers.find(({ id }) => id === 'spot')?.noise).toBeGreaterThan(1.3);
  });

  it('the recommendation holds the highlights, and never passes what skin allows', () => {
    const crate = spot({ id: 'c', name: 'Crate', value: 40 * 2 ** 5.5 });
    const tight = input({}, [card, crate]);
    const answer = recommend(tight, schoolAnswers(tight));
    expect(answer).toMatchObject({ id: 'bright' });
    expect(answer.placement + 5.5).toBeLessThanOrEqual(6 - 1 / 3 + 1e-9);
    const open = input({ subjects });
    expect(recommend(open, schoolAnswers(open))).toMatchObject({ id: 'fixed' });
    for (const id of SCHOOL_IDS) {
      const { placement } = by(input({}, [card]))[id];
      if (placement !== undefined) expect(placement).toBeLessThanOrEqual(MOST_WITH_SKIN);
    }
  });

  it('a school that lacks something says what', () => {
    const none = input({ subjects: [], survey: { spots: [], keep: [0, 0], from: '', warnings: [] } });
    const answers = by(none);
    expect(answers.bright.placement).toBeUndefined();
    expect(answers.skin.why).toMatch(/measure a face/);
    expect(answers.spot.why).toMatch(/No face to meter/);
    expect(answers.frame.why).toMatch(/survey the scene/);
  });
});
