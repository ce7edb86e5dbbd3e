import { describe, expect, it } from 'vitest';
import { printMeter } from './cameraMeter.ts';
import { meterTargets } from './meterTarget.ts';
import { surveyOf } from './survey.ts';
import type { Spot } from './spot.ts';

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
    // Two tones a stop over and a stop under and the card: log2((1 + 2 + 0.5) / 3).
    const even = meterTargets(plain, 1, [], surveyed(spot('over', 1), spot('under', -1)));
    expect(even.at(-1)?.on).toBe('whole frame');
    expect(even.at(-1)?.shows).toBeCloseTo(1 + Math.log2(3.5 / 3), 6);
    const dark = meterTargets(plain, 1, [], surveyed(spot('wall', -6), spot('floor', -7), spot('coat', -6)));
    expect(dark.map(({ on }) => on)).toEqual(['card']);
    const lamp = meterTargets(plain, 1, [], surveyed(spot('lamp', 0.5, 'light')));
    expect(lamp.map(({ on }) => on)).toEqual(['card']);
  });
});
