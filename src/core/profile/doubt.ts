import { printStops } from '../units.ts';
import type { UncertaintyBand } from './types.ts';

/** How far an inferred curve may lie off at one place: half widths of its 95 % band. */
export type Doubt = { readonly signal: number; readonly stops: number };

/** The band at so many stops over grey; undefined where the curve is not inferred, and beyond the band's ends. */
export const doubtAt = (band: UncertaintyBand | undefined, at: number): Doubt | undefined => {
  if (!band) return undefined;
  const { stops, signal, stopsWide } = band;
  const after = stops.findIndex((s) => s >= at - 1e-6);
  if (after < 0 || (after === 0 && stops[0] > at + 1e-6)) return undefined;
  if (after === 0) return { signal: signal[0], stops: stopsWide[0] };
  const t = Math.min(1, (at - stops[after - 1]) / (stops[after] - stops[after - 1]));
  const between = (values: readonly number[]) => values[after - 1] + t * (values[after] - values[after - 1]);
  return { signal: between(signal), stops: between(stopsWide) };
};

/** Doubt under this is not worth a word, stops. */
export const TOLD_DOUBT = 0.02;

const TOLD_AT = [-4, -2, 0, 2, 4];

/** `curve inferred, uncertain by ±0.20 stop at −4, ±0.05 at −2`; undefined where it is not, or hardly. */
export const doubtSays = (band: UncertaintyBand | undefined): string | undefined => {
  const told = TOLD_AT.flatMap((at) => {
    const doubt = doubtAt(band, at);
    return doubt && doubt.stops >= TOLD_DOUBT ? [{ at, stops: doubt.stops }] : [];
  });
  if (told.length === 0) return undefined;
  const places = told.map(
    ({ at, stops }, i) => `±${stops.toFixed(2)}${i === 0 ? ' stop' : ''} at ${printStops(at)}`,
  );
  return `curve inferred, uncertain by ${places.join(', ')}`;
};
