import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '../../profile/index.ts';
import type { ProfileData } from '../../profile/types.ts';
import { stopsToReflectance } from '../../units.ts';
import { shutterErrors, type MarkedStep } from './shutterErrors.ts';
import { throughSteps } from './throughSteps.ts';
import { downToBlack, toeUnder } from './toe.ts';

const THIRDS = Array.from({ length: 43 }, (_, i) => -8 + i / 3);
const truth = compileProfile(ARCHETYPES.cineFlat);
/** The truth as a table that is off by a wave a stop and a half long, as a solver of wide departures leaves it. */
const wavy: ProfileData = {
  gamut: 'bt709',
  clipStops: 4.5,
  curve: {
    kind: 'table',
    rows: THIRDS.map((at) => ({
      reflectance: stopsToReflectance(at),
      signal: truth.transfer.encode(stopsToReflectance(at)) + (at < -5 ? 0 : 0.003 * Math.sin(at * 2.1)),
    })),
  },
};
const steps = Array.from({ length: 10 }, (_, i) => i - 5).map((at) => ({
  reflectance: stopsToReflectance(at),
  signal: truth.signalAt(at),
  sigma: 0.0005,
  series: 'bracket',
}));
const offAt = (profile: ProfileData, at: number) =>
  Math.abs(compileProfile(profile).signalAt(at) - truth.signalAt(at));

describe('a table drawn through its steps', () => {
  it('comes nearer at every step, and between them', () => {
    const near = throughSteps(wavy, steps, 0.005);
    const sum = (profile: ProfileData, places: readonly number[]) =>
      places.reduce((all, at) => all + offAt(profile, at), 0);
    const at = steps.map((_, i) => i - 5).filter((stops) => stops < 4.4);
    expect(sum(near, at)).toBeLessThan(0.25 * sum(wavy, at));
    const between = at.slice(0, -1).map((stops) => stops + 0.5);
    expect(sum(near, between)).toBeLessThan(sum(wavy, between));
    const rows = near.curve.kind === 'table' ? near.curve.rows : [];
    expect(rows.every(({ signal }, i) => i === 0 || signal > rows[i - 1].signal)).toBe(true);
  });

  it('stays where nothing was read, and hardly moves where places are not known', () => {
    const near = throughSteps(wavy, steps.slice(0, 4), 0.005);
    expect(compileProfile(near).signalAt(3)).toBeCloseTo(compileProfile(wavy).signalAt(3), 4);
    const vague = throughSteps(wavy, steps, 0.5);
    expect(Math.abs(offAt(vague, 0) - offAt(wavy, 0))).toBeLessThan(0.001);
  });

  it('leaves a log form alone', () => {
    expect(throughSteps(ARCHETYPES.wideLog, steps, 0.005)).toBe(ARCHETYPES.wideLog);
  });
});

describe('the toe under the darkest step', () => {
  const [low, high] = [0.003, 0.006];
  it('is straight where two steps say so, and a root where they do', () => {
    const straight = toeUnder(
      [
        { light: low, signal: 0.05 + 5 * low },
        { light: high, signal: 0.05 + 5 * high },
      ],
      0.05,
    );
    expect(straight.power).toBe(1);
    expect(straight.scale).toBeCloseTo(5, 9);
    const root = toeUnder(
      [
        { light: low, signal: 0.05 + low ** 0.5 },
        { light: high, signal: 0.05 + high ** 0.5 },
      ],
      0.05,
    );
    expect(root.power).toBeCloseTo(0.5, 9);
    expect(root.scale).toBeCloseTo(1, 9);
  });

  it('replaces what a table has there, down to black', () => {
    const drawn = downToBlack(
      wavy,
      [
        { light: low, signal: 0.05 + 5 * low },
        { light: high, signal: 0.05 + 5 * high },
      ],
      0.05,
    );
    const { encode } = compileProfile(drawn).transfer;
    expect(encode(0)).toBeCloseTo(0.05, 9);
    for (const light of [0.0002, 0.001, 0.002]) expect(encode(light)).toBeCloseTo(0.05 + 5 * light, 4);
    // A table that began lower than the toe ends goes on from there.
    const rows = drawn.curve.kind === 'table' ? drawn.curve.rows : [];
    expect(rows.every(({ signal }, i) => i === 0 || signal > rows[i - 1].signal)).toBe(true);
    expect(encode(0.18)).toBeCloseTo(compileProfile(wavy).transfer.encode(0.18), 9);
    expect(
      downToBlack(
        ARCHETYPES.wideLog,
        [
          { light: low, signal: 0.1 },
          { light: high, signal: 0.2 },
        ],
        0.05,
      ),
    ).toBe(ARCHETYPES.wideLog);
  });
});

describe('a bracket in two lights', () => {
  // Errors that repeat over three steps: at a stop and a half they pass for the curve's own, at a stop they cannot.
  const errorOf = (k: number) => [0.05, -0.05, 0][((k % 3) + 3) % 3];
  const bracketAt = (less: number): readonly MarkedStep[] =>
    [0, -less].flatMap((light) =>
      Array.from({ length: 10 }, (_, i) => i - 5).map((k) => ({
        stops: k + light,
        shutter: String(k),
        light,
        signal: truth.signalAt(k + light + errorOf(k)),
        sigma: 0.0006,
      })),
    );
  const worst = (less: number): number => {
    const found = shutterErrors(bracketAt(less))!;
    const ks = Array.from({ length: 8 }, (_, i) => i - 4);
    const off = ks.map((k) => found.of(String(k)) - errorOf(k));
    const mean = off.reduce((a, b) => a + b, 0) / off.length;
    return Math.max(...off.map((v) => Math.abs(v - mean)));
  };

  it('a stop apart tells errors of shutters that a stop and a half apart takes for the curve', () => {
    expect(worst(1)).toBeLessThan(0.02);
    expect(worst(1.5)).toBeGreaterThan(2 * worst(1));
  });
});
