import { compileProfile, type ProfileData } from '#core/profile/index.ts';
import { SCALES, signalToCode, type Coding } from '#core/signal/scale.ts';

export const CURVE_STOPS = [-8, 8] as const;

export type CurvePoint = { readonly stops: number; readonly percent: number };

/** A profile as a line: % of signal at every tenth of a stop, ending at its clip. */
export const curvePoints = (data: ProfileData): CurvePoint[] => {
  const profile = compileProfile(data);
  const end = Math.min(CURVE_STOPS[1], profile.clipStops);
  const count = Math.floor((end - CURVE_STOPS[0]) * 10 + 1e-9) + 1;
  const points = Array.from({ length: count }, (_, i) => CURVE_STOPS[0] + i / 10);
  return [...points, end].map((stops) => ({ stops, percent: 100 * profile.signalAt(stops) }));
};

export type BandPoint = { readonly stops: number; readonly low: number; readonly high: number };

/** Where an inferred curve may lie, two standard deviations either side, in % of signal. */
export const bandPoints = (data: ProfileData): BandPoint[] => {
  if (!data.band) return [];
  const profile = compileProfile(data);
  return data.band.stops.flatMap((stops, i) => {
    if (stops > profile.clipStops) return [];
    const percent = 100 * profile.signalAt(stops);
    const half = 100 * (data.band?.signal[i] ?? 0);
    return [{ stops, low: percent - half, high: percent + half }];
  });
};

export type ReadingRow = {
  readonly stops: number;
  readonly percent: string;
  readonly fullCode: string;
  readonly code: string;
  /** Codes between this stop and the one below. */
  readonly codes: string;
  /** Half width of the uncertainty in stops. */
  readonly doubt?: number;
};

/** What the profile reads at every stop from the clip down to -6, on every scale. */
export const readingRows = (data: ProfileData, coding: Coding): ReadingRow[] => {
  const profile = compileProfile(data);
  const top = Math.floor(profile.clipStops + 1e-9);
  return Array.from({ length: top + 7 }, (_, i) => top - i).map((stops) => {
    const signal = profile.signalAt(stops);
    const band = data.band?.stops.findIndex((s) => Math.abs(s - stops) < 1e-6) ?? -1;
    return {
      stops,
      percent: SCALES.signalPercent.fromSignal(signal).toFixed(1),
      fullCode: SCALES.fullCodePercent.fromSignal(signal, coding).toFixed(1),
      code: signalToCode(signal, coding).toFixed(0),
      codes: (signalToCode(signal, coding) - signalToCode(profile.signalAt(stops - 1), coding)).toFixed(0),
      doubt: band < 0 ? undefined : data.band?.stopsWide[band],
    };
  });
};
