import type { ScopeScale } from '#core/scopes/scopeList.ts';
import { codeToSignal, maxCode, signalToCode, type Coding } from '#core/signal/scale.ts';
import type { Profile } from '#core/profile/index.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { words } from '#ui/wording/judgeScopes.ts';

export type ScopeAxis = {
  readonly name: string;
  readonly range: readonly [number, number];
  readonly ticks: readonly number[];
  readonly print: (v: number) => string;
  /** A reading with its unit. */
  readonly read: (v: number) => string;
  /** A tone so many stops over grey on this axis. */
  readonly ofStops: (stops: number) => number;
};

const every = (from: number, to: number, step: number): number[] =>
  Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step);

/** The axis of a scale for a coding and a profile. */
export const scopeAxis = (scale: ScopeScale, coding: Coding, profile: Profile): ScopeAxis => {
  const top = maxCode(coding.bitDepth);
  const quarter = (top + 1) / 8;
  const axes: { readonly [K in ScopeScale]: () => ScopeAxis } = {
    stops: () => ({
      name: words.stopsFromGrey,
      range: [-8.6, 7],
      ticks: every(-8, 6, 2),
      print: (v) => printStops(v),
      read: (v) => `${printStopsDecimal(v)} stops`,
      ofStops: (stops) => stops,
    }),
    percent: () => ({
      name: words.ofSignal,
      range: [-8, 110],
      ticks: every(0, 100, 20),
      print: (v) => `${v}`,
      read: (v) => `${v.toFixed(1)} % of signal, ${printStopsDecimal(profile.stopsAt(v / 100))}`,
      ofStops: (stops) => 100 * profile.signalAt(stops),
    }),
    code: () => ({
      name: `${coding.bitDepth}-bit code`,
      range: [0, top],
      ticks: every(0, top + 1, quarter).map((v) => Math.min(top, v)),
      print: (v) => `${v}`,
      read: (v) => `code ${Math.round(v)}, ${printStopsDecimal(profile.stopsAt(codeToSignal(v, coding)))}`,
      ofStops: (stops) => signalToCode(profile.signalAt(stops), coding),
    }),
  };
  return axes[scale]();
};
