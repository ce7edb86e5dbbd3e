import { describe, expect, it } from 'vitest';
import { operationOf, type Correction } from '#core/correction/operations.ts';
import type { MatchedPatch } from '#core/match/patches.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { cameraSchema } from '#store/records/camera.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import type { Selection } from '#store/selection.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import type { PlottedPatch, SolvedMatch } from '#workers/match/protocol.ts';
import { isKept, withMatch } from './cameras/keptMatch.ts';
import { vectorTrace, waveformTrace } from './cameras/traces.ts';
import type { MatchPair } from './cameras/useMatchPair.ts';
import { dialWords, differsWords, leftOutWords } from './matchWords.ts';

const ABOUT = { kelvin: 5600, tint: 0 } as const;
const correction: Correction = {
  primaries: 'bt2020',
  operations: [
    { kind: 'contrast', slope: 1.08 },
    { kind: 'exposure', stops: -0.25 },
    { kind: 'balance', mired: 12, tint: -3, about: ABOUT },
    { kind: 'black', offset: [0.004, 0.005, 0.004] },
  ],
};

describe('words of a match', () => {
  it('say what to dial, and no more than that', () => {
    const rest = { primaries: 'bt2020', operations: [] } as Correction;
    expect(dialWords({ dial: { kelvin: 5200, tint: 3 }, stops: 1 / 3, rest }, ABOUT)).toBe(
      'dial 5200\u2009K, tint +3, expose 1/3 more',
    );
    expect(dialWords({ dial: ABOUT, stops: -2 / 3, rest }, ABOUT)).toBe(
      'stay at 5600\u2009K, expose 2/3 less',
    );
  });

  it('say a correction by its parts that can be seen', () => {
    expect(correctionWords(correction)).toEqual([
      'light −0.25 stop',
      '12 mired warmer',
      'tint −3',
      'contrast × 1.08',
      'black −0.5 %',
    ]);
    expect(correctionWords({ ...correction, operations: [{ kind: 'exposure', stops: 0.01 }] })).toEqual([]);
  });

  it('say what still differs, skin first, and why a patch was left out', () => {
    const patch = (name: string, kind: PlottedPatch['kind'], after: PlottedPatch['after']): PlottedPatch => ({
      name,
      kind,
      hero: [60, 20, 20],
      before: [50, 0, 0],
      after,
      off: 2.34,
    });
    const told = differsWords([
      patch('blue', 'colour', [60, 20, 10]),
      patch('Ana', 'skin', [58, 24, 24]),
      { ...patch('card', 'card', [60, 20, 20]), off: 0.4 },
    ]);
    expect(told).toEqual(['Ana: darker and stronger in colour, ΔE 2.3.', 'blue: bluer, ΔE 2.3.']);
    expect(
      leftOutWords([{ name: 'white', why: 'clipped', of: 'camera' }], { camera: 'B-cam', hero: 'A-cam' }),
    ).toBe('white: clipped on B-cam');
  });
});

