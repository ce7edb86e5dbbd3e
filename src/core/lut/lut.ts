import type { Triple } from '../maths/matrix.ts';
import { tetrahedral, trilinear, type Lattice } from './lattice.ts';

/** Input values of the first and the last point, a channel each. */
export type Domain = { readonly min: Triple; readonly max: Triple };

export const UNIT_DOMAIN: Domain = { min: [0, 0, 0], max: [1, 1, 1] };

/** A LUT as a file holds it. */
export type Lut =
  | { readonly kind: 'cube'; readonly domain: Domain; readonly lattice: Lattice }
  | {
      readonly kind: 'curves';
      readonly domain: Domain;
      /** Output at evenly spread inputs, a curve for each channel. */
      readonly curves: readonly [Float32Array, Float32Array, Float32Array];
    };

/** How values between points of a cube are found. */
export const INTERPOLATIONS = {
  tetrahedral: {
    name: 'tetrahedral',
    says: 'Between four points of a cell: keeps the grey axis on its own points',
    read: tetrahedral,
  },
  trilinear: {
    name: 'trilinear',
    says: 'Between all eight points of a cell: what simple boxes and monitors do',
    read: trilinear,
  },
} as const satisfies Record<
  string,
  { readonly name: string; readonly says: string; readonly read: (lattice: Lattice, rgb: Triple) => Triple }
>;

export type InterpolationId = keyof typeof INTERPOLATIONS;

const between = (curve: Float32Array, v: number): number => {
  const last = curve.length - 1;
  const place = Math.min(1, Math.max(0, v)) * last;
  const low = Math.min(last - 1, Math.floor(place));
  return curve[low] + (place - low) * (curve[low + 1] - curve[low]);
};

/** The function a LUT is: input held to its domain, output not held; curves are read in straight lines. */
export const compileLut = (
  lut: Lut,
  interpolation: InterpolationId = 'tetrahedral',
): ((rgb: Triple) => Triple) => {
  const { min, max } = lut.domain;
  const span = min.map((low, c) => max[c] - low);
  const place = (rgb: Triple): Triple => [
    (rgb[0] - min[0]) / span[0],
    (rgb[1] - min[1]) / span[1],
    (rgb[2] - min[2]) / span[2],
  ];
  if (lut.kind === 'cube') {
    const { read } = INTERPOLATIONS[interpolation];
    return (rgb) => read(lut.lattice, place(rgb));
  }
  const [red, green, blue] = lut.curves;
  return (rgb) => {
    const [r, g, b] = place(rgb);
    return [between(red, r), between(green, g), between(blue, b)];
  };
};
