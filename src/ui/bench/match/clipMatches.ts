import { median } from 'd3-array';
import { clipLightIn, type ClipLight, type ClipMatch } from '#core/match/clipCorrection.ts';
import { operationOf, type Correction } from '#core/correction/operations.ts';
import { deltaE2000 } from '#core/colour/lab.ts';
import { compileCorrection } from '#core/correction/compile.ts';
import { labOfLight } from '#core/match/patches.ts';
import { matchVerdict, worstSeen, type MatchLimits, type MatchVerdict } from '#core/match/verdict.ts';
import { compileProfile } from '#core/profile/index.ts';
import type { BookRecords } from '#store/book.ts';
import type { ClipCorrection, ClipRecord } from '#store/records/clip.ts';
import { profileOfTake } from '#store/profileOfTake.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import type { SubjectRecord } from '#store/records/subject.ts';
import type { TakeRecord } from '#store/records/take.ts';
import { heroCameraOf, resolveSelection, setupsOf, type Selection } from '#store/selection.ts';
import type { ClipPair } from '#workers/match/protocol.ts';
import { heroReason, type ClipLine } from '../clips/clipLines.ts';
import { lineOfHeroTake } from './heroTake.ts';

/** A clip of a set-up, and the one it is brought to. */
export type ClipToHero = {
  readonly line: ClipLine;
  readonly hero: ClipLine;
  readonly heroReason: string;
  readonly isHero: boolean;
  readonly selection: Selection;
  readonly profile: ProfileRecord;
  /** What is solved; undefined for the hero, and where one of both was surveyed before light was measured. */
  readonly pair?: ClipPair;
};

const lightOf = ({ found }: ClipRecord, profile: ProfileRecord): ClipLight | undefined => {
  if (!found?.tones) return undefined;
  const { transfer, clipSignal } = compileProfile(profile.data);
  return { marks: found.lights ?? [], tones: found.tones, clip: transfer.decode(clipSignal) };
};

/** The hero of a set-up: chosen by hand, else the best of the hero camera, else the best there is. */
const heroOf = (
  lines: readonly ClipLine[],
  chosen: string | undefined,
  heroCameraId: string | undefined,
): ClipLine | undefined =>
  lines.find(({ clip }) => clip.id === chosen && clip.found) ??
  lines.find(({ clip, isBest }) => isBest && clip.cameraId === heroCameraId) ??
  lines.find(({ isBest }) => isBest) ??
  lines.find(({ clip }) => clip.found);

/** A take as the hero: its clip where it has one, else what was marked on its picture. */
const heroOfTake = (
  take: TakeRecord,
  lines: readonly ClipLine[],
  subjects: readonly SubjectRecord[],
): ClipLine | undefined => lines.find((line) => line.take?.id === take.id) ?? lineOfHeroTake(take, subjects);

/** The profile that a take was shot with: of the kit where it still stands there. */
const asShot = (take: TakeRecord, records: BookRecords, { profile }: Selection): ProfileRecord =>
  profileOfTake(records, take) ?? {
    ...profile,
    id: 'as-shot',
    name: take.card.profileName,
    data: take.card.profile,
  };

/** Solved from marks that both have, else from how both pictures spread. */
const canSolve = (clip: ClipLight, hero: ClipLight): boolean =>
  hero.tones.length > 0 || clip.marks.some(({ name }) => hero.marks.some((mark) => mark.name === name));

/** Clips of a shoot with a take, each beside the hero of its set-up. */
export const clipsToHeroes = (
  lines: readonly ClipLine[],
  records: BookRecords,
  shootId: string,
  /** Takes that were chosen as heroes, by their ids. */
  heroTakes: ReadonlyMap<string, TakeRecord> = new Map(),
): readonly ClipToHero[] => {
  return setupsOf(records, shootId).flatMap((setup) => {
    const own = lines.filter(({ setup: name, clip }) => name === setup.name && clip.found);
    const heroTake = heroTakes.get(setup.heroTakeId ?? '');
    const hero =
      (heroTake && heroOfTake(heroTake, own, [...records.subjects.values()])) ??
      heroOf(own, setup.heroClipId, heroCameraOf(records, shootId, setup)?.id);
    if (!hero) return [];
    const isChosen = setup.heroClipId === hero.clip.id || heroTake !== undefined;
    return own.flatMap((line): ClipToHero[] => {
      const selectionOf = ({ clip }: ClipLine) =>
        resolveSelection(records, { shoot: shootId, setup: setup.id, camera: clip.cameraId });
      const [selection, heroSelection] = [selectionOf(line), selectionOf(hero)];
      if (!selection || !heroSelection) return [];
      const profileOf = ({ clip }: ClipLine, { profile }: Selection) =>
        records.profiles.get(clip.found?.profileId ?? '') ?? profile;
      const profile = profileOf(line, selection);
      const heroProfile =
        heroTake?.id === hero.clip.id
          ? asShot(heroTake, records, heroSelection)
          : profileOf(hero, heroSelection);
      const isHero = line.clip.id === hero.clip.id;
      const [light, heroLight] = [lightOf(line.clip, profile), lightOf(hero.clip, heroProfile)];
      // Of one profile in its own primaries, where a CDL can say it; else where bodies balance.
      const primaries = profile.id === heroProfile.id ? profile.data.gamut : 'bt2020';
      const { plan } = selection;
      return [
        {
          line,
          hero,
          heroReason: heroReason(hero, isChosen),
          isHero,
          selection,
          profile,
          ...(!isHero && light && heroLight && canSolve(light, heroLight)
            ? {
                pair: {
                  id: line.clip.id,
                  clip: clipLightIn(light, profile.data.gamut, primaries),
                  hero: clipLightIn(heroLight, heroProfile.data.gamut, primaries),
                  space: {
                    primaries,
                    bend: profile.data.curve,
                    level: heroSelection.plan.placement,
                    dial: { kelvin: plan.kelvin, tint: plan.tint },
                  },
                },
              }
            : {}),
        },
      ];
    });
  });
};