describe('a match that is kept', () => {
  const pairAt = (kelvin: number): MatchPair =>
    ({
      kelvin,
      selections: {
        camera: demoSelection('bench-interview', 'b-cam'),
        hero: demoSelection('bench-interview', 'a-cam'),
      },
    }) as unknown as MatchPair;
  const patch: MatchedPatch = { name: 'card', kind: 'card', before: 9, after: 0.5, noise: 0.1 };
  const solved = {
    match: { correction, steps: [], patches: [patch], leftOut: [], mean: 0.5, worst: 0.5 },
    by: 'marks',
  } as unknown as SolvedMatch;
  const now = new Date('2026-04-20T10:00:00Z');

  const heroAt = (selection: Selection, fields: Partial<PlanRecord>): Selection => ({
    ...selection,
    hero: { ...selection.hero!, plan: { ...selection.hero!.plan, ...fields } },
  });

  it('takes the place of the one of that light, and stands beside those of others', () => {
    const demo = demoBook().cameras.get('b-cam')!.matches!;
    const same = withMatch(pairAt(demo[0].kelvin), solved, 'new', now);
    expect(same.matches!.map(({ id }) => id)).toEqual([demo[1].id, 'new']);
    expect(withMatch(pairAt(3200), solved, 'new', now).matches).toHaveLength(3);
    expect(cameraSchema.safeParse(same).success).toBe(true);
    expect(isKept(pairAt(3200), solved)).toBe(false);
  });

  it('is found for a light between, for the profile of the plan', () => {
    const selection = demoSelection('bench-interview', 'b-cam');
    const camera = {
      ...selection.camera,
      matches: withMatch(pairAt(3200), solved, 'warm', now).matches,
    };
    const found = matchInLight(heroAt({ ...selection, camera }, { kelvin: 4000 }), 5477)!;
    // Between both, by the light that its hero is balanced to.
    expect(found.from).toEqual([5477, 3200]);
    expect(found.heroCameraId).toBe('a-cam');
    expect(matchInLight(demoSelection('bench-interview', 'a-cam'), 4000)).toBeUndefined();
  });

  it('is not done twice: what is dialled by now is taken off its balance', () => {
    const selection = demoSelection('bench-interview', 'b-cam');
    const balanceAt = (kelvin: number, tint: number) =>
      operationOf(
        matchInLight({ ...selection, plan: { ...selection.plan, kelvin, tint } }, 5477)!.correction,
        'balance',
      )!;
    const before = balanceAt(selection.plan.kelvin, 0);
    expect(before.mired).toBeCloseTo(-12.15, 1);
    // As the answer told: 5200 K instead of 5600 is 13.7 mired of it, the tint all but a little.
    expect(balanceAt(5200, 4).mired).toBeCloseTo(before.mired + 1e6 / 5200 - 1e6 / 5600, 6);
    expect(balanceAt(5200, 4).tint).toBeCloseTo(before.tint - 4, 6);
  });

  const kept = (selection: Selection): Selection => {
    const { matches } = withMatch(pairAt(5477), solved, 'day', now);
    return { ...selection, camera: { ...selection.camera, matches } };
  };

  it('is not done twice: what was opened since, beyond what its hero was, is taken off its light', () => {
    const selection = kept(demoSelection('bench-interview', 'b-cam'));
    const stops = (of: Selection) => operationOf(matchInLight(of, 5477)!.correction, 'exposure')!.stops;
    const before = stops(selection);
    const opened = { ...selection, plan: { ...selection.plan, ndStops: selection.plan.ndStops - 1 } };
    expect(stops(opened)).toBeCloseTo(before - 1, 6);
    // Both closed by a stop: the light has changed, not the match.
    const both = heroAt(opened, { ndStops: selection.hero!.plan.ndStops - 1 });
    expect(stops(both)).toBeCloseTo(before, 6);
  });

  it('in another light both are dialled to, it stays what it was', () => {
    const selection = kept(demoSelection('bench-interview', 'b-cam'));
    const balance = (of: Selection) => operationOf(matchInLight(of, 5477)!.correction, 'balance')!;
    const shifted = (kelvin: number) => 1e6 / (1e6 / kelvin + 60);
    const warmer = heroAt(
      { ...selection, plan: { ...selection.plan, kelvin: shifted(selection.plan.kelvin) } },
      { kelvin: shifted(selection.hero!.plan.kelvin) },
    );
    expect(matchInLight(warmer, 5477)!.outside).toBeGreaterThan(40);
    expect(Math.abs(balance(warmer).mired - balance(selection).mired)).toBeLessThan(3);
  });
});

describe('traces of a picture', () => {
  const picture = (r: number, g: number, b: number) => ({
    width: 4,
    height: 2,
    data: Uint8ClampedArray.from({ length: 32 }, (_, i) => [r, g, b, 255][i % 4]),
  });

  it('grey lies in the middle of the vectorscope, at its level in the waveform', () => {
    const vector = vectorTrace(picture(128, 128, 128), 101);
    expect(vector.counts[50 * 101 + 50]).toBe(8);
    const wave = waveformTrace(picture(255, 255, 255), 4, 11);
    expect([...wave.counts.slice(0, 4)]).toEqual([2, 2, 2, 2]);
    expect(waveformTrace(picture(0, 0, 0), 4, 11).counts[10 * 4]).toBe(2);
  });

  it('red lies up, blue to the right (BT.709-6, item 3.3)', () => {
    const where = (r: number, g: number, b: number) => vectorTrace(picture(r, g, b), 101).counts.indexOf(8);
    expect(Math.floor(where(160, 100, 100) / 101)).toBeLessThan(50);
    expect(where(100, 100, 160) % 101).toBeGreaterThan(50);
  });
});
