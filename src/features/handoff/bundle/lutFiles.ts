import { safeName } from '#core/formats/safeName.ts';
import { outputOf } from '#core/lut/outputs.ts';
import type { LutRecipe } from '#core/lut/recipeData.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import type { LutRecord } from '#store/records/lut.ts';
import { camerasOf, resolveSelection, setupsOf, type Selection } from '#store/selection.ts';
import { dialledLight } from '#ui/bench/benchModel.ts';
import { keptGrade } from '#ui/bench/grade/gradeModel.ts';
import { rowLines } from '#ui/bench/grade/gradePrint.ts';
import { cardRecipe } from '#ui/luts/lutSource.ts';
import { recipeNotes, wordsFor } from '#ui/luts/lutWords.ts';
import { words } from '#ui/wording/bundle.ts';
import type { BundleFile, BundleOf, BundlePart, LutToBake } from './parts.ts';

/** Files of a conversion: cubes for what reads them, a CLF with a curve before its cube for what reads more. */
const CONVERSIONS = [
  { format: 'cube', size: 33, shaped: false },
  { format: 'cube', size: 65, shaped: false },
  { format: 'clf', size: 33, shaped: true },
] as const;
const MONITORING = [{ format: 'cube', size: 33, shaped: false }] as const;

type Made = {
  readonly folder: 'conversion' | 'match' | 'monitoring' | 'graded';
  readonly name: string;
  readonly says: string;
  readonly selection: Selection;
  readonly recipe?: LutRecipe;
  readonly kept?: LutRecord;
  readonly grade?: LutToBake['grade'];
  readonly output: LutRecipe['output'];
};

/** A pull in a file's name: a fraction's stroke has no place there. */
const pullOf = (stops: number) => (stops === 0 ? words.noPull : `pull ${(-stops).toFixed(2)}`);

/** What each set-up and camera of a shoot is planned with. */
export const selectionsOf = ({ records, shoot }: BundleOf): readonly Selection[] =>
  setupsOf(records, shoot.id).flatMap((setup) =>
    camerasOf(records, setup).flatMap(
      (camera) => resolveSelection(records, { shoot: shoot.id, setup: setup.id, camera: camera.id }) ?? [],
    ),
  );

/** LUTs of one set-up and camera; those of several that are the same are told apart by nothing and stand once. */
const lutsOf = (
  selection: Selection,
  cameraName: (id: string) => string,
  luts: ReadonlyMap<string, LutRecord>,
): readonly Made[] => {
  const { camera, profile, plan, monitors } = selection;
  const plain = cardRecipe(selection, 0);
  const output = outputOf(plain.output).name;
  const from = `${camera.name} ${profile.name}`;
  const { kelvin } = dialledLight(selection);
  const match = matchInLight(selection, kelvin);
  const grade = keptGrade(selection, kelvin);
  const card = cardRecipe(selection);
  const made = { selection, output: plain.output };
  return [
    {
      ...made,
      folder: 'conversion',
      name: `${from} to ${output}`,
      says: words.conversionSays(from),
      recipe: plain,
    },
    ...(match
      ? [
          {
            ...made,
            folder: 'match' as const,
            name: `${from} matched to ${cameraName(match.heroCameraId)}, ${selection.setup.name}`,
            says: words.matchLutSays(camera.name, cameraName(match.heroCameraId)),
            recipe: { ...plain, match: match.correction },
          },
        ]
      : []),
    ...(grade
      ? [
          {
            selection,
            output: grade.recipe.output,
            folder: 'graded' as const,
            name: `${selection.setup.name}, ${from} graded to ${outputOf(grade.recipe.output).name}`,
            says: words.gradedSays(camera.name, selection.setup.name),
            grade: { grade, looks: grade.rows.flatMap(({ lut }) => luts.get(lut ?? '') ?? []) },
          },
        ]
      : []),
    ...(monitors.length > 0
      ? monitors.map(({ lut }): Made => ({
          ...made,
          folder: 'monitoring',
          name: `${lut.name}, ${from}`,
          says: words.monitoringSays(lut.name),
          output: lut.output,
          ...(lut.recipe ? { recipe: lut.recipe } : { kept: lut }),
        }))
      : [
          {
            ...made,
            folder: 'monitoring' as const,
            name: `${from}, computed, ${pullOf(plan.placement)}`,
            says: words.monitoringSays(words.computedByCard),
            recipe: card,
          },
        ]),
  ];
};

const fileOf = (
  { folder, name, says, selection, recipe, kept, grade, output }: Made,
  how: Pick<LutToBake, 'format' | 'size' | 'shaped'>,
): BundleFile => {
  const { profile, camera } = selection;
  const { format, size } = how;
  const title = `${name}, signal, ${size}`;
  const lutWords = wordsFor(title, {
    selection,
    input: profile.name,
    output: outputOf(output).name,
    scale: 'signal',
    coding: camera.coding,
    notes: recipe ? recipeNotes(recipe, profile.name, profile.data.band) : grade ? rowLines(grade.grade) : [],
  });
  return {
    path: `luts/${folder}/${safeName(title)}.${format}`,
    says,
    lut: {
      ...how,
      coding: camera.coding,
      words: lutWords,
      ...(kept ? { kept } : grade ? { grade } : { recipe }),
    },
  };
};

/** Conversions, matches and what the monitors showed, each once. */
export const lutFiles = (of: BundleOf): BundlePart => {
  const nameOf = (id: string) => of.records.cameras.get(id)?.name ?? id;
  const seen = new Map<string, BundleFile>();
  for (const made of selectionsOf(of).flatMap((selection) => lutsOf(selection, nameOf, of.records.luts)))
    for (const how of made.folder === 'monitoring' ? MONITORING : CONVERSIONS) {
      const file = fileOf(made, how);
      if (!seen.has(file.path.toLowerCase())) seen.set(file.path.toLowerCase(), file);
    }
  return { files: [...seen.values()], leftOut: [] };
};
