import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { logTransfer, tangentLog } from '../transfer/index.ts';
import { ARCHETYPES, compileProfile, type Anchor } from './index.ts';
import { profileFromAnchors, readAnchors, solveCurve } from './making.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const anchors = (black: number, grey: number, white: number, clip?: number, stops?: number): Anchor[] => [
  { id: 'black', reading: black },
  { id: 'grey', reading: grey },
  { id: 'white', reading: white },
  ...(clip === undefined ? [] : [{ id: 'clip' as const, reading: clip, stops }]),
];
const solve = (list: Anchor[]) => {
  const result = profileFromAnchors(list, 'signalPercent', coding, 'bt709');
  if (!result.ok) throw new Error(result.reason);
  return { ...result.value, compiled: compileProfile(result.value.profile) };
};

describe('a log curve from printed anchors', () => {
  it('is the archetype again when fed its own numbers', () => {
    const truth = compileProfile(ARCHETYPES.wideLog);
    const at = (stops: number) => 100 * truth.signalAt(stops);
    const { compiled } = solve(anchors(100 * truth.transfer.encode(0), at(0), at(Math.log2(5)), at(6), 6));
    for (let stops = -4; stops <= 5; stops += 1) {
      expect(Math.abs(compiled.stopsAt(truth.signalAt(stops)) - stops)).toBeLessThan(0.05);
    }
  });

  it('stays inside its own band for curves drawn from the prior, printed to a tenth of a percent', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -2.3, max: -1.4, noNaN: true }),
        fc.double({ min: 0.001, max: 0.009, noNaN: true }),
        fc.double({ min: 0.24, max: 0.36, noNaN: true }),
        (logS, cut, c) => {
          const s = 10 ** logS;
          const d = 0.4 - c * Math.log10(0.18 + s);
          const truth = logTransfer(tangentLog(s, cut, c, d));
          fc.pre(truth.encode(0) >= 0);
          const read = (x: number) => Number((100 * truth.encode(x)).toFixed(1));
          const { compiled, profile } = solve(anchors(read(0), read(0.18), read(0.9), read(11.52), 6));
          profile.band?.stops.forEach((stops, i) => {
            if (stops < -4 || stops > 5) return;
            const off = Math.abs(compiled.signalAt(stops) - truth.encode(0.18 * 2 ** stops));
            expect(off).toBeLessThan(0.002 + 1.5 * (profile.band?.signal[i] ?? 0));
          });
        },
      ),
      { numRuns: 25 },
    );
  });

  it('is less sure of the toe than of the middle', () => {
    const { profile } = solve(anchors(3, 41, 61, 94, 6));
    const at = (stops: number) =>
      profile.band?.stopsWide[profile.band.stops.findIndex((s) => Math.abs(s - stops) < 1e-6)] ?? 0;
    expect(at(-4)).toBeGreaterThan(3 * at(0));
    expect(at(-3)).toBeGreaterThan(at(-1));
  });

  it('reads the clip’s stop off the curve when it is not printed, and says so', () => {
    const { profile, findings = [] } = solve(anchors(3.2, 40.6, 61, 94));
    expect(Math.abs(profile.clipStops - 6)).toBeLessThan(0.25);
    expect(findings.join()).toMatch(/read off the curve/);
    expect(solve(anchors(3.2, 40.6, 61)).warnings.join()).toMatch(/No clip typed/);
  });

  it('says when the numbers do not lie on one log curve', () => {
    const { warnings } = solve(anchors(0, 20, 85, 90, 6));
    expect(warnings.join()).toMatch(/do not lie on one log curve: .* % of signal off/);
  });

  it('takes code values and % of full code to the same curve', () => {
    const codes = profileFromAnchors(anchors(92, 419, 599, 887, 6), 'codeValue', coding, 'bt709');
    const full = profileFromAnchors(
      // One code is 100 / 1023 %: printed as exactly on either scale.
      anchors(9200 / 1023, 41900 / 1023, 59900 / 1023, 88700 / 1023, 6).map((anchor) => ({
        ...anchor,
        step: 100 / 1023,
      })),
      'fullCodePercent',
      coding,
      'bt709',
    );
    if (!codes.ok || !full.ok) throw new Error('did not solve');
    expect(compileProfile(codes.value.profile).signalAt(1)).toBeCloseTo(
      compileProfile(full.value.profile).signalAt(1),
      6,
    );
  });

  it('refuses readings at one place alone', () => {
    const point = { reflectance: 0.18, signal: 0.4, sigma: 0.003 } as const;
    expect(() => solveCurve([point])).toThrow(/two places/);
    expect(() => solveCurve([point, point, point])).toThrow(/two places/);
  });
});

describe('bad anchors get one sentence each', () => {
  it.each([
    ['equal', anchors(3, 41, 41), '90 %', /same reading/],
    ['falling', anchors(3, 61, 41), '90 %', /reads lower than 18 %/],
    ['out of scale', anchors(3, 41, 161), '90 %', /161, outside -7 to 109 % of signal/],
    ['no number', anchors(3, Number.NaN, 61), '18 %', /Type a number/],
    ['clip under white', anchors(3, 41, 61, 94, 2), 'clip', /Clip lies under 90 % white/],
    ['one alone', anchors(3, 41, 61).slice(1, 2), '18 %', /One reading with a place: a curve needs two/],
    ['none', [], '18 %', /No reading with a place/],
  ])('%s', (_, list, where, reason) => {
    const result = readAnchors(list, 'signalPercent', coding);
    expect(result.ok).toBe(false);
    if (result.ok) return;
    expect(result.where).toBe(where);
    expect(result.reason).toMatch(reason);
  });

  it('knows the ends of each scale', () => {
    const read = (value: number, scale: 'codeValue' | 'fullCodePercent') =>
      readAnchors(anchors(value, 419, 599), scale, coding);
    expect(read(-1, 'codeValue').ok).toBe(false);
    expect(read(92, 'codeValue').ok).toBe(true);
    expect(readAnchors(anchors(3, 41, 101), 'fullCodePercent', coding).ok).toBe(false);
  });
});
