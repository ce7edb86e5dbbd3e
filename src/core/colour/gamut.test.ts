import ColorSpace from 'colorjs.io/src/ColorSpace.js';
import 'colorjs.io/src/spaces/index.js';
import { describe, expect, it } from 'vitest';
import { LUMA } from '../signal/luma.ts';
import { GAMUT_IDS, gamutMatrix, GAMUTS, rgbToXyz } from './gamut.ts';
import { apply, IDENTITY, invert, multiply, type Triple } from './matrix.ts';

const library = { bt709: 'srgb-linear', p3d65: 'p3-linear', bt2020: 'rec2020-linear' } as const;
type Base = { toBase: (rgb: Triple) => number[] };

describe('gamuts', () => {
  it.each(GAMUT_IDS)('%s: white is the sum of the primaries, with Y = 1 (SMPTE RP 177)', (id) => {
    const { white } = GAMUTS[id];
    const [x, y, z] = apply(rgbToXyz(GAMUTS[id]), [1, 1, 1]);
    expect(y).toBeCloseTo(1, 12);
    expect(x / (x + y + z)).toBeCloseTo(white[0], 12);
    expect(y / (x + y + z)).toBeCloseTo(white[1], 12);
  });

  it('gives the luma weights of BT.709 and BT.2020 as its Y row', () => {
    expect(rgbToXyz(GAMUTS.bt709)[3]).toBeCloseTo(LUMA.bt709.kr, 4);
    expect(rgbToXyz(GAMUTS.bt709)[4]).toBeCloseTo(LUMA.bt709.kg, 4);
    expect(rgbToXyz(GAMUTS.bt2020)[3]).toBeCloseTo(LUMA.bt2020.kr, 4);
    expect(rgbToXyz(GAMUTS.bt2020)[5]).toBeCloseTo(LUMA.bt2020.kb, 4);
  });

  it.each(GAMUT_IDS)('%s: the matrix of colorjs.io', (id) => {
    const space = ColorSpace.get(library[id]) as unknown as Base;
    for (const rgb of [
      [1, 0, 0],
      [0, 1, 0],
      [0.2, 0.5, 0.9],
    ] as const) {
      apply(rgbToXyz(GAMUTS[id]), rgb).forEach((v, i) => expect(v).toBeCloseTo(space.toBase(rgb)[i], 4));
    }
  });

  // ITU-R BT.2087-0 clause 2: BT.709 to BT.2020, four digits.
  it('turns BT.709 into BT.2020 as BT.2087 prints it', () => {
    const printed = [0.6274, 0.3293, 0.0433, 0.0691, 0.9195, 0.0114, 0.0164, 0.088, 0.8956];
    gamutMatrix('bt709', 'bt2020').forEach((v, i) => expect(v).toBeCloseTo(printed[i], 4));
  });

  it('leaves neutrals neutral and comes back', () => {
    apply(gamutMatrix('bt2020', 'bt709'), [0.4, 0.4, 0.4]).forEach((v) => expect(v).toBeCloseTo(0.4, 12));
    multiply(gamutMatrix('bt2020', 'bt709'), gamutMatrix('bt709', 'bt2020')).forEach((v, i) =>
      expect(v).toBeCloseTo(IDENTITY[i], 12),
    );
    expect(gamutMatrix('bt709', 'bt709')).toBe(IDENTITY);
    expect(() => invert([1, 2, 3, 2, 4, 6, 0, 0, 1])).toThrow(/singular/);
  });
});
