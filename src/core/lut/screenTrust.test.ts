import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { compileNeutral } from './neutral.ts';
import { monitoringRecipe } from './monitoringRecipe.ts';
import {
  drownedUnder,
  screenLight,
  screenOffset,
  stopsOfScreen,
  SURROUND_IDS,
  trustOf,
  veilOf,
} from './screenTrust.ts';

const profile = compileProfile(ARCHETYPES.wideLog);
const { neutral } = compileNeutral(monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 0 }));

describe('what a screen may be trusted with', () => {
  it('adds the light that falls on it: 300 lx on 2 % are 1.9 cd/m2', () => {
    expect(veilOf('lit')).toBeCloseTo(1.9099, 3);
    expect(stopsOfScreen('lit', 300)).toBeCloseTo(Math.log2(301.9099 / 1.9099), 4);
    // BT.1886 at half signal: 0.5^2.4 = 0.189 of the peak.
    expect(screenLight(0.5, 100)).toBeCloseTo(18.946, 2);
    expect(screenLight(drownedUnder('lit', 300), 300)).toBeCloseTo(veilOf('lit'), 9);
  });

  it('sees less the brighter the place, and less still where the steps were not seen', () => {
    const from = SURROUND_IDS.map(
      (surround) => trustOf(profile, neutral, { surround, peak: 300, seen: {} }).from,
    );
    expect([...from].sort((a, b) => a - b)).toEqual(from);
    expect(new Set(from).size).toBeGreaterThan(3);
    const seen = trustOf(profile, neutral, {
      surround: 'dark',
      peak: 300,
      seen: { dark: 0.2, bright: 0.95 },
    });
    expect(seen.by).toBe('seen');
    expect(seen.from).toBeGreaterThan(from[0]);
    expect(seen.to).toBeLessThan(profile.clipStops);
    // A step seen that the veil says drowns changes nothing.
    expect(trustOf(profile, neutral, { surround: 'sun', peak: 300, seen: { dark: 0.01 } }).by).toBe(
      'surround',
    );
  });

  it('is off by what a meter reads of its patch', () => {
    expect(screenOffset(screenLight(0.4, 300), 0.4, 300)).toBeCloseTo(0, 9);
    expect(screenOffset(screenLight(0.4, 300) / Math.SQRT2, 0.4, 300)).toBeCloseTo(-0.5, 9);
  });
});
