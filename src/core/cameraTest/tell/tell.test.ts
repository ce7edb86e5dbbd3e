// What a test tells against what the simulated camera really does.
import { beforeAll, describe, expect, it } from 'vitest';
import { floorAt } from '../../noise/sensorNoise.ts';
import { ARCHETYPES, compileProfile, type ArchetypeId } from '../../profile/index.ts';
import type { Coding } from '../../signal/scale.ts';
import { compareCurves, compareFigures } from '../compare.ts';
import { evaluateTest, type TestTold } from '../evaluate.ts';
import { DESK_CHIP } from '../film/desk.ts';
import type { Filming } from '../film/film.ts';
import { USUAL_MARK } from '../find/glance.ts';
import {
  CAMERA,
  figuresOf,
  filmedShotsOf,
  filmingOf,
  HAVE,
  lumaSensor,
  TRUTH,
  USUAL,
} from '../fixtures/filmed.ts';
import { meaningOf, placementFor } from '../meaning.ts';
import { printFigure } from '../printFigure.ts';
import type { FilmedShot } from './types.ts';

const tellOf = (filming: Filming, filmed: readonly FilmedShot[], coding: Coding, chip = false): TestTold => {
  const told = evaluateTest({
    filmed,
    camera: CAMERA,
    have: { ...HAVE, chip },
    coding,
    gamut: filming.camera.profile.gamut,
    zebra: { assistOff: 41, assistOn: 55 },
  });
  if (!told.ok) throw new Error(told.reason);
  return told.value;
};
const CASES: readonly (readonly [ArchetypeId, Coding, number])[] = [
  ['wideLog', { bitDepth: 10, range: 'legal' }, 1],
  ['mildLog', { bitDepth: 8, range: 'full' }, 2],
  ['flat', { bitDepth: 10, range: 'legal' }, 3],
  // A root down to a black on the lowest code: half of the dark noise is missing.
  ['hlg', { bitDepth: 10, range: 'full' }, 5],
];

