import { describe, expect, it } from 'vitest';
import { exactFNumber } from '#core/exposure/aperture.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { besides, otherCardOf, switched } from '#store/records/otherCard.ts';
import { cardFor } from './twoCards.ts';

const sets = [...demoBook().ndSets.values()];
const { plan, camera } = demoSelection('packing-yard', 'b-cam');
const NAMES = { own: 'sun', name: 'cloud' };

describe('the second card of a set-up', () => {
  it('gives the stops that the light falls by: ND comes off first, then the iris opens', () => {
    for (const falls of [0, 1, 2, 3, 5, 8]) {
      const { card, left } = cardFor(plan, camera, sets, NAMES, { falls, kelvin: 6500 });
      const given =
        plan.ndStops - card.ndStops + 2 * Math.log2(exactFNumber(plan.iris) / exactFNumber(card.iris));
      expect(Math.abs(given + left - falls)).toBeLessThan(0.2);
      expect([card.iso, card.shutter, card.placement]).toEqual([plan.iso, plan.shutter, plan.placement]);
      if (falls <= plan.ndStops - 1) expect(card.iris).toBe(plan.iris);
      expect(card.kelvin).toBe(6500);
    }
    // More than the glass and the lens can give is said.
    expect(cardFor(plan, camera, [], NAMES, { falls: 20, kelvin: 6500 }).left).toBeGreaterThan(5);
  });

  it('keeps glass that was chosen', () => {
    const [one] = sets;
    const own = { ...plan, ndSetId: one.id };
    const without = cardFor(
      own,
      camera,
      sets.filter(({ id }) => id !== one.id),
      NAMES,
      { falls: 2, kelvin: 6500 },
    );
    expect([0, plan.ndStops]).toContain(without.card.ndStops);
  });

  it('is dialled in and back again with nothing lost', () => {
    const { card } = cardFor(plan, camera, sets, NAMES, { falls: 2, kelvin: 6500 });
    const sunny = { ...plan, other: card };
    const cloudy = { ...sunny, ...switched(sunny)! };
    expect(cloudy.kelvin).toBe(6500);
    expect(otherCardOf(cloudy)).toEqual(besides({ name: 'sun', own: 'cloud' }, plan));
    expect({ ...cloudy, ...switched(cloudy)! }).toEqual(sunny);
  });

  it('that cannot be read is none', () => {
    for (const other of [undefined, 'cloud', { ...plan, name: '', own: 'sun' }, { name: 'a', own: 'b' }])
      expect(switched({ ...plan, other: other as never })).toBeUndefined();
  });
});
