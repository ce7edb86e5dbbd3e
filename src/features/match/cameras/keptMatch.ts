import type { Correction } from '#core/correction/operations.ts';
import { exposedStops } from '#store/exposedStops.ts';
import type { CameraMatch, CameraRecord } from '#store/records/camera.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import type { MatchPair } from './useMatchPair.ts';

/** Two lights this near are one: about what is just seen (common practice), mired. */
const SAME_LIGHT = 5;

const isSamePlace = (match: CameraMatch, pair: MatchPair): boolean => {
  const { camera, hero } = pair.selections;
  return (
    match.heroCameraId === hero.camera.id &&
    match.profileId === camera.profile.id &&
    match.heroProfileId === hero.profile.id &&
    Math.abs(1e6 / match.kelvin - 1e6 / pair.kelvin) < SAME_LIGHT
  );
};

/** The camera with a match on it, in the place of the one of that light and those profiles. */
export const withMatch = (pair: MatchPair, solved: SolvedMatch, id: string, now: Date): CameraRecord => {
  const { camera, hero } = pair.selections;
  const { match, by } = solved;
  const kept: CameraMatch = {
    id,
    heroCameraId: hero.camera.id,
    kelvin: pair.kelvin,
    profileId: camera.profile.id,
    heroProfileId: hero.profile.id,
    correction: match.correction,
    exposed: {
      camera: exposedStops(camera, camera.setup.fps),
      hero: exposedStops(hero, hero.setup.fps),
    },
    solvedOn: now.toISOString().slice(0, 10),
    by,
    patches: match.patches.length,
    mean: match.mean,
    worst: match.worst,
    ...(match.unseen === undefined ? {} : { unseen: match.unseen }),
  };
  const others = (camera.camera.matches ?? []).filter((one) => !isSamePlace(one, pair));
  return { ...camera.camera, matches: [...others, kept].slice(-60) };
};

const said = (correction: Correction) => correctionWords(correction).join();

/** Whether this match stands on the camera, as far as anybody could see a difference. */
export const isKept = (pair: MatchPair, { match }: SolvedMatch): boolean =>
  (pair.selections.camera.camera.matches ?? []).some(
    (one) => isSamePlace(one, pair) && said(one.correction) === said(match.correction),
  );
