import { describe, expect, it } from 'vitest';
import { underWater, WATER_ABSORPTION, waterLoss, waterTransmission, type Wavelength } from './water.ts';

describe('water', () => {
  // Pope & Fry 1997: absorption per metre; transmission over 10 m worked out by hand.
  it.each([
    [440, 0.9385],
    [550, 0.5684],
    [600, 0.1082],
    [650, 0.0334],
    [700, 0.00195],
  ] as const)('%i nm: %f left after 10 m', (nm, share) => {
    expect(waterTransmission(nm, 10)).toBeCloseTo(share, 3);
  });

  it('is a filter that multiplies with distance, red first', () => {
    for (const nm of Object.keys(WATER_ABSORPTION).map(Number) as Wavelength[])
      expect(waterTransmission(nm, 6)).toBeCloseTo(waterTransmission(nm, 2) ** 3, 12);
    expect(waterLoss('red', 5)).toBeGreaterThan(waterLoss('green', 5));
    expect(waterLoss('green', 5)).toBeGreaterThan(waterLoss('blue', 5));
    expect(waterLoss('red', 0)).toBeCloseTo(0, 12);
  });

  it('says where red of a card goes under the floor', () => {
    const shallow = underWater(8, 1, -4);
    expect(shallow.path).toBe(9);
    expect(shallow.redUnderGreen).toBeCloseTo((0.2224 - 0.0565) * 9 * Math.LOG2E, 9);
    expect(shallow.redGone).toBe(false);
    // At 24 m no red is left (common saying): a card's red is then 5.7 stops under its green, under a floor at -4.
    expect(underWater(24, 1, -4).redGone).toBe(true);
    const { redGoneAt } = underWater(10, 1, -4);
    expect(underWater(redGoneAt - 0.01, 1, -4).redGone).toBe(false);
    expect(underWater(redGoneAt + 0.01, 1, -4).redGone).toBe(true);
    expect(() => underWater(-1, 0, -4)).toThrow(RangeError);
  });
});
