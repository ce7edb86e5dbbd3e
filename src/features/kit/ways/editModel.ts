import { compileProfile, type ProfileData, type ProfileSolution } from '#core/profile/index.ts';
import { editsOf, profileWithEdits } from '#core/profile/making.ts';
import type { GamutSpec } from '#core/colour/gamut.ts';
import { failure, success, type Result } from '#core/result.ts';
import { parseNumber, parseStops } from '#core/units.ts';

/** Trims of the profile in use: all in % of signal, the clip in stops. An empty knee is no knee. */
export type EditFields = {
  readonly data: ProfileData;
  readonly lift: string;
  readonly kneeFrom: string;
  readonly kneeReads: string;
  readonly clip: string;
};

const percent = (signal: number | undefined) =>
  signal === undefined ? '' : Number((100 * signal).toFixed(2)).toString();

export const editFrom = (data: ProfileData): EditFields => {
  const { lift, knee } = editsOf(data);
  return {
    data,
    lift: percent(lift ?? 0),
    kneeFrom: percent(knee?.from),
    kneeReads: percent(knee?.reads),
    clip: Number(compileProfile(data).clipStops.toFixed(2)).toString(),
  };
};

export const solveEdit = (fields: EditFields, gamut: GamutSpec): Result<ProfileSolution> => {
  const lift = fields.lift.trim() === '' ? 0 : parseNumber(fields.lift) / 100;
  const clipStops = parseStops(fields.clip);
  if (clipStops === undefined || clipStops <= 0)
    return failure('clip', `Clip: type stops over grey such as 6, not “${fields.clip.slice(0, 20)}”.`);
  const bends = fields.kneeFrom.trim() !== '' || fields.kneeReads.trim() !== '';
  const knee = bends
    ? { from: parseNumber(fields.kneeFrom) / 100, reads: parseNumber(fields.kneeReads) / 100, clipStops }
    : undefined;
  const edited = profileWithEdits(fields.data, { lift, knee });
  return edited.ok
    ? success({ ...edited.value, profile: { ...edited.value.profile, clipStops, gamut } })
    : edited;
};
