import { sampleGreyAxis, type GreyAxis } from '#core/lut/greyAxis.ts';
import type { InterpolationId } from '#core/lut/lut.ts';
import { OUTPUTS } from '#core/lut/outputs.ts';
import { compileRecipe, type LutRecipe } from '#core/lut/recipe.ts';
import { TONE_PRESETS } from '#core/lut/toneScale.ts';
import type { Coding } from '#core/signal/scale.ts';
import { lutOfRecipe } from '#store/lutOfRecipe.ts';
import type { LutBuild, LutRecord } from '#store/records/lut.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import type { Selection } from '#store/selection.ts';
import { dialledLight } from '#ui/bench/benchModel.ts';
import { lutSpecOf } from '#ui/bench/session/lutShelf.ts';
import { toneOf, type LutWork, type OpenedLut } from '#ui/bench/session/lutWork.ts';
import { openedSpec } from '#ui/bench/useThrough.ts';
import { printPull } from '#ui/format.ts';
import { bareProfile, cardRecipe, recipeSource, type LutSource } from '#ui/luts/lutSource.ts';
import { words } from '#ui/wording/luts.ts';

/** What the camera keeps for the light it is dialled to. */
export const matchOf = (selection: Selection) => matchInLight(selection, dialledLight(selection).kelvin);

/** The match as far as it is baked in. */
const bakedMatch = ({ matched }: LutBuild, selection: Selection) => {
  const match = matched ? matchOf(selection)?.correction : undefined;
  return match ? { match } : {};
};

/** The recipe that is being built for the card. */
export const recipeOf = (build: LutBuild, selection: Selection): LutRecipe => ({
  profile: bareProfile(selection.profile.data),
  pullStops: build.pull ?? selection.plan.placement,
  output: build.output,
  peak: build.output === 'pq' ? build.peak : OUTPUTS[build.output].peaks[0],
  tone: toneOf(build),
  saturation: build.saturation,
  ...(build.gamutMap ? { gamutMap: build.gamutMap } : {}),
  ...bakedMatch(build, selection),
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
    ...(build.matched && matchOf(selection) ? ['matched'] : []),
  ].join(', ');

const outputName = ({ output, peak }: Pick<LutBuild, 'output' | 'peak'>) =>
  output === 'pq' ? `PQ ${peak} cd/m²` : OUTPUTS[output].name;

/** What is at hand on the LUTs screen, with the LUT being built. */
export type Work = LutWork & { readonly build: LutBuild };

export type LutContext = {
  readonly selection: Selection;
  readonly work: Work;
  readonly kit: ReadonlyMap<string, LutRecord>;
  readonly opened?: OpenedLut;
};

/**
 * A LUT by its id: `build`, `computed`, `opened`, one of the kit; with `:17:trilinear` behind it, reduced to
 * so many points and read so.
 */
export const sourceOf = (place: LutContext, id: string): LutSource | undefined => {
  const [whole, points, read] = id.split(':');
  const source = wholeSource(place, whole);
  if (!source || points === undefined) return source;
  const interpolation: InterpolationId = read === 'trilinear' ? 'trilinear' : 'tetrahedral';
  return {
    ...source,
    id,
    name: `${source.name}, ${points} points ${interpolation}`,
    spec: { kind: 'reduced', of: source.spec, points: Number(points), interpolation },
  };
};

const wholeSource = (place: LutContext, id: string): LutSource | undefined => {
  const { selection, work, kit, opened } = place;
  const { coding } = selection.camera;
  if (id === 'build') {
    const recipe = recipeOf(work.build, selection);
    const name = `built: ${buildName(work.build, selection)}`;
    return recipeSource(id, name, recipe);
  }
  if (id === 'computed') {
    const recipe = cardRecipe(selection);
    return recipeSource(id, 'computed by the card', recipe);
  }
  if (id === 'opened' && opened) {
    const { name, output, scale } = opened;
    return { id, name, spec: openedSpec(opened, coding), output, scale, coding };
  }
  const record = kit.get(id);
  return (
    record && {
      id,
      name: record.name,
      spec: lutSpecOf(record),
      output: record.output,
      scale: record.scale,
      coding: record.coding,
      record,
    }
  );
};

/** Every source that is there now, with its name, for a list. */
export const sourceChoices = (
  place: LutContext,
): readonly { readonly id: string; readonly name: string }[] => [
  { id: 'build', name: `built: ${buildName(place.work.build, place.selection)}` },
  { id: 'computed', name: words.computedByTheCard },
  ...[...place.kit.values()].map(({ id, name }) => ({ id, name })),
  ...(place.opened ? [{ id: 'opened', name: place.opened.name }] : []),
];

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
