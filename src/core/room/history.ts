import type { Drift } from './drift.ts';

/** Minutes that are kept of an input: half a day. */
export const KEPT_MINUTES = 720;

/** A minute of an input: its drift as it stood last, and how many pictures it had. */
export type Minute = { readonly at: number; readonly drift: Drift; readonly pictures: number };

/** Minutes of an evening, the latest half day of them: it does not grow. */
export const createHistory = () => {
  let minutes: Minute[] = [];
  return {
    /** The drift as it stands, once a picture. @param at Seconds, rising */
    take: (at: number, drift: Drift): void => {
      const minute = Math.floor(at / 60);
      if (minute < (minutes.at(-1)?.at ?? minute)) minutes = [];
      const last = minutes.at(-1);
      if (last?.at === minute)
        minutes[minutes.length - 1] = { at: minute, drift, pictures: last.pictures + 1 };
      else minutes = [...minutes, { at: minute, drift, pictures: 1 }].slice(-KEPT_MINUTES);
    },
    /** A copy: what is shown does not change by itself. */
    minutes: (): readonly Minute[] => [...minutes],
  };
};
