import { ownGamut, type Gamut } from '#core/colour/gamut.ts';
import { failure, type Result } from '#core/result.ts';
import { parseNumber } from '#core/units.ts';

export const CORNERS = ['red', 'green', 'blue', 'white'] as const;
type Corner = (typeof CORNERS)[number];

/** Primaries and white as typed: x and y, apart by a space. */
export type GamutTexts = { readonly [K in Corner]: string };

export const gamutTexts = (gamut: Gamut): GamutTexts => ({
  red: gamut.red.join(' '),
  green: gamut.green.join(' '),
  blue: gamut.blue.join(' '),
  white: gamut.white.join(' '),
});

/** The gamut the texts spell, or which corner is wrong. */
export const readGamut = (texts: GamutTexts, name: string): Result<Gamut> => {
  const corners: Partial<Record<Corner, readonly [number, number]>> = {};
  for (const corner of CORNERS) {
    const numbers = texts[corner]
      .trim()
      .split(/[\s;/]+/)
      .map(parseNumber);
    if (numbers.length !== 2 || !numbers.every(Number.isFinite))
      return failure(corner, `Type x and y for ${corner}, such as 0.64 0.33.`);
    corners[corner] = [numbers[0], numbers[1]];
  }
  return ownGamut({ name, ...(corners as Record<Corner, readonly [number, number]>) });
};
