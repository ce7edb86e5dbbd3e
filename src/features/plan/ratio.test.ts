import { describe, expect, it } from 'vitest';
import { demoSelection } from '#store/fixtures/demoBook.ts';
import { surveyOfSetup } from './planModel.ts';
import { ratioOf, sidesOf } from './ratioModel.ts';

const selection = demoSelection('bench-interview', 'a-cam');
const survey = surveyOfSetup(selection);
const spots = survey.ok ? survey.value : undefined;

describe('the ratio of a set-up', () => {
  it('goes by the spots that were chosen, from readings of one meter', () => {
    const { bright, shadow, behind } = sidesOf(selection.setup, spots!);
    // 23 to 7.6 cd/m2: log2 = 1.6 stops.
    expect(bright!.stops - shadow!.stops).toBeCloseTo(Math.log2(23 / 7.6), 6);
    expect(behind?.name).toBe('Wall behind');
  });

  it('begins with the brightest face, and takes what it cannot read for nothing', () => {
    expect(sidesOf({ ratio: undefined }, spots!)).toEqual({
      bright: expect.objectContaining({ name: 'Ana, key side' }) as unknown,
      shadow: undefined,
      behind: undefined,
    });
    expect(sidesOf({ ratio: { bright: 'gone', shadow: 'gone' } }, spots!).shadow).toBeUndefined();
    for (const ratio of [7, 'x', null, { wanted: 'dim' }])
      expect(ratioOf({ ratio: ratio as never }).wanted).toBeUndefined();
  });
});
