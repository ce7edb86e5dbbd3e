import type { Profile, ProfileData } from '#core/profile/index.ts';
import type { Remembered } from '#core/scopes/looks.ts';
import type { SurveyJobs } from '#workers/survey/protocol.ts';
import type { SurveyCard } from './clipFound.ts';

const THUMBNAIL_WIDTH = 160;

/** A compiled profile as data: functions do not travel. */
const dataOf = ({ transfer: _t, signalAt: _s, stopsAt: _a, clipSignal: _c, ...data }: Profile): ProfileData =>
  data;

/** What a worker is asked of a clip, by the card of its camera. */
export const surveyInput = (
  file: File,
  { numbers, coding }: SurveyCard,
  remembered: readonly Remembered[] | undefined,
): SurveyJobs['survey']['input'] => {
  const { clipStops, floorStops, pullStops } = numbers;
  const profile = dataOf(numbers.profile);
  return {
    file,
    reading: { range: coding?.range ?? 'legal' },
    profile,
    clipStops,
    floorStops,
    patches: [],
    ...(remembered ? { remembered } : {}),
    thumbnails: { profile, pullStops, width: THUMBNAIL_WIDTH },
  };
};
