import type { Triple } from '../maths/matrix.ts';
import type { LumaWeights } from './luma.ts';

/** The +I axis in the plane of U and V, degrees; nearly all skin lies near it. */
export const SKIN_UV = 123;

// U and V are B' - Y' and R' - Y' scaled by 0.492 and 0.877, as they were defined for composite video.
export const U_SCALE = 0.492;
export const V_SCALE = 0.877;

/** Hue of a picture's R'G'B' in that plane, degrees, and its distance from neutral. */
export const uvPolar = (
  [r, g, b]: Triple,
  { kr, kg, kb }: LumaWeights,
): { readonly hue: number; readonly chroma: number } => {
  const luma = kr * r + kg * g + kb * b;
  const [u, v] = [U_SCALE * (b - luma), V_SCALE * (r - luma)];
  return { hue: (Math.atan2(v, u) * 180) / Math.PI, chroma: Math.hypot(u, v) };
};
