import { describe, expect, it } from 'vitest';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { wardrobeOf } from '#store/records/wardrobe.ts';
import type { Wardrobe } from '#store/records/wardrobe.ts';
import { coloursOf } from './colours/coloursModel.ts';

const book = demoBook();
const dressed = (wardrobe: unknown) => {
  const selection = demoSelection('bench-interview', 'a-cam');
  return coloursOf({ ...selection, setup: { ...selection.setup, wardrobe: wardrobe as Wardrobe } }, book);
};

describe('wardrobe of a set-up', () => {
  it('says what melts into what first, and which way parts it', () => {
    const selection = demoSelection('bench-interview', 'a-cam');
    const { pairs, advice, patterns } = coloursOf(selection, book);
    expect(pairs[0]).toMatchObject({
      one: { name: 'Ola’s checked shirt' },
      other: { name: 'Brick wall' },
      parting: 'melts',
    });
    const distances = pairs.map(({ contrast }) => contrast.deltaE);
    expect([...distances].sort((a, b) => a - b)).toEqual(distances);
    // Two worn against a wall and two skins, the wall against two skins.
    expect(pairs).toHaveLength(2 * 3 + 2);
    expect(advice.find(({ thing }) => thing.id === 'shirt')?.gains).toBeGreaterThan(1);
    expect(patterns).toHaveLength(1);
  });

  it('is empty where it cannot be read', () => {
    for (const bad of [7, null, { things: 3 }, { things: [{ id: 'x', hex: 'red' }], leaves: 'none' }]) {
      expect(wardrobeOf({ wardrobe: bad }).things).toEqual([]);
      expect(dressed(bad).pairs).toEqual([]);
    }
  });
});
