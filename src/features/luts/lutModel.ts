import { gamutOf } from '#core/colour/gamut.ts';
import type { LutWords } from '#core/formats/writeLut.ts';
import { CUBE_SCALES, type CubeScale } from '#core/lut/cubeScale.ts';
import { sampleGreyAxis, type GreyAxis } from '#core/lut/greyAxis.ts';
import type { InterpolationId } from '#core/lut/lut.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import { outputOf, OUTPUTS, type OutputId } from '#core/lut/outputs.ts';
import { compileRecipe, type LutRecipe } from '#core/lut/recipe.ts';
import { TONE_PRESETS } from '#core/lut/toneScale.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { Coding } from '#core/signal/scale.ts';
import { printStops } from '#core/units.ts';
import { lutOfRecipe, type LutRecord } from '#store/records/lut.ts';
import type { Selection } from '#store/selection.ts';
import { toneOf, type LutWork } from '#ui/bench/lutWork.ts';
import type { LutBuild } from '#store/records/lut.ts';
import { wishOf, type OpenedLut } from '#ui/bench/lutShelf.ts';
import { slug } from '#ui/download.ts';
import { printPull } from '#ui/format.ts';
import type { LutWish } from '#workers/luts/wish.ts';

/** A LUT that can be looked at, whatever it comes from. */
export type LutSource = {
  readonly id: string;
  readonly name: string;
  readonly wish: LutWish;
  readonly output: OutputId;
  readonly scale: CubeScale;
  readonly coding: Coding;
  /** A file has to be on the worker first. */
  readonly record?: LutRecord;
};

/** Curve, gamut and clip alone: how sure they are has no place in a LUT. */
const bare = ({ curve, gamut, clipStops }: ProfileData): ProfileData => ({ curve, gamut, clipStops });

/** The recipe that is being built for the card. */
export const recipeOf = (build: LutBuild, { profile, plan }: Selection): LutRecipe => ({
  profile: bare(profile.data),
  pullStops: build.pull ?? plan.placement,
  output: build.output,
  peak: build.output === 'pq' ? build.peak : OUTPUTS[build.output].peaks[0],
  tone: toneOf(build),
  saturation: build.saturation,
});

const isMoved = ({ preset, moved }: LutBuild) =>
  Object.entries(moved).some(([key, value]) => TONE_PRESETS[preset].tone[key as 'contrast'] !== value);

/** `wide log, pull −1, soft`. */
export const buildName = (build: LutBuild, selection: Selection): string =>
  [
    selection.profile.name,
    printPull(build.pull ?? selection.plan.placement),
    `${build.preset}${isMoved(build) ? ' moved' : ''}`,
    ...(build.output === 'bt1886' ? [] : [outputName(build)]),
  ].join(', ');

const outputName = ({ output, peak }: Pick<LutBuild, 'output' | 'peak'>) =>
  output === 'pq' ? `PQ ${peak} cd/m²` : OUTPUTS[output].name;

/** On signal: what is computed knows no codes. */
export const PLAIN = { scale: 'signal', coding: { bitDepth: 10, range: 'legal' } } as const;

export type Place = {
  readonly selection: Selection;
  readonly work: LutWork;
  readonly kit: ReadonlyMap<string, LutRecord>;
  readonly opened?: OpenedLut;
};

/** A LUT by its id: `build`, `computed`, `opened`, one of the kit; with `:17:trilinear` behind it, reduced to so many points and read so. */
export const sourceOf = (place: Place, id: string): LutSource | undefined => {
  const [whole, points, read] = id.split(':');
  const source = wholeSource(place, whole);
  if (!source || points === undefined) return source;
  const interpolation: InterpolationId = read === 'trilinear' ? 'trilinear' : 'tetrahedral';
  return {
    ...source,
    id,
    name: `${source.name}, ${points} points ${interpolation}`,
    wish: { kind: 'reduced', of: source.wish, points: Number(points), interpolation },
  };
};

