import type { CubeScale } from '#core/lut/cubeScale.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import type { OutputId } from '#core/lut/outputs.ts';
import type { LutRecipe } from '#core/lut/recipe.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { Coding } from '#core/signal/scale.ts';
import type { LutRecord } from '#store/records/lut.ts';
import type { Selection } from '#store/selection.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';

/** A LUT that can be looked at, whatever it comes from. */
export type LutSource = {
  readonly id: string;
  readonly name: string;
  readonly spec: LutSpec;
  readonly output: OutputId;
  readonly scale: CubeScale;
  readonly coding: Coding;
  /** A file has to be on the worker first. */
  readonly record?: LutRecord;
};

/** Curve, gamut and clip alone: how sure they are has no place in a LUT. */
export const bareProfile = ({ curve, gamut, clipStops }: ProfileData): ProfileData => ({
  curve,
  gamut,
  clipStops,
});

/** On signal: what is computed knows no codes. */
export const PLAIN = { scale: 'signal', coding: { bitDepth: 10, range: 'legal' } } as const;

/** The recipe that the card computes, with the pull of the placement or another one. */
export const cardRecipe = ({ profile, plan }: Selection, pullStops = plan.placement): LutRecipe =>
  monitoringRecipe({ profile: bareProfile(profile.data), pullStops });

/** A recipe as a LUT to be looked at or written. */
export const recipeSource = (id: string, name: string, recipe: LutRecipe): LutSource => ({
  ...PLAIN,
  id,
  name,
  spec: { kind: 'recipe', recipe },
  output: recipe.output,
});
