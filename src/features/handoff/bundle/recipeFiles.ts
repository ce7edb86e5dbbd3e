import { safeName } from '#core/formats/safeName.ts';
import { printSigned } from '#core/units.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import type { Selection } from '#store/selection.ts';
import { dialledLight } from '#ui/bench/benchModel.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { gradingOf, printMinutes } from '#ui/bench/gradingOf.ts';
import { keptGrade } from '#ui/bench/grade/gradeModel.ts';
import { rowLines } from '#ui/bench/grade/gradePrint.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { words } from '#ui/wording/bundle.ts';
import type { BundledClip } from './clipFacts.ts';
import { selectionsOf } from './lutFiles.ts';
import type { BundleOf, BundlePart } from './parts.ts';

const stopsOf = (stops: number) => `${printSigned(stops || 0, 2)} ${Math.abs(stops) > 1 ? 'stops' : 'stop'}`;
const undoOf = (found: number | undefined, planned: number) =>
  `${stopsOf(-(found ?? planned))} ${found === undefined ? words.undoPlanned : words.undoFound}`;

/** What was measured of a take against its plan, in a line. */
const takeLines = (of: BundleOf, { setup, camera }: Selection): readonly string[] =>
  of.takes
    .filter((take) => take.setupId === setup.id && take.cameraId === camera.id)
    .map(({ number, circled, card, measured, notes }) => {
      const trouble = (measured?.verdicts ?? [])
        .filter(({ state }) => state !== 'holds')
        .map(({ title, figure }) => `${title} ${figure}`.trim());
      const parts = [
        undoOf(measured?.cardStops, card.placement),
        ...trouble,
        ...(notes === '' ? [] : [notes.replaceAll(/\s+/g, ' ')]),
      ];
      return `   take ${number}${circled ? ' (circled)' : ''}: ${parts.join('; ')}`;
    });

const correctionLines = (clips: readonly BundledClip[]): readonly string[] => {
  const lines = clips.flatMap(({ clip, name, correction }) => {
    if (clip.onPurpose) return [`   ${name}: ${words.leftOnPurpose}`];
    return correction ? [`   ${name}: ${correction.named.descriptions.join(' ')}`] : [];
  });
  return lines.length > 0 ? lines : [`   ${words.noCorrection}`];
};

/** Exposure of clips that were brought to a hero: the hero's, for they are exposed like it. */
const heroLines = (all: readonly BundledClip[], clips: readonly BundledClip[]): readonly string[] => {
  const ids = new Set(clips.flatMap(({ clip, correction }) => (correction ? [clip.correction?.heroId] : [])));
  return all
    .filter(({ clip }) => ids.has(clip.id))
    .map(
      ({ clip, name, placement = 0 }) =>
        `   ${words.correctedClips(name)}: ${undoOf(clip.found?.cardStops, placement)}`,
    );
};

/** How long the set-up is likely to take, by the clips that are there, or by those planned. */
const timeLines = (of: BundleOf, clips: readonly BundledClip[], setup: SetupRecord): readonly string[] => {
  const here = clips.filter((one) => one.setup === setup.name).length;
  const count = here || setup.brief.clips;
  const minutes = gradingOf(of.records, setup, count);
  return minutes > 0
    ? [words.gradingTime(printMinutes(minutes), count, here > 0 ? words.clipsHere : words.clipsPlanned)]
    : [];
};

/** The trial grade that is kept, row by row, and what moves for single clips. */
const gradeLines = (selection: Selection, clips: readonly BundledClip[]): readonly string[] => {
  const grade = keptGrade(selection, dialledLight(selection).kelvin);
  if (!grade) return [];
  const trims = clips.flatMap(({ clip, name }) =>
    clip.trim
      ? [words.trimSays(name, printSigned(clip.trim.stops || 0, 2), printSigned(clip.trim.mired || 0))]
      : [],
  );
  return [`6. ${words.gradeStep}`, ...[...rowLines(grade), ...trims].map((line) => `   ${line}`)];
};

/** The steps for one camera on a set-up, in the order in which they are done. */
const stepsOf = (of: BundleOf, clips: readonly BundledClip[], selection: Selection): string => {
  const { camera, profile, plan, setup } = selection;
  const match = matchInLight(selection, dialledLight(selection).kelvin);
  const hero = match && of.records.cameras.get(match.heroCameraId)?.name;
  const own = clips.filter((one) => one.clip.cameraId === camera.id && one.setup === setup.name);
  const does =
    match && hero ? words.matchStep(hero, correctionWords(match.correction).join(', ')) : words.noMatchStep;
  return [
    `${camera.name}, ${profile.name}, ${camera.coding.bitDepth}-bit ${camera.coding.range}`,
    `1. ${words.clipStep}`,
    ...correctionLines(own),
    `2. ${words.exposureStep(stopsOf(-plan.placement))}`,
    ...heroLines(clips, own),
    ...takeLines(of, selection),
    `3. ${does}`,
    `4. ${words.conversionStep(profile.name)}`,
    `5. ${words.lookStep}`,
    ...gradeLines(selection, own),
  ].join('\n');
};

/** A recipe for each set-up in plain words: what to do in which order, whatever program it is done in. */
export const recipeFiles = (of: BundleOf, clips: readonly BundledClip[]): BundlePart => {
  const all = selectionsOf(of);
  const setups = [...new Map(all.map(({ setup }) => [setup.id, setup])).values()];
  return {
    files: setups.map((setup) => ({
      path: `recipes/${safeName(setup.name)}.txt`,
      says: words.recipeSays(setup.name),
      text: `${[
        `${of.shoot.name}: ${setup.name}`,
        words.recipeHead,
        ...timeLines(of, clips, setup),
        ...all.filter((one) => one.setup.id === setup.id).map((one) => stepsOf(of, clips, one)),
      ].join('\n\n')}\n`,
    })),
    leftOut: [],
  };
};
