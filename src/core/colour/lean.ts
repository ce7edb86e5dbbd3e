import type { Temperature } from './temperature.ts';

/** One point of tint as Candelum counts it: a thousandth of Duv. Cameras' own tint steps differ. */
export const TINT_STEP = 0.001;

/** How a body leans, as it is kept: mired warm +, tint in points, green +. */
export type Lean = { readonly mired: number; readonly tint: number };

/** The light a body with this lean renders neutral when it is dialled so: the other way round. K. */
export const neutralOf = (dial: number, leanMired: number): number => 1e6 / (1e6 / dial - leanMired);

/**
 * The Kelvin to dial so that a leaning body renders `kelvin` neutral, rounded to its step: a warm body is told that the
 * light is warmer.
 */
export const dialFor = (kelvin: number, leanMired: number, step: number): number =>
  Math.round(1e6 / (1e6 / kelvin + leanMired) / step) * step;

/** What stands on a body's dial: Kelvin, and tint in points; + turns the picture green. */
export type Dial = { readonly kelvin: number; readonly tint: number };

/** The light that comes out neutral on a body dialled so. */
export const balancedLight = ({ kelvin, tint }: Dial, lean: Lean = { mired: 0, tint: 0 }): Temperature => ({
  kelvin: neutralOf(kelvin, lean.mired),
  duv: -TINT_STEP * (tint + lean.tint),
});
