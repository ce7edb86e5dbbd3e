import { apply, IDENTITY, invert, multiply, type Matrix3 } from './matrix.ts';

/** CIE 1931 xy. */
export type Chromaticity = readonly [x: number, y: number];
export type Gamut = {
  readonly name: string;
  readonly red: Chromaticity;
  readonly green: Chromaticity;
  readonly blue: Chromaticity;
  readonly white: Chromaticity;
  readonly source: string;
};

// CIE standard illuminant D65 as the BT. recommendations write it.
const D65: Chromaticity = [0.3127, 0.329];

export const GAMUTS = {
  bt709: {
    name: 'BT.709',
    red: [0.64, 0.33],
    green: [0.3, 0.6],
    blue: [0.15, 0.06],
    white: D65,
    source: 'ITU-R BT.709-6, table 1.3',
  },
  p3d65: {
    name: 'P3-D65',
    red: [0.68, 0.32],
    green: [0.265, 0.69],
    blue: [0.15, 0.06],
    white: D65,
    source: 'SMPTE EG 432-1',
  },
  bt2020: {
    name: 'BT.2020',
    red: [0.708, 0.292],
    green: [0.17, 0.797],
    blue: [0.131, 0.046],
    white: D65,
    source: 'ITU-R BT.2020-2, table 3',
  },
} as const satisfies Record<string, Gamut>;

export type GamutId = keyof typeof GAMUTS;
export const GAMUT_IDS = Object.keys(GAMUTS) as GamutId[];

/** Linear RGB to XYZ with Y = 1 for white (SMPTE RP 177-1993, clause 3.3). */
export const rgbToXyz = ({ red, green, blue, white }: Gamut): Matrix3 => {
  const z = ([x, y]: Chromaticity) => 1 - x - y;
  const primaries: Matrix3 = [
    red[0],
    green[0],
    blue[0],
    red[1],
    green[1],
    blue[1],
    z(red),
    z(green),
    z(blue),
  ];
  const whiteXyz = [white[0] / white[1], 1, z(white) / white[1]] as const;
  const [r, g, b] = apply(invert(primaries), whiteXyz);
  return multiply(primaries, [r, 0, 0, 0, g, 0, 0, 0, b]);
};

/** Linear RGB of one gamut to linear RGB of another; both must share their white (no adaptation here). */
export const gamutMatrix = (from: GamutId, to: GamutId): Matrix3 =>
  from === to ? IDENTITY : multiply(invert(rgbToXyz(GAMUTS[to])), rgbToXyz(GAMUTS[from]));
