import ColorSpace from 'colorjs.io/src/ColorSpace.js';
import adapt, { WHITES } from 'colorjs.io/src/adapt.js';
import 'colorjs.io/src/spaces/index.js';
import { describe, expect, it } from 'vitest';
import { LUMA } from '../signal/luma.ts';
import { adaptation } from './adaptation.ts';
import { xyToXyz } from './chromaticity.ts';
import { GAMUT_IDS, gamutMatrix, GAMUTS, ownGamut, rgbToXyz } from './gamut.ts';
import { apply, IDENTITY, invert, multiply, type Triple } from '../maths/matrix.ts';

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

  it.each(Object.keys(library) as (keyof typeof library)[])('%s: the matrix of colorjs.io', (id) => {
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

describe('ACES gamuts', () => {
  // SMPTE ST 2065-1 and ACES S-2014-004, the matrices to XYZ as they print them.
  it.each([
    [
      'acesAp0',
      [0.9525523959, 0, 0.0000936786, 0.3439664498, 0.7281660966, -0.0721325464, 0, 0, 1.0088251844],
    ],
    [
      'acesAp1',
      [
        0.6624541811, 0.1340042065, 0.156187687, 0.2722287168, 0.6740817658, 0.0536895174, -0.0055746495,
        0.0040607335, 1.0103391003,
      ],
    ],
  ] as const)('%s to XYZ', (id, printed) => {
    rgbToXyz(GAMUTS[id]).forEach((v, i) => expect(v).toBeCloseTo(printed[i], 8));
  });

  it('turns AP1 into BT.709 white to white, as colorjs.io does', () => {
    const toXyz = ColorSpace.get('acescg') as unknown as { to: (space: string, rgb: number[]) => number[] };
    for (const rgb of [
      [1, 1, 1],
      [0.3, 0.5, 0.1],
    ] as const) {
      const theirs = toXyz.to('srgb-linear', [...rgb]);
      apply(gamutMatrix('acesAp1', 'bt709'), rgb).forEach((v, i) => expect(v).toBeCloseTo(theirs[i], 3));
    }
  });
});

describe('adaptation', () => {
  it('takes one white to the other, and D65 to D50 by the matrix of colorjs.io', () => {
    const d50 = [0.3457, 0.3585] as const;
    const d65 = [0.3127, 0.329] as const;
    const matrix = adaptation(d65, d50);
    apply(matrix, xyToXyz(d65)).forEach((v, i) => expect(v).toBeCloseTo(xyToXyz(d50)[i], 12));
    const theirs = adapt(WHITES.D65, WHITES.D50, [0.3, 0.4, 0.2]);
    apply(matrix, [0.3, 0.4, 0.2]).forEach((v, i) => expect(v).toBeCloseTo(theirs[i], 4));
  });
});

describe('typed primaries', () => {
  const bt709 = { ...GAMUTS.bt709, name: 'Cart cam' };
  it('that are those of a standard give its matrix', () => {
    expect(ownGamut(bt709)).toMatchObject({ ok: true });
    rgbToXyz(bt709).forEach((v, i) => expect(v).toBe(rgbToXyz(GAMUTS.bt709)[i]));
  });
  it.each([
    [{ red: [Number.NaN, 0.3] as const }, 'red', /Type x and y for red/],
    [{ white: [0.9, 0.05] as const }, 'white', /outside the primaries/],
    [{ white: [0.3, 0] as const }, 'white', /above 0/],
    [{ red: bt709.green, green: bt709.red }, 'primaries', /check their order/],
  ])('%j get one sentence', (part, where, reason) => {
    const result = ownGamut({ ...bt709, ...part });
    expect(result).toMatchObject({ ok: false, where });
    expect(!result.ok && result.reason).toMatch(reason);
  });
});
