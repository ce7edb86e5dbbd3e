import { expect, it } from 'vitest';
import { pictureScales } from './pictureScales.ts';

const frame = { width: 1920, height: 1080 };

it('fits the whole picture into its room, half of it beside another one', () => {
  expect(pictureScales(frame, { width: 960, height: 900 }, 'fit', false)).toEqual({
    fitting: 0.5,
    shown: 0.5,
  });
  expect(pictureScales(frame, { width: 960, height: 270 }, 'fit', false).shown).toBe(0.25);
  expect(pictureScales(frame, { width: 960, height: 900 }, 'fit', true).shown).toBe(0.25);
});

it('shows pixel by pixel, and still knows what would fit', () => {
  expect(pictureScales(frame, { width: 960, height: 900 }, '1:1', false)).toEqual({ fitting: 0.5, shown: 1 });
  expect(pictureScales(undefined, { width: 960, height: 900 }, 'fit', false)).toEqual({
    fitting: 1,
    shown: 1,
  });
});

it('stays over nothing in a box that is not laid out yet: marks are drawn by its inverse', () => {
  const { fitting, shown } = pictureScales(frame, { width: 0, height: 0 }, 'fit', false);
  expect(fitting).toBeGreaterThan(0);
  expect(Number.isFinite(1 / shown)).toBe(true);
});
