import { failure, success, type Result } from '../result.ts';
import { kneeWidthThrough } from '../transfer/index.ts';
import { reflectanceToStops, stopsToReflectance } from '../units.ts';
import { compileCurve, compileProfile } from './compile.ts';
import type { ProfileSolution } from './solution.ts';
import type { CurveSpec, ProfileData } from './types.ts';
import { clipUnderKnee, noSuchKnee } from './profileWords.ts';

/** What a camera's menu lets its owner trim on a profile. Without a field that trim is off. */
export type ProfileEdits = {
  /** Added to the whole signal, fraction: a black level of +2 % is 0.02. */
  readonly lift?: number;
  /** From this signal on the curve bends, so that it reaches `reads` at `clipStops`. */
  readonly knee?: { readonly from: number; readonly reads: number; readonly clipStops: number };
};

/** Most a black level is believed to move. */
const MOST_LIFT = 0.2;

const unedited = ({ curve }: ProfileData): CurveSpec => {
  const plain = { ...curve };
  delete plain.knee;
  delete plain.lift;
  return plain;
};

/** The trims a profile carries, as they would be typed. */
export const editsOf = (data: ProfileData): ProfileEdits => {
  const { knee, lift } = data.curve;
  return {
    lift,
    knee: knee && {
      from: compileCurve(data.curve).encode(knee.at),
      reads: compileProfile(data).clipSignal,
      clipStops: data.clipStops,
    },
  };
};

/**
 * A profile with black level and knee set anew; earlier trims are replaced. Signals are those of the edited picture.
 * The uncertainty of an inferred curve stays in stops where the knee does not reach.
 */
export const profileWithEdits = (
  data: ProfileData,
  { lift = 0, knee }: ProfileEdits,
): Result<ProfileSolution> => {
  if (!Number.isFinite(lift) || Math.abs(lift) > MOST_LIFT)
    return failure('black level', 'Black level: type −20 to +20 % of signal.');
  const plain = unedited(data);
  const base = compileCurve(plain);
  const lifted: CurveSpec = lift === 0 ? plain : { ...plain, lift };
  if (!knee) {
    return success({ profile: { ...data, curve: lifted }, residuals: [], warnings: [] });
  }
  const { from, reads, clipStops } = knee;
  if (![from, reads, clipStops].every(Number.isFinite))
    return failure('knee', 'Knee: type where it starts, what it reads at the clip, and the clip’s stop.');
  const at = base.decode(from - lift);
  if (!(at > 0.18))
    return failure(
      'knee',
      `The knee starts at ${(100 * from).toFixed(1)} %, which is not over grey: raise it.`,
    );
  const reach = stopsToReflectance(clipStops);
  if (!(reach > at)) return failure('knee', clipUnderKnee(clipStops, reflectanceToStops(at)));
  const width = kneeWidthThrough(base, at, reach, reads - lift);
  if (width === undefined) {
    const most = base.encode(at) + lift;
    return failure('knee', noSuchKnee(from, reads, most, clipStops));
  }
  return success({
    profile: { ...data, curve: { ...lifted, knee: { at, width } }, clipStops },
    residuals: [],
    warnings: [],
  });
};
