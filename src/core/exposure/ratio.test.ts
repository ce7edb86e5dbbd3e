import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { COMPENSATION_IDS, COMPENSATIONS, compensationFor } from './compensation.ts';
import {
  bandOf,
  fillChange,
  printRatio,
  RATIO_BAND_IDS,
  RATIO_BANDS,
  shadowSays,
  shadowState,
} from './ratio.ts';

describe('ratio of light', () => {
  it('prints as it is said on set: a stop is two to one', () => {
    expect([0, 1, 2, 3, 4, -1].map(printRatio)).toEqual(['1:1', '2:1', '4:1', '8:1', '16:1', '1:2']);
    expect(printRatio(1.5)).toBe('2.8:1');
  });

  it('falls into bands that meet', () => {
    RATIO_BAND_IDS.slice(1).forEach((id, i) =>
      expect(RATIO_BANDS[id].stops[0]).toBe(RATIO_BANDS[RATIO_BAND_IDS[i]].stops[1]),
    );
    expect([0.5, 1.5, 3, 6].map(bandOf)).toEqual(['flat', 'shaped', 'moody', 'moody']);
  });

  it('is brought into the wanted band by fill, and no further', () => {
    for (const id of RATIO_BAND_IDS)
      for (const stops of [-1, 0.4, 1.6, 3, 5]) {
        const left = stops - fillChange(stops, id);
        const [low, high] = RATIO_BANDS[id].stops;
        expect(left).toBeGreaterThanOrEqual(low - 1e-9);
        expect(left).toBeLessThanOrEqual(high + 1e-9);
      }
    expect(fillChange(1.6, 'shaped')).toBe(0);
    expect(fillChange(3.3, 'shaped')).toBeCloseTo(1);
  });

  it('says whether the shadow side keeps its detail', () => {
    expect([-7, -6.5, -4].map((stops) => shadowState(stops, -7))).toEqual(['gone', 'noisy', 'clear']);
    expect(shadowSays(-4, -7)).toMatch(/^3.0 stops over the floor/);
    expect(shadowSays(-8, -7)).toMatch(/^1.0 stop under the floor/);
  });
});

describe('compensation by school', () => {
  it('goes by where the log has grey', () => {
    const of = (id: keyof typeof ARCHETYPES, isLog = true) =>
      compensationFor(compileProfile(ARCHETYPES[id]), isLog);
    for (const id of ['wideLog', 'classicLog', 'mildLog'] as const)
      expect(of(id)).toBe(compileProfile(ARCHETYPES[id]).signalAt(0) < 0.36 ? 'steepLog' : 'wideLog');
    expect(of('standard', false)).toBeUndefined();
    for (const id of COMPENSATION_IDS) expect(COMPENSATIONS[id].from).toBeLessThan(COMPENSATIONS[id].to);
  });
});
