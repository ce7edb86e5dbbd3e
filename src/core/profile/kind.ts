import type { ProfileData } from './types.ts';

/** log: much room, needs grading. flat: between. hlg: a log-like picture that HDR screens show. finished: a picture. */
export type ProfileKind = 'log' | 'flat' | 'hlg' | 'finished';

/** Stops over grey up to which a picture counts as finished, and from which on as log. Our own choice. */
const FINISHED_ROOM = 3.6;
const LOG_ROOM = 5;

export const kindOf = ({ curve, clipStops }: Pick<ProfileData, 'curve' | 'clipStops'>): ProfileKind => {
  if (curve.kind === 'standard' && curve.transfer === 'hlg') return 'hlg';
  if (clipStops <= FINISHED_ROOM) return 'finished';
  return clipStops >= LOG_ROOM ? 'log' : 'flat';
};
