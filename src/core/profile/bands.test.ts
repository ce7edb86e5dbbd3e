import { describe, expect, it } from 'vitest';
import { gaussian, seededRandom } from '../random.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { reflectanceToStops, stopsToReflectance } from '../units.ts';
import { ARCHETYPES } from './archetypes.ts';
import { compileCurve } from './compile.ts';
import { runTrial, type Trial } from './fixtures/evidenceTrials.ts';
import { meanWidth } from './solve/narrowing.ts';
import { notOneLogCurve } from './profileWords.ts';
import { FORMS, STEP_ERRORS } from './solve/errorModel.ts';
import { ALL_TOES, toePrior } from './solve/logForm.ts';
import { solveCurve } from './solve/solveCurve.ts';
import type { CurveReading } from './types.ts';

// `npm run bench profiles` prints all thirty-two kinds with 300 curves each. Here so many of each, with fixed seeds:
// four standard deviations under 95 % of 120 are 87 %.
const CURVES = 120;

describe('the band holds the truth, with every error that readings have', () => {
  const trials: readonly (readonly [string, Trial])[] = [
    ['three anchors to the whole percent', { evidence: 'three', printed: 'percent' }],
    [
      'three anchors and a toe with a kink or a bend',
      { evidence: 'three', printed: 'codes', isOddToe: true },
    ],
    ['a 2 % chip that is 10 % off', { evidence: 'chip', printed: 'percent', chipOff: 0.1 }],
    ['a chip in codes, odd toe', { evidence: 'chip', printed: 'codes', isOddToe: true }],
    ['a bracket typed, shutter 0.05 stop off', { evidence: 'typed', printed: 'percent', shutter: 0.05 }],
    ['a bracket typed, shutter 0.1 stop off', { evidence: 'typed', printed: 'percent', shutter: 0.1 }],
    ['a bracket of frames, exact', { evidence: 'frames', printed: 'percent' }],
    ['a bracket of frames, shutter 0.05 stop off', { evidence: 'frames', printed: 'percent', shutter: 0.05 }],
  ];

  it.each(trials)('%s', { timeout: 60_000 }, (_, trial) => {
    const { covered, overOracle, accused } = runTrial(trial, CURVES);
    expect(covered).toBeGreaterThanOrEqual(0.87);
    expect(overOracle).toBeLessThanOrEqual(1.6);
    expect(accused).toBeLessThanOrEqual(0.025);
  });
});

describe('nine of ten curves are found within', () => {
  const trials: readonly (readonly [string, Trial, number])[] = [
    ['0.24 stop of three anchors in codes', { evidence: 'three', printed: 'codes' }, 0.24],
    ['0.035 with a chip', { evidence: 'chip', printed: 'codes' }, 0.035],
    ['0.14 of a bracket in whole percent', { evidence: 'typed', printed: 'percent' }, 0.14],
    [
      '0.16 of one whose shutter errs by 0.05',
      { evidence: 'typed', printed: 'percent', shutter: 0.05 },
      0.16,
    ],
    ['0.1 of anchors and bracket together', { evidence: 'both', printed: 'percent' }, 0.1],
  ];

  it.each(trials)('%s', { timeout: 60_000 }, (_, trial, most) => {
    expect(runTrial(trial, CURVES).error90).toBeLessThanOrEqual(most);
  });
});

const normal = gaussian(seededRandom(17));
type Encode = (reflectance: number) => number;

const card = (encode: Encode, { frames, last = 4 }: { frames: boolean; last?: number }): CurveReading[] =>
  Array.from({ length: last + 5 }, (_, i) => {
    const reflectance = stopsToReflectance(i - 4);
    const signal = encode(reflectance);
    return frames
      ? { reflectance, signal: signal + 0.0005 * normal(), sigma: 0.0005, series: 'card' }
      : { reflectance, signal: Math.round(100 * signal) / 100, sigma: 0.01 / Math.sqrt(12), series: 'card' };
  });

/** Worst decode error over the stops that were read. */
const worstRead = (curve: Parameters<typeof compileCurve>[0], encode: Encode, last: number): number => {
  const { decode } = compileCurve(curve);
  let worst = 0;
  for (let stops = -4; stops <= last; stops += 0.25)
    worst = Math.max(worst, Math.abs(reflectanceToStops(decode(encode(stopsToReflectance(stops)))) - stops));
  return worst;
};

