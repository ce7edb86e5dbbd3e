import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  ARCHETYPE_IDS,
  ARCHETYPES,
  compileProfile,
  profileProblem,
  soundSolution,
  type ProfileData,
} from './index.ts';
import { profileFromTable } from './making.ts';

const wide = ARCHETYPES.wideLog;
const log = { a: 5.55, b: 0.05, c: 0.25, d: 0.38, cut: 0.01, e: 5.4, f: 0.09 };
const withCurve = (curve: ProfileData['curve']): ProfileData => ({ ...wide, curve });

describe('a sound profile', () => {
  it.each(ARCHETYPE_IDS)('is every archetype: %s', (id) => {
    expect(profileProblem(ARCHETYPES[id])).toBeUndefined();
  });

  it.each([
    [
      'rows of equal reflectance',
      withCurve({
        kind: 'table',
        rows: [
          { reflectance: 0.18, signal: 0.3 },
          { reflectance: 0.18, signal: 0.4 },
        ],
      }),
      /make no curve \(row 2 does not rise over row 1\)/,
    ],
    [
      'rows that fall',
      withCurve({
        kind: 'table',
        rows: [
          { reflectance: 0.01, signal: 0.3 },
          { reflectance: 0.18, signal: 0.2 },
        ],
      }),
      /does not rise/,
    ],
    [
      'a logarithm of less than nothing',
      withCurve({ kind: 'log', coefficients: { ...log, b: -5, cut: -1 } }),
      /make no curve/,
    ],
    [
      'a gain without end',
      withCurve({ kind: 'standard', transfer: 'bt709', gain: 1e308 }),
      /leaves what a camera can record/,
    ],
    ['a lift out of sight', withCurve({ kind: 'log', coefficients: { ...log, d: 900 } }), /leaves what/],
    [
      'pieces that do not meet',
      withCurve({ kind: 'log', coefficients: { ...log, cut: 0.18, f: 0.6 } }),
      /the curve falls at/,
    ],
    ['a clip under grey', { ...wide, clipStops: -1 }, /clip must lie over grey/],
    [
      'a band with a hole',
      { ...wide, band: { stops: [0, 1], signal: [0.4], stopsWide: [0.1, 0.1] } },
      /a signal and a width for every stop/,
    ],
  ] as const)('is not one with %s', (_, data, says) => {
    expect(profileProblem(data as ProfileData)).toMatch(says);
  });

  it.each([
    ['stops beyond a 32-bit float', 'stops,reading\n-3,0.1\n0,0.4\n3.5e38,0.9', 'stops'],
    ['readings beyond what is recorded', 'light,reading\n0.01,10\n0.18,40\n0.9,1e9', 'reflectance'],
  ] as const)('is what a table must come to: %s', (_, text, light) => {
    const coding = { bitDepth: 10, range: 'legal' } as const;
    const solved = soundSolution(
      profileFromTable(text, { light, reading: 'signalPercent' }, coding, 'bt2020'),
    );
    expect(solved).toMatchObject({ ok: false, reason: expect.stringMatching(/./) });
  });

  it('answers with finite numbers wherever it is asked', () => {
    const any = fc.oneof(fc.double({ noNaN: true }), fc.double({ min: -12, max: 12, noNaN: true }));
    const coefficients = fc.record({ a: any, b: any, c: any, d: any, cut: any, e: any, f: any });
    fc.assert(
      fc.property(coefficients, fc.double({ min: -20, max: 20, noNaN: true }), (k, clipStops) => {
        const data: ProfileData = { ...wide, clipStops, curve: { kind: 'log', coefficients: k } };
        if (profileProblem(data) !== undefined) return;
        const { signalAt, stopsAt, clipSignal } = compileProfile(data);
        for (let stops = -8; stops <= 8; stops += 1) {
          expect(Number.isFinite(signalAt(stops))).toBe(true);
          expect(stopsAt(signalAt(stops))).not.toBeNaN();
        }
        expect(Number.isFinite(clipSignal)).toBe(true);
      }),
      { numRuns: 2000, seed: 7 },
    );
  });
});
