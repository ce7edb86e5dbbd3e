import { describe, expect, it } from 'vitest';
import { SPOT_UNIT_IDS, type Spot } from './spot.ts';
import { inUnit, surveyOf } from './survey.ts';

const at = { iso: 800, iris: 4, seconds: 1 / 50, ndStops: 2 };
const spot = (unit: Spot['unit'], value: number): Spot => ({
  id: 'a',
  name: 'Card',
  role: 'card',
  unit,
  value,
  at: unit === 'meter' || unit === 'fNumber' ? at : undefined,
});
const greyOf = (one: Spot) => {
  const survey = surveyOf([one], []);
  if (!survey.ok) throw new Error(survey.reason);
  return survey.value.grey;
};

describe('a reading in another unit', () => {
  it('is the same light: 40 cd/m2 are EV 8.3 at ISO 100, 698 lx on an 18 % card (ISO 2720)', () => {
    const read = spot('luminance', 40);
    // log2(100 * 40 / 12.5) = 8.32; 40 pi / 0.18 = 698.
    expect(inUnit(read, 'ev', at, {}).value).toBe(8.32);
    expect(inUnit(read, 'lux', at, {}).value).toBe(698);
  });

  it('there and back is what was read, whatever the units', () => {
    const grey = greyOf(spot('luminance', 37))!;
    for (const from of SPOT_UNIT_IDS)
      for (const to of SPOT_UNIT_IDS) {
        const read = inUnit(spot('luminance', 37), from, at, { grey });
        const there = inUnit(read, to, at, { grey });
        const back = inUnit(there, from, at, { grey });
        // Three figures, or a hundredth of a stop, each way.
        expect(Math.abs(back.value - read.value), `${from} ${to}`).toBeLessThanOrEqual(
          Math.max(0.021, 0.02 * Math.abs(read.value)),
        );
        expect(there.unit).toBe(to);
      }
  });

  it('keeps the number where the light is not known: stops without a card', () => {
    expect(inUnit(spot('stops', 2), 'ev', at, {})).toMatchObject({ unit: 'ev', value: 2 });
    expect(inUnit(spot('luminance', 40), 'stops', at, {})).toMatchObject({ unit: 'stops', value: 40 });
    expect(inUnit(spot('luminance', 0), 'ev', at, {})).toMatchObject({ unit: 'ev', value: 0 });
  });
});

describe('light that cannot be', () => {
  it.each([
    [spot('ev', 1100), /brighter than the sun’s disc/],
    [spot('ev', 100_000), /brighter than the sun’s disc/],
    [spot('luminance', 1e300), /brighter than the sun’s disc/],
    [spot('fNumber', 1e200), /brighter than the sun’s disc/],
    [spot('ev', -1100), /darker than a moonless night/],
    [spot('meter', -1e9), /darker than a moonless night/],
    [spot('luminance', 1e-300), /darker than a moonless night/],
    [spot('stops', 1e200), /no two places lie 40 stops apart/],
  ])('is asked about in a sentence', (read, words) => {
    const survey = surveyOf([read], []);
    expect(survey.ok).toBe(false);
    if (!survey.ok) expect(survey.reason).toMatch(words);
  });

  it('the sun itself is light, and so is a night without moon', () => {
    expect(surveyOf([spot('luminance', 1.6e9)], []).ok).toBe(true);
    expect(surveyOf([spot('luminance', 1e-4)], []).ok).toBe(true);
  });
});