describe('belief before any reading', () => {
  it('in all toes together is the sum of the belief in each', () => {
    const step = { logS: 0.01, cut: 0.0002 };
    let sum = 0;
    for (let logS = -40; logS < 40; logS += step.logS)
      for (let cut = step.cut / 2; cut < 0.04; cut += step.cut)
        sum += Math.exp(toePrior(logS, cut)) * step.logS * step.cut;
    expect(Math.log(sum)).toBeCloseTo(ALL_TOES, 2);
  });

  it('in all forms is 1, and so in all sizes of a step error', () => {
    for (const rows of [FORMS, STEP_ERRORS])
      expect(rows.reduce((all, { share }) => all + share, 0)).toBeCloseTo(1, 9);
  });
});

describe('a curve of another form', () => {
  const root: Encode = (x) => 0.55 * Math.cbrt(x);
  const hlg = compileCurve(ARCHETYPES.hlg.curve).encode;
  /** BT.2408: diffuse white at 203 cd/m2. */
  const pq: Encode = (x) => TRANSFERS.pq.encode(203 * x);

  it.each([
    ['a cube root through whole percents', root, undefined, false],
    ['a cube root through frames', root, undefined, true],
    ['HLG through whole percents', hlg, 'HLG', false],
    ['HLG through frames', hlg, 'HLG', true],
    ['PQ through frames', pq, 'PQ', true],
  ] as const)('%s is noticed, and what stands for it rises and has a band', (_, encode, name, frames) => {
    const { curve, band, published } = solveCurve(card(encode, { frames }));
    expect(curve.kind).toBe('table');
    expect(published).toBe(name);
    const found = compileCurve(curve).encode;
    let before = -Infinity;
    for (const stops of band.stops) {
      const signal = found(stopsToReflectance(stops));
      expect(signal).toBeGreaterThan(before);
      before = signal;
    }
    // Between the readings the band holds it.
    band.stops.forEach((stops, i) => {
      if (stops < -4.1 || stops > 4.1) return;
      const x = stopsToReflectance(stops);
      expect(Math.abs(found(x) - encode(x))).toBeLessThanOrEqual(1.1 * band.signal[i]);
    });
  });

  it('says whose form the readings have', () => {
    const worst = { name: '+2', signal: 0.012 };
    expect(notOneLogCurve(worst, 'HLG')).toMatch(
      /form of HLG, not of a log curve: the best one leaves \+2 1\.2 %/,
    );
    expect(notOneLogCurve(worst)).toMatch(/do not lie on one log curve: the best one leaves \+2/);
  });

  it('PQ in whole percents from −4 to +4 is a log curve within what was read: nothing is accused', () => {
    const { curve } = solveCurve(card(pq, { frames: false }));
    expect(curve.kind).toBe('log');
    expect(worstRead(curve, pq, 4)).toBeLessThan(0.2);
  });

  it.each([true, false])('a true clip point does not make it worse (frames: %s)', (frames) => {
    const readings = card(root, { frames });
    const clip = { reflectance: stopsToReflectance(6), signal: root(stopsToReflectance(6)), sigma: 0.01 };
    const without = worstRead(solveCurve(readings).curve, root, 5);
    const withClip = worstRead(solveCurve([...readings, clip]).curve, root, 5);
    expect(withClip).toBeLessThanOrEqual(without + 0.01);
  });

  it.each(['legal', 'full'] as const)('is judged alike in %s range and in codes', (range) => {
    // The same camera, told on another scale: 64..940 of 1023 codes as 0..1, or 0..1023.
    const scale = range === 'legal' ? 1 : 876 / 1023;
    const turned = card(root, { frames: false }).map((reading) => ({
      ...reading,
      signal: scale * reading.signal + (range === 'legal' ? 0 : 64 / 1023),
      sigma: scale * reading.sigma,
    }));
    expect(solveCurve(turned).curve.kind).toBe('table');
  });
});

describe('the reading that is advised', () => {
  it.each(['wideLog', 'classicLog', 'mildLog'] as const)('%s: following it narrows as foretold', (id) => {
    const { encode } = compileCurve(ARCHETYPES[id].curve);
    const printed = (reflectance: number): CurveReading => ({
      reflectance,
      signal: Math.round(100 * encode(reflectance)) / 100,
      sigma: 0.01 / Math.sqrt(12),
    });
    const readings = [0, 0.18, 0.9].map(printed);
    const first = solveCurve(readings);
    const { stops, before, after } = first.narrowing(6);
    expect(before).toBeCloseTo(meanWidth(first.band), 9);
    const followed = meanWidth(solveCurve([...readings, printed(stopsToReflectance(stops))]).band);
    expect(followed).toBeLessThan(before);
    expect(Math.abs(followed - after)).toBeLessThan(0.5 * (before - after));
  });
});
