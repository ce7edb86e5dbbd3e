import { describe, expect, it } from 'vitest';
import { logTransfer, tangentLog, TRANSFERS, type TransferFunction } from '../transfer/index.ts';
import { reflectanceToStops, stopsToReflectance } from '../units.ts';
import { compileProfile, type Anchor } from './index.ts';
import { profileFromAnchors, profileFromBracket } from './making.ts';

const coding = { bitDepth: 10, range: 'full' } as const;

/** A dozen log curves of our own: toes from log10 s = -2.4 to -1.35, cuts from 0.001 to 0.01, grey 32 to 42 %. */
const dozen = [
  [-2.4, 0.002],
  [-2.2, 0.006],
  [-2.05, 0.004],
  [-1.95, 0.008],
  [-1.87, 0.005],
  [-1.8, 0.001],
  [-1.75, 0.01],
  [-1.65, 0.005],
  [-1.6, 0.003],
  [-1.5, 0.007],
  [-1.45, 0.002],
  [-1.35, 0.005],
].map(([logS, cut], i): readonly [string, TransferFunction] => {
  const s = 10 ** logS;
  const c = 0.24 + 0.012 * i;
  const grey = 0.32 + 0.009 * ((i * 5) % 12);
  return [
    `own curve, log s ${logS}, cut ${cut}`,
    logTransfer(tangentLog(s, cut, c, grey - c * Math.log10(0.18 + s))),
  ];
});
// ACES S-2016-001 is the published standard of this form.
const curves: readonly (readonly [string, TransferFunction])[] = [['ACEScct', TRANSFERS.acescct], ...dozen];

/** Worst decode error from -4 to +5, in stops. */
const worstStops = (found: TransferFunction, truth: TransferFunction): number => {
  let worst = 0;
  for (let stops = -4; stops <= 5; stops += 0.25) {
    const read = reflectanceToStops(found.decode(truth.encode(stopsToReflectance(stops))));
    worst = Math.max(worst, Math.abs(read - stops));
  }
  return worst;
};

/** Anchors as a paper prints them, to a tenth of a percent, and a 2 % chip read as exactly where asked for. */
const solveAnchors = (truth: TransferFunction, chip: boolean): TransferFunction => {
  const printed = (x: number) => ({ reading: Number((100 * truth.encode(x)).toFixed(2)), step: 0.01 });
  const anchors: Anchor[] = [
    { id: 'black', ...printed(0) },
    { id: 'grey', ...printed(0.18) },
    { id: 'white', ...printed(0.9) },
    ...(chip ? [{ id: 'extra', stops: reflectanceToStops(0.02), ...printed(0.02) } as const] : []),
  ];
  // Some of these curves put black under 0 %; that is only there on the scale of signal with room under it.
  const solved = profileFromAnchors(anchors, 'signalPercent', { ...coding, range: 'legal' }, 'bt709');
  if (!solved.ok) throw new Error(solved.reason);
  return compileProfile(solved.value.profile).transfer;
};

describe.each(curves)('%s is found again', (_, truth) => {
  it('from three anchors within 0.3 stop', () => {
    expect(worstStops(solveAnchors(truth, false), truth)).toBeLessThan(0.3);
  });

  it('with a 2 % chip within 0.05', () => {
    expect(worstStops(solveAnchors(truth, true), truth)).toBeLessThan(0.05);
  });

  it('from nine whole-percent readings of a card within 0.15', () => {
    const bracket = Array.from({ length: 9 }, (__, i) => ({
      stops: i - 4,
      signal: Math.round(100 * truth.encode(stopsToReflectance(i - 4))) / 100,
    }));
    const solved = profileFromBracket(bracket, 'bt709');
    if (!solved.ok) throw new Error(solved.reason);
    expect(solved.value.profile.curve.kind).toBe('log');
    expect(worstStops(compileProfile(solved.value.profile).transfer, truth)).toBeLessThan(0.15);
  });
});

// Common practice, no source: what a classic log with grey at 32 % and clip at 106 % reads, within 1.5 points.
describe('a profile solved from printed numbers reproduces common practice', () => {
  const solved = profileFromAnchors(
    [
      { id: 'black', reading: 3.5, step: 0.1 },
      { id: 'grey', reading: 32 },
      { id: 'white', reading: 57 },
      { id: 'clip', reading: 106 },
    ],
    'signalPercent',
    { bitDepth: 10, range: 'legal' },
    'bt709',
  );
  if (!solved.ok) throw new Error(solved.reason);
  const classic = compileProfile(solved.value.profile);

  it.each([
    [0, 32],
    [1, 43],
    [4 / 3, 45],
    [2, 53],
    [3, 65],
    [9, 106],
  ])('the card at %f stops reads %i %%', (stops, reading) => {
    expect(Math.abs(100 * classic.signalAt(stops) - reading)).toBeLessThanOrEqual(1.5);
  });
});
