import type { Profile } from '../profile/index.ts';

/** Schools of the compensation that is dialled where the camera exposes by its average. Common practice. */
export const COMPENSATIONS = {
  steepLog: {
    name: 'log with grey under 36 %',
    from: 5 / 3,
    to: 2,
    why: 'its average would leave faces in the noise',
  },
  wideLog: {
    name: 'log with grey from 36 % up',
    from: 2 / 3,
    to: 4 / 3,
    why: 'cleans the shadows of 8 bit, and clip is far away',
  },
  small: {
    name: 'small bodies that expose too bright',
    from: -2 / 3,
    to: -1 / 3,
    why: 'their average clips skies: first find the bias of the body',
  },
} as const satisfies Record<
  string,
  { readonly name: string; readonly from: number; readonly to: number; readonly why: string }
>;
export type CompensationId = keyof typeof COMPENSATIONS;
export const COMPENSATION_IDS = Object.keys(COMPENSATIONS) as CompensationId[];

/** Grey under this signal makes a log of the steeper kind. */
const LOW_GREY = 0.36;

/** The school that is for a profile; undefined for one that is no log. */
export const compensationFor = (
  profile: Pick<Profile, 'signalAt'>,
  isLog: boolean,
): CompensationId | undefined => {
  if (!isLog) return undefined;
  return profile.signalAt(0) < LOW_GREY ? 'steepLog' : 'wideLog';
};

/** The middle of that school, stops; 0 without one. */
export const usualCompensation = (profile: Pick<Profile, 'signalAt'>, isLog: boolean): number => {
  const id = compensationFor(profile, isLog);
  return id === undefined ? 0 : (COMPENSATIONS[id].from + COMPENSATIONS[id].to) / 2;
};
