import { correctionInLight, type InterpolatedCorrection } from '#core/correction/interpolate.ts';
import { neutralOf } from '#core/colour/lean.ts';
import { operationOf, withOperation, type Correction } from '#core/correction/operations.ts';
import type { Selection } from './selection.ts';

/** What a camera keeps that brings it to another, for a light. */
export type MatchInLight = InterpolatedCorrection & { readonly heroCameraId: string };

/** A correction less what the camera is dialled to by now: what was set on it is not corrected once more. */
const lessDialled = (
  correction: Correction,
  { camera, plan }: Pick<Selection, 'camera' | 'plan'>,
): Correction => {
  const balance = operationOf(correction, 'balance');
  if (!balance) return correction;
  const now = {
    kelvin: neutralOf(plan.kelvin, camera.lean?.mired ?? 0),
    tint: plan.tint + (camera.lean?.tint ?? 0),
  };
  return withOperation(correction, {
    ...balance,
    about: now,
    mired: balance.mired - (1e6 / balance.about.kelvin - 1e6 / now.kelvin),
    tint: balance.tint - (now.tint - balance.about.tint),
  });
};

/**
 * The match that is in force for what is selected: to the hero camera of the shoot, else to the one it was matched to
 * last; recorded in the profile of the plan, its balance from what is dialled now. Its light stays as it was solved:
 * what was exposed more since is not taken off. Undefined where nothing is kept.
 */
export const matchInLight = (
  selection: Pick<Selection, 'camera' | 'profile' | 'plan' | 'shoot'>,
  kelvin: number,
): MatchInLight | undefined => {
  const { camera, profile, shoot } = selection;
  const own = (camera.matches ?? []).filter(({ profileId }) => profileId === profile.id);
  const wanted = own.find(({ heroCameraId }) => heroCameraId === shoot.heroCameraId) ?? own.at(-1);
  if (!wanted || wanted.heroCameraId === camera.id) return undefined;
  const { heroCameraId } = wanted;
  const found = correctionInLight(
    own.filter((match) => match.heroCameraId === heroCameraId),
    kelvin,
  );
  return found && { ...found, correction: lessDialled(found.correction, selection), heroCameraId };
};