describe.each(CASES)('%s in %j, body %i', (archetype, coding, seed) => {
  const filming = filmingOf(archetype, coding, { seed });
  const truth = compileProfile(ARCHETYPES[archetype]);
  let told: TestTold;
  let figures: ReturnType<typeof figuresOf>;
  let filmed: readonly FilmedShot[];
  const value = (id: string) => figures.get(id)?.value ?? Number.NaN;

  beforeAll(() => {
    filmed = filmedShotsOf(filming);
    told = tellOf(filming, filmed, coding);
    figures = figuresOf(told);
  }, 60_000);

  it('the whole curve lies in its band, and near the truth', () => {
    const { band, ...profile } = told.curve.profile;
    const found = compileProfile({ ...profile, clipStops: 12 });
    band!.stops.forEach((at, i) => {
      if (at < -7 || at > truth.clipStops - 0.25) return;
      expect(Math.abs(found.signalAt(at) - truth.signalAt(at))).toBeLessThan(band!.signal[i] + 2e-3);
    });
    for (let at = -5; at < truth.clipStops - 0.5; at += 0.5)
      expect(Math.abs(found.stopsAt(truth.signalAt(at)) - at)).toBeLessThan(0.1);
    expect(Math.abs(value('clip') - truth.clipStops)).toBeLessThan(0.1);
  });

  it('read noise within a tenth, floor within 0.3 stop, range with it', () => {
    for (const iso of [800, 1600, 3200]) {
      const real = lumaSensor(filming, iso);
      const read = figures.get(`read.${iso}`)!;
      if (!read.name.includes('roughly'))
        expect(Math.abs(read.value / real.readElectrons - 1)).toBeLessThan(
          read.name.includes('half') ? 0.25 : 0.1,
        );
      for (const snr of [1, 2]) {
        expect(Math.abs(value(`floor.${snr}.${iso}`) - floorAt(real, snr))).toBeLessThan(0.3);
        expect(value(`range.${snr}.${iso}`)).toBeCloseTo(value('clip') - value(`floor.${snr}.${iso}`), 6);
      }
    }
    expect(Math.abs(value('electrons') / lumaSensor(filming, 800).electronsAtGrey - 1)).toBeLessThan(0.12);
  });

  it('finds the second base, and what to pass by', () => {
    expect(value('base.3200')).toBe(3200);
    expect(value('avoid.1600')).toBe(1600);
    expect(figures.has('avoid.3200')).toBe(false);
  });

  it('lean within 4 mired and 2 points, dials by their marks, tint the other way', () => {
    expect(Math.abs(value('lean.mired') - TRUTH.lean.mired)).toBeLessThan(4);
    expect(Math.abs(value('lean.tint') - TRUTH.lean.tint)).toBeLessThan(2);
    expect(Math.abs(value('dial.lower') - 1)).toBeLessThan(0.2);
    expect(Math.abs(value('dial.higher') - 1)).toBeLessThan(0.2);
    expect(value('tint.point')).toBeLessThan(-0.8);
  });

  it('the meter within 0.1 stop on each subject', () => {
    for (const view of ['card', 'white', 'black'])
      expect(Math.abs(value(`meter.spot.${view}`) - TRUTH.meterBias)).toBeLessThan(0.1);
  });

  it('detail, noise reduction and colour from new, and none at the lowest', () => {
    expect(value('edge.lowest')).toBeLessThan(0.02);
    expect(value('edge.default')).toBeGreaterThan(0.06);
    expect(Math.abs(value('smear.lowest'))).toBeLessThan(0.06);
    expect(value('smear.default')).toBeGreaterThan(value('smear.lowest') + 0.08);
    // Smoothing takes the finest noise away; what nothing touched is white.
    expect(Math.abs(value('spectrum.lowest') - 1)).toBeLessThan(0.12);
    expect(value('spectrum.default')).toBeLessThan(value('spectrum.lowest') - 0.05);
    expect(value('colour.saturation')).toBeGreaterThan(1.08);
    expect(value('colour.saturation')).toBeLessThan(1.22);
    expect(value('colour.hue')).toBeGreaterThan(1.5);
  });

  it('no flicker of a steady lamp; one on the mains by its hertz, with the shutters that are safe', () => {
    expect(value('flicker.depth')).toBeLessThan(0.006);
    const lit = { ...filming, lamp: { ...filming.lamp, flicker: { depth: 0.3, hertz: 100 } } };
    const again = filmed.map((one) =>
      one.shot.kind === 'bracket' ? filmedShotsOf(lit, [one.shot])[0] : one,
    );
    const part = tellOf(lit, again, coding).parts.find(({ id }) => id === 'flicker')!;
    expect(part.figures.find(({ id }) => id === 'flicker.hertz')?.value).toBe(100);
    expect(part.warnings[0]).toMatch(/1\/50/);
    expect(part.warnings[0]).not.toMatch(/1\/60,|1\/60\./);
  }, 60_000);

  it('says what it means, each sentence with numbers of the test', () => {
    const meanings = meaningOf(told, (signal) => `${(100 * signal).toFixed(0)} %`);
    expect(meanings[0].text).toMatch(/^Put the grey card at /);
    for (const { figures: ids } of meanings) expect(ids.some((id) => figures.has(id))).toBe(true);
    const text = meanings.map((one) => one.text).join('\n');
    expect(text).toMatch(/A further base begins at ISO 3200/);
    expect(text).toMatch(/Pass by ISO 1600/);
    expect(text).toMatch(/0\.[345] stop too much/);
    expect(text).toMatch(/mired too warm/);
    expect(text).toMatch(/Tint to plus turns the picture magenta/);
    expect(text).toMatch(/Turn detail to its lowest/);
    expect(text).toMatch(/zebra reads the picture through the display assist/);
  });

  it('compared with itself nothing has moved; a curve that has is told', () => {
    const all = [...figures.values()];
    expect(compareFigures(all, all).every(({ moved }) => !moved)).toBe(true);
    expect(compareCurves(told.curve.profile, told.curve.profile).moved).toBe(false);
    const other = ARCHETYPES.classicLog;
    expect(compareCurves(told.curve.profile, other).moved).toBe(true);
    const grey = figures.get('grey')!;
    const [row] = compareFigures([grey], [{ ...grey, value: grey.value + 3 * (grey.plusMinus ?? 1) }]);
    expect(row.moved).toBe(true);
  });
});

