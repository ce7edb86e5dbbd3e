import type { MatchedPatch, MatchKind } from './patches.ts';

/** What two cuts look like beside each other. */
export type MatchVerdict = 'together' | 'seen' | 'jars';

/** Up to where a match holds. ΔE is CIEDE2000 of skin and neutral, stops are what is left of the exposure. */
export type MatchLimits = {
  readonly together: { readonly deltaE: number; readonly stops: number };
  readonly seen: { readonly deltaE: number; readonly stops: number };
};

/**
 * Cuts together: about twice a just noticeable difference of CIEDE2000, and half a third of a stop. Seen only when
 * compared: up to 5 and a third of a stop. Our own, after common practice; the user can move them.
 */
export const MATCH_LIMITS: MatchLimits = {
  together: { deltaE: 2, stops: 1 / 6 },
  seen: { deltaE: 5, stops: 1 / 3 },
};

/** Kinds that a viewer sees first. */
const FIRST: readonly MatchKind[] = ['skin', 'card', 'neutral', 'white'];

export type MatchFigures = { readonly deltaE: number; readonly stops: number };

/** What is left of a patch once noise is taken off, as of errors that add by their squares. */
export const withoutNoise = ({ after, noise }: Pick<MatchedPatch, 'after' | 'noise'>): number =>
  Math.sqrt(Math.max(0, after * after - noise * noise));

/** How far off the worst of some kinds is, noise taken off; undefined where none was marked. */
export const worstOf = (
  patches: readonly MatchedPatch[],
  kinds: readonly MatchKind[],
): number | undefined => {
  const own = patches.filter(({ kind }) => kinds.includes(kind));
  return own.length === 0 ? undefined : Math.max(...own.map(withoutNoise));
};

/** How far off what a viewer sees first is: the worst of skin and neutral, or of all where neither was marked. */
export const worstSeen = (patches: readonly MatchedPatch[]): number =>
  worstOf(patches, FIRST) ?? Math.max(0, ...patches.map(withoutNoise));

/** Whether two pictures cut together. */
export const matchVerdict = ({ deltaE, stops }: MatchFigures, limits = MATCH_LIMITS): MatchVerdict => {
  const holds = (limit: MatchLimits['seen']) => deltaE <= limit.deltaE && Math.abs(stops) <= limit.stops;
  return holds(limits.together) ? 'together' : holds(limits.seen) ? 'seen' : 'jars';
};