const wholeSource = (place: Place, id: string): LutSource | undefined => {
  const { selection, work, kit, opened } = place;
  const { coding } = selection.camera;
  if (id === 'build') {
    const recipe = recipeOf(work.build, selection);
    const name = `built: ${buildName(work.build, selection)}`;
    return { ...PLAIN, id, name, wish: { kind: 'recipe', recipe }, output: recipe.output };
  }
  if (id === 'computed') {
    const recipe = monitoringRecipe({
      profile: bare(selection.profile.data),
      pullStops: selection.plan.placement,
    });
    return { ...PLAIN, id, name: 'computed by the card', wish: { kind: 'recipe', recipe }, output: 'bt1886' };
  }
  if (id === 'opened' && opened) {
    const scale = work.openedScale;
    return {
      id,
      name: opened.name,
      wish: { kind: 'kept', id: opened.id, scale, coding, interpolation: 'tetrahedral' },
      output: work.openedOutput,
      scale,
      coding,
    };
  }
  const record = kit.get(id);
  return (
    record && {
      id,
      name: record.name,
      wish: wishOf(record),
      output: record.output,
      scale: record.scale,
      coding: record.coding,
      record,
    }
  );
};

/** Every source that is there now, with its name, for a list. */
export const sourceChoices = (place: Place): readonly { readonly id: string; readonly name: string }[] => [
  { id: 'build', name: `built: ${buildName(place.work.build, place.selection)}` },
  { id: 'computed', name: 'computed by the card' },
  ...[...place.kit.values()].map(({ id, name }) => ({ id, name })),
  ...(place.opened ? [{ id: 'opened', name: place.opened.name }] : []),
];

/** Words of a file: profile, pull, gamut, range, tone, set-up. */
export const wordsFor = (
  name: string,
  {
    selection,
    input,
    output,
    scale,
    coding,
    notes,
  }: {
    readonly selection: Selection;
    readonly input: string;
    readonly output: string;
    readonly scale: CubeScale;
    readonly coding: Coding;
    readonly notes: readonly string[];
  },
): LutWords => ({
  id: slug(name),
  title: plain(name),
  comments: [
    ...notes,
    `Set-up ${selection.setup.name}, ${selection.camera.name}, ${coding.bitDepth}-bit ${coding.range}`,
    `Scale: ${CUBE_SCALES[scale].says}`,
  ].map(plain),
  input: plain(input),
  output: plain(output),
});

/** Files keep to ASCII where programs may not read more. */
const plain = (text: string) =>
  text.replaceAll('−', '-').replaceAll('²', '2').replaceAll('’', "'").replaceAll(' ', ' ');

const tenths = (v: number) => (100 * v).toFixed(1);

/** Lines that say what a recipe does. */
export const recipeNotes = (recipe: LutRecipe, profileName: string): string[] => {
  const { tone, saturation, pullStops } = recipe;
  const { name, primaries, grey } = outputOf(recipe.output);
  return [
    `Profile ${profileName}, gamut ${gamutOf(recipe.profile.gamut).name} to ${gamutOf(primaries).name}`,
    `Pull: ${pullStops === 0 ? 'not baked in' : `${(-pullStops).toFixed(3)} stops baked in (${printStops(-pullStops)})`}`,
    `Output ${name}${recipe.output === 'pq' ? `, peak ${recipe.peak} cd/m2` : ''}, grey at ${tenths(tone.grey ?? grey)} %`,
    `Tone: contrast ${tone.contrast}, toe ${tone.toe}, shoulder ${tone.shoulder}${tone.white === undefined ? '' : `, white at ${tenths(tone.white)} %`}; saturation ${saturation}`,
  ];
};

/** What a recipe makes of neutrals. */
export const axisOf = (recipe: LutRecipe): GreyAxis => sampleGreyAxis(compileRecipe(recipe).neutral);

/** A record of the kit from a recipe. */
export const recordOf = (id: string, name: string, recipe: LutRecipe, coding: Coding): LutRecord =>
  lutOfRecipe(
    {
      id,
      name: name.slice(0, 80),
      says: `${outputName(recipe)}, ${printPull(recipe.pullStops)}`,
    },
    recipe,
    coding,
  );
