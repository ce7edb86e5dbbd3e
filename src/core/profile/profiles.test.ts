import { describe, expect, it } from 'vitest';
import { SCALES } from '../signal/scale.ts';
import { compileMonitoring } from '../lut/monitoring.ts';
import { ARCHETYPE_IDS, ARCHETYPES, compileProfile, stopsByCode } from './index.ts';

const percent = (id: (typeof ARCHETYPE_IDS)[number], stops: number) =>
  100 * compileProfile(ARCHETYPES[id]).signalAt(stops);

describe.each(ARCHETYPE_IDS)('archetype %s', (id) => {
  const profile = compileProfile(ARCHETYPES[id]);

  it('rises from -8 to its clip and is flat above it', () => {
    let last = profile.signalAt(-8.1);
    for (let stops = -8; stops < profile.clipStops; stops += 0.1) {
      expect(profile.signalAt(stops)).toBeGreaterThan(last);
      last = profile.signalAt(stops);
    }
    expect(profile.signalAt(profile.clipStops + 2)).toBe(profile.clipSignal);
  });

  it('reads its own stops back', () => {
    for (let stops = -7; stops < profile.clipStops; stops += 0.37) {
      expect(profile.stopsAt(profile.signalAt(stops))).toBeCloseTo(stops, 6);
    }
    expect(profile.stopsAt(1.2)).toBe(profile.clipStops);
    expect(profile.stopsAt(-0.2)).toBe(-Infinity);
  });
});

// Common practice, no source: readings a solved profile must reproduce within 1.5 points of signal.
describe('common practice', () => {
  it.each([
    [0, 32],
    [1, 43],
    [4 / 3, 45],
    [2, 53],
    [3, 65],
    [8, 106],
  ])('classic log reads the card at %f stops as %i %%', (stops, reading) => {
    expect(Math.abs(percent('classicLog', stops) - reading)).toBeLessThanOrEqual(1.5);
  });

  it('wide log: grey at 41 % of full code, clip at 94 % of signal, six stops over grey or more', () => {
    const coding = { bitDepth: 10, range: 'legal' } as const;
    const wide = compileProfile(ARCHETYPES.wideLog);
    expect(SCALES.fullCodePercent.fromSignal(wide.signalAt(0), coding)).toBeCloseTo(41, 6);
    expect(100 * wide.clipSignal).toBeCloseTo(94, 6);
    expect(wide.clipStops).toBeGreaterThanOrEqual(6);
  });

  it('wide log spends 70 to 80 codes a stop at 10 bit, 18 to 20 at 8 bit', () => {
    const slope = percent('wideLog', 3) - percent('wideLog', 2);
    expect((slope / 100) * 876).toBeGreaterThan(70);
    expect((slope / 100) * 876).toBeLessThan(80);
    expect((slope / 100) * 219).toBeGreaterThan(18);
    expect((slope / 100) * 219).toBeLessThan(20);
  });

  it('the card reads 45 % through the display LUT', () => {
    const wide = compileProfile(ARCHETYPES.wideLog);
    const { neutral } = compileMonitoring({ profile: ARCHETYPES.wideLog, pullStops: 0 });
    expect(100 * neutral(wide.signalAt(0))).toBeCloseTo(45, 6);
  });

  it.each([
    ['mildLog', 40],
    ['cineFlat', 42],
    ['flat', 42],
    ['hlg', 38],
    ['standard', 41],
  ] as const)('%s puts grey near %i %%', (id, reading) => {
    expect(Math.abs(percent(id, 0) - reading)).toBeLessThanOrEqual(0.5);
  });
});

it('lists stops by code', () => {
  const profile = compileProfile(ARCHETYPES.wideLog);
  const table = stopsByCode(profile, 1024, (code) => (code - 64) / 876);
  expect(table).toHaveLength(1024);
  expect(table[Math.round(64 + 876 * profile.signalAt(0))]).toBeCloseTo(0, 1);
  expect(table[1023]).toBe(6);
});