/** How a clip stands to its hero: as it is, and with the correction that is in force. */
export type ClipStanding = {
  readonly correction?: Correction;
  readonly by?: ClipCorrection['by'];
  readonly accepted: boolean;
  /** CIEDE2000 on what was marked, else on the picture's tenths. */
  readonly before: number;
  readonly after: number;
  readonly verdict: { readonly before: MatchVerdict; readonly after: MatchVerdict };
};

/** Figures of a correction on the patches that were solved from: the ones of the solver, or worked out for another. */
const leftBy = (match: ClipMatch, pair: ClipPair, correction: Correction): number => {
  if (correction === match.correction) return worstSeen(match.patches);
  const lab = labOfLight(pair.space.primaries, pair.space.level);
  const { run } = compileCorrection(correction, pair.space.primaries);
  const off = (from: Parameters<typeof run>[0], hero: Parameters<typeof run>[0]) =>
    deltaE2000(lab(run(from)), lab(hero));
  if (match.by === 'marks')
    return Math.max(
      0,
      ...pair.clip.marks.flatMap(({ name, light }) => {
        const same = pair.hero.marks.find((mark) => mark.name === name);
        return same ? off(light, same.light) : [];
      }),
    );
  return median(pair.clip.tones, (tone, i) => off(tone, pair.hero.tones[i] ?? tone)) ?? 0;
};

/** What is stored on a clip stands before what was solved, as long as its hero is the same. */
export const standingOfClip = (
  { line: { clip }, hero, pair }: ClipToHero,
  match: ClipMatch | undefined,
  limits?: MatchLimits,
): ClipStanding | undefined => {
  if (!pair || !match) return undefined;
  const stored = clip.correction?.heroId === hero.clip.id ? clip.correction : undefined;
  const correction = stored?.correction ?? match.correction;
  const figures = {
    before: leftBy(match, pair, { ...match.correction, operations: [] }),
    after: leftBy(match, pair, correction),
  };
  const stopsOf = (one: Correction) => operationOf(one, 'exposure')?.stops ?? 0;
  const wanted = stopsOf(match.correction);
  const verdictOf = (deltaE: number, stops: number) => matchVerdict({ deltaE, stops }, limits);
  return {
    correction,
    by: stored?.by ?? match.by,
    accepted: stored?.accepted ?? false,
    ...figures,
    verdict: {
      before: verdictOf(figures.before, wanted),
      after: verdictOf(figures.after, wanted - stopsOf(correction)),
    },
  };
};

/** Drift that is worth a value at both ends: stops and mired. Our own. */
const DRIFT = { stops: 0.1, mired: 4 } as const;

/** What a clip that drifts needs at its beginning and at its end beyond its correction; undefined where it holds. */
export const driftOf = ({ found }: ClipRecord): ClipCorrection['drift'] => {
  if (!found) return undefined;
  const ends = (values: readonly (number | undefined)[]) => {
    const seen = values.filter((value) => value !== undefined);
    const middle = median(seen) ?? 0;
    return seen.length < 3 ? ([0, 0] as const) : ([middle - seen[0], middle - seen.at(-1)!] as const);
  };
  const stops = ends(found.samples.map(({ cardStops }) => cardStops));
  const mired = ends(found.samples.map((sample) => sample.mired)).map((v) => v);
  const drifts = Math.abs(stops[0] - stops[1]) > DRIFT.stops || Math.abs(mired[0] - mired[1]) > DRIFT.mired;
  return drifts
    ? { from: { stops: stops[0], mired: mired[0] }, to: { stops: stops[1], mired: mired[1] } }
    : undefined;
};
