import { correctionInLight, type InterpolatedCorrection } from '#core/correction/interpolate.ts';
import type { Selection } from './selection.ts';

/** What a camera keeps that brings it to another, for a light. */
export type MatchInLight = InterpolatedCorrection & { readonly heroCameraId: string };

/**
 * The match that is in force for what is selected: to the hero camera of the shoot, else to the one it was matched to
 * last; recorded in the profile of the plan. Undefined where nothing is kept.
 */
export const matchInLight = (
  { camera, profile, shoot }: Pick<Selection, 'camera' | 'profile' | 'shoot'>,
  kelvin: number,
): MatchInLight | undefined => {
  const own = (camera.matches ?? []).filter(({ profileId }) => profileId === profile.id);
  const wanted = own.find(({ heroCameraId }) => heroCameraId === shoot.heroCameraId) ?? own.at(-1);
  if (!wanted || wanted.heroCameraId === camera.id) return undefined;
  const { heroCameraId } = wanted;
  const found = correctionInLight(
    own.filter((match) => match.heroCameraId === heroCameraId),
    kelvin,
  );
  return found && { ...found, heroCameraId };
};
