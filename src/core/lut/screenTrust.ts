import type { Profile } from '../profile/index.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { stopsShownAt } from './greyAxis.ts';

// What a screen can show in the light it stands in, and so what may be judged by eye on it. A screen's light is
// peak · signal^2.4 (ITU-R BT.1886 with black at 0); light that falls on it adds a veil E ρ/π.

/** Share of the light that a matt screen throws back: usual screens 1 to 4 %. Common practice, from memory. */
const REFLECTS = 0.02;

/** Light that falls on the screen, lux: rough figures of such places. Common practice, from memory. */
export const SURROUNDS = {
  dark: { name: 'a dark tent', lux: 5 },
  dim: { name: 'a dim room', lux: 50 },
  lit: { name: 'a lit room', lux: 300 },
  cloud: { name: 'outside, cloud or shade', lux: 5000 },
  sun: { name: 'outside, sun on the screen', lux: 60_000 },
} as const;
export type SurroundId = keyof typeof SURROUNDS;
export const SURROUND_IDS = Object.keys(SURROUNDS) as SurroundId[];

/** cd/m2 that the surround adds to every tone. */
export const veilOf = (surround: SurroundId): number => (SURROUNDS[surround].lux * REFLECTS) / Math.PI;

/** Light of a signal on a screen, cd/m2, without what falls on it. */
export const screenLight = (signal: number, peak: number): number =>
  peak * TRANSFERS.bt1886.decode(Math.max(0, signal));

/** Signal whose own light is as much as the veil: what lies under it drowns. Held to 1. */
export const drownedUnder = (surround: SurroundId, peak: number): number =>
  Math.min(1, TRANSFERS.bt1886.encode(veilOf(surround) / peak));

/** Stops from the veil to the peak: log2((peak + veil)/veil). */
export const stopsOfScreen = (surround: SurroundId, peak: number): number => {
  const veil = veilOf(surround);
  return Math.log2((peak + veil) / veil);
};

/** What was seen of the test picture: the darkest step on black, the brightest on white; signals. */
export type Seen = { readonly dark?: number; readonly bright?: number };

export type Trust = {
  /** Stops over grey in the recording; what is seen lies between. */
  readonly from: number;
  readonly to: number;
  /** Whether the surround or what was seen sets the lower end. */
  readonly by: 'surround' | 'seen';
};

/**
 * The span of the recording that can be judged by eye on a screen: between what drowns and what can no longer be told
 * from white.
 * @param neutral recorded signal to the screen's
 */
export const trustOf = (
  profile: Profile,
  neutral: (signal: number) => number,
  { surround, peak, seen }: { readonly surround: SurroundId; readonly peak: number; readonly seen: Seen },
): Trust => {
  const drowned = drownedUnder(surround, peak);
  const isSeen = seen.dark !== undefined && seen.dark > drowned;
  const low = isSeen ? (seen.dark ?? drowned) : drowned;
  return {
    from: stopsShownAt(profile, neutral, low),
    to: stopsShownAt(profile, neutral, seen.bright ?? 1),
    by: isSeen ? 'seen' : 'surround',
  };
};

/** How much brighter a screen shows a patch than it should, stops. @param measured cd/m2 */
export const screenOffset = (measured: number, signal: number, peak: number): number =>
  Math.log2(measured / screenLight(signal, peak));
