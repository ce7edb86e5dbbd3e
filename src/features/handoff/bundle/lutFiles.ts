import { dequal } from 'dequal';
import type { ProfileRecord } from '#store/records/profile.ts';
import { rawNotes } from '#store/records/raw.ts';
import { safeName } from '#core/formats/safeName.ts';
import { outputOf } from '#core/lut/outputs.ts';
import type { LutRecipe } from '#core/lut/recipeData.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import type { LutRecord } from '#store/records/lut.ts';
import { camerasOf, resolveSelection, setupsOf, type Selection } from '#store/selection.ts';
import { dialledLight } from '#ui/bench/benchModel.ts';
import { gradeFor } from '#core/grade/deliverables.ts';
import { FIRST_GRADE, keptGrade, otherOutputs, trimOf } from '#ui/bench/grade/gradeModel.ts';
import { rowLines } from '#ui/bench/grade/gradePrint.ts';
import { lutSpecOf } from '#ui/bench/session/lutShelf.ts';
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
  readonly source: Pick<LutToBake, 'spec' | 'needs'>;
  /** What its file says of itself. */
  readonly notes: readonly string[];
  readonly output: LutRecipe['output'];
};

/** A pull in a file's name: a fraction's stroke has no place there. */
const pullOf = (stops: number) => (stops === 0 ? words.noPull : `pull ${(-stops).toFixed(2)}`);

/** What each set-up and camera of a shoot is planned with. */
export const selectionsOf = ({ records, shoot, part }: BundleOf): readonly Selection[] =>
  setupsOf(records, shoot.id).flatMap((setup) =>
    camerasOf(records, setup)
      .filter((camera) => part?.plays.has(`${setup.id}:${camera.id}`) ?? true)
      .flatMap(
        (camera) => resolveSelection(records, { shoot: shoot.id, setup: setup.id, camera: camera.id }) ?? [],
      ),
  );

/** A recipe as what is baked, with what its file says of it. */
const ofRecipe = (
  recipe: LutRecipe,
  { profile, plan, camera }: Selection,
  profiles: BundleOf['records']['profiles'],
): Pick<Made, 'source' | 'notes' | 'output'> => ({
  source: { spec: { kind: 'recipe', recipe } },
  notes: [...rawNotes({ plan, camera, profiles }), ...recipeNotes(recipe, profile.name, profile.data.band)],
  output: recipe.output,
});

/** What the monitors showed; the computed picture where none had a LUT. */
const monitoringOf = (
  selection: Selection,
  from: string,
  profiles: BundleOf['records']['profiles'],
): readonly Made[] => {
  const made = { selection, folder: 'monitoring' } as const;
  if (selection.monitors.length === 0)
    return [
      {
        ...made,
        ...ofRecipe(cardRecipe(selection), selection, profiles),
        name: `${from}, computed, ${pullOf(selection.plan.placement)}`,
        says: words.monitoringSays(words.computedByCard),
      },
    ];
  return selection.monitors.map(({ lut }) => ({
    ...made,
    ...(lut.recipe
      ? ofRecipe(lut.recipe, selection, profiles)
      : { source: { spec: lutSpecOf(lut), needs: [lut] }, notes: [] }),
    output: lut.output,
    name: `${lut.name}, ${from}`,
    says: words.monitoringSays(lut.name),
  }));
};

/** The trial grade that is kept. */
const gradedOf = (
  selection: Selection,
  from: string,
  kelvin: number,
  luts: ReadonlyMap<string, LutRecord>,
): readonly Made[] => {
  const grade = keptGrade(selection, kelvin);
  if (!grade) return [];
  const own = grade.rows.flatMap(({ lut }) => luts.get(lut ?? '') ?? []);
  const looks = Object.fromEntries(own.map((lut) => [lut.id, lutSpecOf(lut)]));
  const record = selection.plan.grade ?? FIRST_GRADE;
  const beside = otherOutputs(record).map((output) =>
    gradeFor(grade, { output, peak: record.peak, trim: trimOf(record, output) }),
  );
  return [grade, ...beside].map((one) => {
    const { output } = one.recipe;
    return {
      selection,
      output,
      folder: 'graded',
      name: `${selection.setup.name}, ${from} graded to ${outputOf(output).name}`,
      says: words.gradedSays(selection.camera.name, selection.setup.name),
      source: { spec: { kind: 'grade', grade: one, looks }, needs: own.filter(({ recipe }) => !recipe) },
      notes: rowLines(one),
    };
  });
};

/** LUTs of one set-up and camera; those of several that are the same are told apart by nothing and stand once. */
const lutsOf = (
  selection: Selection,
  cameraName: (id: string) => string,
  { luts, profiles }: BundleOf['records'],
): readonly Made[] => {
  const { camera, profile } = selection;
  const plain = cardRecipe(selection, 0);
  const from = `${camera.name} ${profile.name}`;
  const { kelvin } = dialledLight(selection);
  const match = matchInLight(selection, kelvin);
  const hero = match && cameraName(match.heroCameraId);
  const conversion: Made = {
    selection,
    folder: 'conversion',
    ...ofRecipe(plain, selection, profiles),
    name: `${from} to ${outputOf(plain.output).name}`,
    says: words.conversionSays(from),
  };
  const matched: readonly Made[] =
    match && hero !== undefined
      ? [
          {
            selection,
            folder: 'match',
            ...ofRecipe({ ...plain, match: match.correction }, selection, profiles),
            name: `${from} matched to ${hero}, ${selection.setup.name}`,
            says: words.matchLutSays(camera.name, hero),
          },
        ]
      : [];
  return [
    conversion,
    ...matched,
    ...gradedOf(selection, from, kelvin, luts),
    ...monitoringOf(selection, from, profiles),
  ];
};

const fileOf = (
  { folder, name, says, selection, source, notes, output }: Made,
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
    notes,
  });
  return {
    path: `luts/${folder}/${safeName(title)}.${format}`,
    says,
    lut: { ...how, ...source, coding: camera.coding, words: lutWords },
  };
};

/** Monitors' LUTs that were made for another recording than the camera makes, a sentence each. */
const strangersOf = (
  selections: readonly Selection[],
  profiles: readonly ProfileRecord[],
): readonly string[] => [
  ...new Set(
    selections.flatMap(({ monitors, profile, camera }) =>
      monitors.flatMap(({ lut }) => {
        const made = lut.recipe?.profile;
        if (!made || dequal(made.curve, profile.data.curve)) return [];
        const other = profiles.find(({ data }) => dequal(data.curve, made.curve));
        return [words.lutOfOther(lut.name, other?.name ?? words.unknownProfile, camera.name, profile.name)];
      }),
    ),
  ),
];

/** Conversions, matches and what the monitors showed, each once. */
export const lutFiles = (of: BundleOf): BundlePart => {
  const nameOf = (id: string) => of.records.cameras.get(id)?.name ?? id;
  const seen = new Map<string, BundleFile>();
  const selections = selectionsOf(of);
  for (const made of selections.flatMap((selection) => lutsOf(selection, nameOf, of.records)))
    for (const how of made.folder === 'monitoring' ? MONITORING : CONVERSIONS) {
      const file = fileOf(made, how);
      if (!seen.has(file.path.toLowerCase())) seen.set(file.path.toLowerCase(), file);
    }
  return { files: [...seen.values()], leftOut: strangersOf(selections, [...of.records.profiles.values()]) };
};
