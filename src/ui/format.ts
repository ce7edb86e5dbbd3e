import { printDensity } from '#core/exposure/nd.ts';
import { printStops } from '#core/units.ts';

/** U+2009, between a number and its unit. */
export const THIN = '\u2009';

export const printKelvin = (kelvin: number): string => `${kelvin}${THIN}K`;

/** Behind the Kelvin number, where it is not neutral: ` +2`. */
export const printTint = (tint: number): string =>
  tint === 0 ? '' : ` ${tint > 0 ? '+' : '−'}${Math.abs(tint)}`;

export const printNd = (ndStops: number): string => (ndStops === 0 ? 'none' : printDensity(ndStops));

/** The pull of the monitoring LUT: `pull −1`, `push +1/3`, `none`. */
export const printPull = (pullStops: number): string =>
  Math.abs(pullStops) < 1 / 6
    ? 'no pull'
    : pullStops > 0
      ? `pull ${printStops(-pullStops)}`
      : `push ${printStops(-pullStops)}`;

/** Three figures are as much as light needs: `0.50`, `312`, `1230`, `98 000`. */
export const printLight = (value: number): string => {
  if (value < 10) return value.toPrecision(2);
  const rounded = Number(value.toPrecision(3)).toFixed(0);
  return rounded.length > 4 ? rounded.replace(/\B(?=(\d{3})+$)/g, THIN) : rounded;
};

/** What the grade does with a placement: its pull, or nothing. */
export const inPost = (placement: number): string =>
  printPull(placement) === 'no pull' ? 'as is' : printPull(placement);

/** How a camera records: `10-bit 4:2:2`. */
export const printDepth = ({
  coding,
  chroma,
}: {
  readonly coding: { readonly bitDepth: number };
  readonly chroma: string;
}): string => `${coding.bitDepth}-bit ${chroma}`;
