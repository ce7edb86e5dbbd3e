import { describe, expect, it } from 'vitest';
import { printMeter } from './cameraMeter.ts';
import { frameMean, meterTargets } from './meterTarget.ts';
import { weightByPlace } from './meterModes.ts';
import { surveyOf } from './survey.ts';
import type { Spot, SpotPlace } from './spot.ts';

/** Abramowitz and Stegun, Handbook of Mathematical Functions, 7.1.26: within 1.5e-7. */
const erf = (x: number): number => {
  const t = 1 / (1 + 0.3275911 * x);
  const sum =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return 1 - sum * Math.exp(-x * x);
};

const spot = (name: string, stops: number, role: Spot['role'] = 'keep'): Spot => ({
  id: name,
  name,
  role,
  unit: 'stops',
  value: stops,
});
const surveyed = (...spots: Spot[]) => {
  const survey = surveyOf([spot('card', 0, 'card'), ...spots], []);
  if (!survey.ok) throw new Error(survey.reason);
  return survey.value;
};
const faces = [{ name: 'Ana', skinOffset: 1.3 }];
const plain = { modes: ['spot'], scale: 3, bias: 0 };

describe('what the camera’s meter must show', () => {
  it('on card and face: where they lie, and the meter’s own bias', () => {
    const shown = meterTargets({ ...plain, bias: 0.5 }, 1, faces, undefined);
    expect(shown.map(({ on, shows }) => [on, Number(shows.toFixed(3))])).toEqual([
      ['card', 1.5],
      ['Ana', 2.8],
    ]);
  });

  it('says where the scale ends before, on either side', () => {
    const short = { ...plain, scale: 2 };
    const words = (placement: number) =>
      meterTargets(short, placement, faces, undefined).map((target) => printMeter(target, short));
    expect(words(1)).toEqual(['+1.0', 'past +2']);
    expect(words(2)).toEqual(['+2.0', 'past +2']);
    expect(words(-3)).toEqual(['past −2', '−1.7']);
  });

  it('of the whole frame: the mean of the surveyed light, where it is a guide', () => {
    // Two tones of equal shares, a stop over and a stop under: log2((2 + 0.5) / 2); the card is not in the frame.
    const even = meterTargets(plain, 1, [], surveyed(spot('over', 1), spot('under', -1)));
    expect(even.at(-1)?.on).toBe('whole frame');
    expect(even.at(-1)?.shows).toBeCloseTo(1 + Math.log2(2.5 / 2), 6);
    const dark = meterTargets(plain, 1, [], surveyed(spot('wall', -6), spot('floor', -7), spot('coat', -6)));
    expect(dark.map(({ on }) => on)).toEqual(['card']);
  });

  it('a glint counts as one: a lantern ten stops over the card does not drag the frame', () => {
    const quay = surveyed(spot('stones', -2), spot('lantern', 10, 'light'));
    const { mean, pulledBy } = frameMean(quay)!;
    // As equal shares it would be +9: what is over the mean by four stops counts no more, and for three thousandths.
    expect(mean).toBeLessThan(0);
    expect(mean).toBeGreaterThan(-2);
    expect(pulledBy).toBe('stones');
    const large = surveyed(spot('stones', -2), { ...spot('lantern', 10, 'light'), share: 'most' });
    expect(frameMean(large)!.mean).toBeGreaterThan(mean + 3);
  });

  it('weighed to the middle: what lies there counts more, and a place nobody said widens the ±', () => {
    const at = (place: SpotPlace) =>
      frameMean(
        surveyed(
          { ...spot('window', 3), share: 'part', place },
          { ...spot('room', -1), share: 'part', place: 'any' },
        ),
        'centre',
      )!;
    expect(at('middle').mean).toBeGreaterThan(at('any').mean + 0.2);
    expect(at('edge').mean).toBeLessThan(at('any').mean - 0.4);
    // Where nobody said the place, either may be true, and the ± says so.
    const { mean, within } = at('any');
    expect(mean + within).toBeGreaterThan(at('middle').mean);
    expect(mean - within).toBeLessThan(at('edge').mean);
    expect(within).toBeGreaterThan(at('edge').within);
    // Without weights the place is nothing.
    const whole = (place: SpotPlace) =>
      frameMean(surveyed({ ...spot('window', 3), place }, spot('room', -1)))!.mean;
    expect(whole('middle')).toBe(whole('edge'));
  });

  it('weights by place come back to the whole, and are the shares of the Gaussian they come from', () => {
    const { middle, edge } = weightByPlace('centre');
    expect(0.25 * middle + 0.75 * edge).toBeCloseTo(1, 9);
    expect(weightByPlace('whole')).toEqual({ middle: 1, edge: 1 });
    // Closed form: the weight is a Gaussian, sigma 0.1225 of the width and 0.2165 of the height, over the frame.
    const inside = (half: number, sigma: number) => erf(half / sigma / Math.SQRT2);
    const sigmaU = Math.sqrt(0.03 / 2);
    const sigmaV = Math.sqrt(0.03 / 2 / 0.32);
    const share = (inside(0.25, sigmaU) * inside(0.25, sigmaV)) / (inside(0.5, sigmaU) * inside(0.5, sigmaV));
    expect(0.25 * middle).toBeCloseTo(share, 2);
  });

  it('is told with how far shares said in words leave it open, and by what it is pulled', () => {
    const plainWall = frameMean(surveyed({ ...spot('wall', 0), share: 'most' }))!;
    expect(plainWall.mean).toBeCloseTo(0, 9);
    expect(plainWall.within).toBeCloseTo(0, 9);
    const sky = surveyed({ ...spot('sky', 4), share: 'part' }, { ...spot('ground', -1), share: 'most' });
    const found = frameMean(sky)!;
    expect(found.pulledBy).toBe('sky');
    expect(found.within).toBeGreaterThan(0.5);
    // Known no better than that it is no guide.
    expect(meterTargets(plain, 0, [], sky).map(({ on }) => on)).toEqual(['card']);
    expect(frameMean(surveyed())).toBeUndefined();
  });
});