describe('what cannot be told', () => {
  const coding = { bitDepth: 10, range: 'legal' } as const;
  const filming = filmingOf('wideLog', coding);
  const of = (kinds: readonly string[]) =>
    filmedShotsOf(
      filming,
      USUAL.filter(({ kind }) => kinds.includes(kind)),
    );
  const basis = { camera: CAMERA, have: HAVE, coding, gamut: 'bt2020' } as const;

  it('is named with the shot that would tell', () => {
    const told = evaluateTest({ ...basis, filmed: of(['bracket', 'back']) });
    if (!told.ok) throw new Error(told.reason);
    const shots = told.value.missing.map(({ shot }) => shot);
    for (const kind of ['cap', 'iso', 'balance', 'meter', 'edge', 'wall', 'again'])
      expect(shots).toContain(kind);
  }, 30_000);

  it('is refused in a sentence without a bracket, or where an automatic was on', () => {
    expect(evaluateTest({ ...basis, filmed: of(['first']) })).toMatchObject({ ok: false, where: 'bracket' });
    const flat = of(['bracket']).map(({ shot, hold }) => ({
      shot,
      hold: { ...hold, card: { ...hold.card, signal: 0.4 } },
    }));
    const told = evaluateTest({ ...basis, filmed: flat });
    expect(told).toMatchObject({ ok: false });
    if (!told.ok) expect(told.reason).toMatch(/automatic was on/);
  }, 30_000);

  it('grey by the profile puts right what the meter set half a stop off', () => {
    const off = of(['bracket', 'back', 'cap']).map(({ shot, hold }) => ({
      hold,
      shot: { ...shot, settings: { ...shot.settings, stops: shot.settings.stops - 0.5 } },
    }));
    const truth = compileProfile(ARCHETYPES.wideLog);
    const have = { ...HAVE, exposureBy: 'profile' } as const;
    const told = evaluateTest({ ...basis, have, filmed: off, greySignal: truth.signalAt(0) });
    if (!told.ok) throw new Error(told.reason);
    const found = compileProfile({ ...told.value.curve.profile, clipStops: 12 });
    for (let at = -5; at < 5.5; at += 0.5)
      expect(Math.abs(found.stopsAt(truth.signalAt(at)) - at)).toBeLessThan(0.1);
    const plain = evaluateTest({ ...basis, filmed: off });
    expect(plain.ok && compileProfile(plain.value.curve.profile).stopsAt(truth.signalAt(0))).toBeLessThan(
      -0.4,
    );
  }, 30_000);

  it('a chip beside the card counts too, and does no harm', () => {
    const shots = USUAL.filter(({ kind }) => ['bracket', 'back', 'cap'].includes(kind));
    const filmed = filmedShotsOf(filming, shots, { card: USUAL_MARK, chip: DESK_CHIP });
    const told = tellOf(filming, filmed, coding, true);
    expect(told.curve.evidence.some(({ id }) => id === 'chip')).toBe(true);
    const found = compileProfile({ ...told.curve.profile, clipStops: 12 });
    const truth = compileProfile(ARCHETYPES.wideLog);
    for (let at = -5; at < 5.5; at += 0.5)
      expect(Math.abs(found.stopsAt(truth.signalAt(at)) - at)).toBeLessThan(0.1);
  }, 30_000);
});

describe('printing', () => {
  it('gives each figure its unit and how exactly it is known', () => {
    expect(printFigure({ value: 6.021, unit: 'stops', plusMinus: 0.05 })).toBe('+6.02 ±0.05 stop');
    expect(printFigure({ value: -3.2, unit: 'tint' })).toBe('−3.2 points');
    expect(printFigure({ value: -0.141, unit: 'share', plusMinus: 0.034 })).toBe('−14.1 % ±3.4 %');
    expect(placementFor(6)).toBeCloseTo(4 / 3, 9);
    expect(placementFor(4)).toBe(0);
  });
});
