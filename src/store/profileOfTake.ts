import { dequal } from 'dequal';
import type { BookRecords } from './mirror.ts';
import type { ProfileRecord } from './records/profile.ts';
import type { TakeRecord } from './records/take.ts';

/** The profile of the kit that a take was shot with; undefined where it is gone, or reads otherwise by now. */
export const profileOfTake = (
  { profiles }: Pick<BookRecords, 'profiles'>,
  { card }: Pick<TakeRecord, 'card'>,
): ProfileRecord | undefined =>
  [...profiles.values()].find(({ name, data }) => name === card.profileName && dequal(data, card.profile));
