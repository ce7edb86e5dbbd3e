import { failure, success, type Result } from '../result.ts';
import { adaptation } from './adaptation.ts';
import { xyToXyz, type Chromaticity } from './chromaticity.ts';
import { apply, IDENTITY, invert, multiply, type Matrix3 } from '../maths/matrix.ts';

export type Gamut = {
  readonly name: string;
  readonly red: Chromaticity;
  readonly green: Chromaticity;
  readonly blue: Chromaticity;
  readonly white: Chromaticity;
};
type StandardGamut = Gamut & { readonly source: string };

// CIE standard illuminant D65 as the BT. recommendations write it.
const D65: Chromaticity = [0.3127, 0.329];
const ACES_WHITE: Chromaticity = [0.32168, 0.33767];

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
  acesAp0: {
    name: 'ACES AP0',
    red: [0.7347, 0.2653],
    green: [0, 1],
    blue: [0.0001, -0.077],
    white: ACES_WHITE,
    source: 'SMPTE ST 2065-1, table 1',
  },
  acesAp1: {
    name: 'ACES AP1',
    red: [0.713, 0.293],
    green: [0.165, 0.83],
    blue: [0.128, 0.044],
    white: ACES_WHITE,
    source: 'ACES S-2014-004, clause 4.2',
  },
} as const satisfies Record<string, StandardGamut>;

export type GamutId = keyof typeof GAMUTS;
export const GAMUT_IDS = Object.keys(GAMUTS) as GamutId[];

/** Nobody has said what the camera's R, G and B are: no matrix is applied, and whoever shows its colours says so. */
export const UNKNOWN_GAMUT = 'unknown';

/** A standard by its id, primaries and white of a camera's own, or unknown. */
export type GamutSpec = GamutId | Gamut | typeof UNKNOWN_GAMUT;

// Luminance and casts still need primaries: those of BT.709 stand in. Near grey they differ little; a neutral is exact.
const STAND_IN: Gamut = { ...GAMUTS.bt709, name: 'unknown' };

export const gamutOf = (spec: GamutSpec): Gamut => {
  if (spec === UNKNOWN_GAMUT) return STAND_IN;
  return typeof spec === 'string' ? GAMUTS[spec] : spec;
};

/** Twice the area of a triangle of chromaticities, positive when it runs red, green, blue as it should. */
const area = ([ax, ay]: Chromaticity, [bx, by]: Chromaticity, [cx, cy]: Chromaticity): number =>
  (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);

/** Typed primaries and white, checked: finite, a triangle that runs red, green, blue, the white inside it. */
export const ownGamut = (gamut: Gamut): Result<Gamut> => {
  const { red, green, blue, white } = gamut;
  for (const [name, xy] of Object.entries({ red, green, blue, white })) {
    if (!xy.every((v) => Number.isFinite(v) && v >= -1 && v <= 2))
      return failure(name, `Type x and y for ${name}, such as 0.64 0.33.`);
  }
  if (!(white[1] > 0)) return failure('white', 'The white’s y must be above 0, such as 0.329.');
  if (!(area(red, green, blue) > 1e-4))
    return failure(
      'primaries',
      'The primaries make no triangle from red over green to blue: check their order.',
    );
  const inside = [area(white, red, green), area(white, green, blue), area(white, blue, red)];
  return inside.every((a) => a > 0)
    ? success(gamut)
    : failure('white', 'The white lies outside the primaries: check its x and y.');
};

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
  const [r, g, b] = apply(invert(primaries), xyToXyz(white));
  return multiply(primaries, [r, 0, 0, 0, g, 0, 0, 0, b]);
};

/**
 * Linear RGB of one gamut to linear RGB of another, white to white (Bradford where the whites differ). Where either is
 * unknown the matrix is left out.
 */
export const gamutMatrix = (from: GamutSpec, to: GamutSpec): Matrix3 => {
  if (from === to || from === UNKNOWN_GAMUT || to === UNKNOWN_GAMUT) return IDENTITY;
  const [source, target] = [gamutOf(from), gamutOf(to)];
  const adapted = multiply(adaptation(source.white, target.white), rgbToXyz(source));
  return multiply(invert(rgbToXyz(target)), adapted);
};
