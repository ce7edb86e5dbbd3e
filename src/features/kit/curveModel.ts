import { compileProfile, doubtAt, type ProfileData } from '#core/profile/index.ts';
import { SCALES, signalToCode, type Coding } from '#core/signal/scale.ts';

export const CURVE_STOPS = [-8, 8] as const;

/** A solved clip of 5.99 still counts as +6. */
const CLIP_SLACK = 0.05;

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

/** Where an inferred curve may lie, in % of signal. */
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

/** Whole stops for which the codes between one and the next are drawn. */
export const codeSteps = (
  data: ProfileData,
  coding: Coding,
): { readonly stops: number; readonly codes: number }[] => {
  const profile = compileProfile(data);
  const top = Math.min(CURVE_STOPS[1], Math.floor(profile.clipStops + CLIP_SLACK));
  return Array.from({ length: top - CURVE_STOPS[0] }, (_, i) => CURVE_STOPS[0] + i).map((stops) => ({
    stops,
    codes: signalToCode(profile.signalAt(stops + 1), coding) - signalToCode(profile.signalAt(stops), coding),
  }));
};

export type ReadingRow = {
  readonly stops: number;
  readonly percent: string;
  readonly fullCode: string;
  readonly code: string;
  /** Codes a stop, at the slope of this third. */
  readonly codes: string;
  /** Half width of the uncertainty in stops. */
  readonly doubt?: number;
};

/** What the profile reads at every third of a stop from the clip down to -6, on every scale. */
export const readingRows = (data: ProfileData, coding: Coding): ReadingRow[] => {
  const profile = compileProfile(data);
  const top = Math.floor(3 * (profile.clipStops + CLIP_SLACK));
  return Array.from({ length: top + 19 }, (_, i) => (top - i) / 3).map((stops) => {
    const signal = profile.signalAt(stops);
    const below = profile.signalAt(stops - 1 / 3);
    return {
      stops,
      percent: SCALES.signalPercent.fromSignal(signal).toFixed(1),
      fullCode: SCALES.fullCodePercent.fromSignal(signal, coding).toFixed(1),
      code: signalToCode(signal, coding).toFixed(0),
      codes: (3 * (signalToCode(signal, coding) - signalToCode(below, coding))).toFixed(0),
      doubt: doubtAt(data.band, stops)?.stops,
    };
  });
};
