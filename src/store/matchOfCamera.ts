import { correctionInLight, type InterpolatedCorrection } from '#core/correction/interpolate.ts';
import { neutralOf } from '#core/colour/lean.ts';
import { operationOf, withOperation, type Correction } from '#core/correction/operations.ts';
import { exposedStops } from './exposedStops.ts';
import type { CameraMatch } from './records/camera.ts';
import { heroIdOf, type Selection } from './selection.ts';

/** An exposure nobody sees, stops. */
const NO_STOPS = 1e-6;

/** What a camera keeps that brings it to another, for a light. */
export type MatchInLight = InterpolatedCorrection & { readonly heroCameraId: string };

/**
 * A correction less what the camera is dialled to by now beyond what the light has changed: what was set on it is not
 * corrected once more.
 */
const lessDialled = (
  { correction, from, outside }: InterpolatedCorrection,
  { camera, plan }: Pick<Selection, 'camera' | 'plan'>,
  light: number,
): Correction => {
  // Between two lights the mix is of this one already.
  const changed = outside > 0 ? 1e6 / from[0] - 1e6 / light : 0;
  const balance = operationOf(correction, 'balance');
  if (!balance) return correction;
  const now = {
    kelvin: neutralOf(plan.kelvin, camera.lean?.mired ?? 0),
    tint: plan.tint + (camera.lean?.tint ?? 0),
  };
  return withOperation(correction, {
    ...balance,
    about: now,
    mired: balance.mired - (1e6 / balance.about.kelvin - 1e6 / now.kelvin - changed),
    tint: balance.tint - (now.tint - balance.about.tint),
  });
};

/** A match less what was opened on the camera beyond its hero since it was solved. */
const lessOpened = (
  { correction, exposed }: CameraMatch,
  { camera, plan, setup, hero }: MatchedSelection,
): Correction => {
  const exposure = operationOf(correction, 'exposure');
  if (!exposed || !hero) return correction;
  const opened = exposedStops({ camera, plan }, setup.fps) - exposed.camera;
  const heroOpened = exposedStops(hero, setup.fps) - exposed.hero;
  const stops = (exposure?.stops ?? 0) - (opened - heroOpened);
  return exposure || Math.abs(stops) > NO_STOPS
    ? withOperation(correction, { kind: 'exposure', stops })
    : correction;
};

type MatchedSelection = Pick<Selection, 'camera' | 'profile' | 'plan' | 'setup' | 'shoot' | 'hero'>;

/**
 * The match that is in force for what is selected: to the hero camera of the shoot, else to the one it was matched to
 * last; in the light that the hero is balanced to, recorded in the profile of the plan. What was dialled or opened on
 * both since it was solved is taken off. Undefined where nothing is kept.
 * @param kelvin Light that the camera itself is balanced to, where its hero does not play on the set-up
 */
export const matchInLight = (selection: MatchedSelection, kelvin: number): MatchInLight | undefined => {
  const { camera, profile, shoot, hero } = selection;
  const own = (camera.matches ?? []).filter(({ profileId }) => profileId === profile.id);
  const heroCameraId = heroIdOf({ matches: own }, shoot);
  if (heroCameraId === undefined || heroCameraId === camera.id) return undefined;
  const here = hero?.camera.id === heroCameraId ? hero : undefined;
  const light = here ? neutralOf(here.plan.kelvin, here.camera.lean?.mired ?? 0) : kelvin;
  const found = correctionInLight(
    own
      .filter((match) => match.heroCameraId === heroCameraId)
      .map((match) => ({
        kelvin: match.kelvin,
        correction: lessOpened(match, { ...selection, hero: here }),
      })),
    light,
  );
  return found && { ...found, correction: lessDialled(found, selection, light), heroCameraId };
};
