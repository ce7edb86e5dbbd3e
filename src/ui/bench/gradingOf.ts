import { gradingMinutes } from '#core/day/media.ts';
import { kindOf } from '#core/profile/index.ts';
import type { BookRecords } from '#store/book.ts';
import { planId } from '#store/records/plan.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { camerasOf } from '#store/selection.ts';

/** Minutes of correction that a set-up takes; 0 where it is not graded. @param clips Those there are, or are planned */
export const gradingOf = (records: BookRecords, setup: SetupRecord, clips = setup.brief.clips): number => {
  if (!setup.brief.graded) return 0;
  const cameras = camerasOf(records, setup);
  const [first] = cameras;
  const profile =
    first &&
    records.profiles.get(records.plans.get(planId(setup.id, first.id))?.profileId ?? first.profileIds[0]);
  const kind = profile ? kindOf(profile.data) : 'finished';
  const graded = kind === 'log' || kind === 'finished' ? kind : 'flat';
  return gradingMinutes(graded, clips, cameras.length, setup.brief.minutesPerClip);
};

/** `45 min`, `1 h 20`. */
export const printMinutes = (minutes: number): string => {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${whole % 60}`;
};
