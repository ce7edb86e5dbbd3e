import { sampleGreyAxis } from '#core/lut/greyAxis.ts';
import { compileRecipe, type LutRecipe } from '#core/lut/recipe.ts';
import type { Coding } from '#core/signal/scale.ts';
import type { LutRecord } from './records/lut.ts';

/** A recipe as a LUT of the kit. */
export const lutOfRecipe = (
  words: Pick<LutRecord, 'id' | 'name' | 'says'>,
  recipe: LutRecipe,
  { bitDepth, range }: Coding,
): LutRecord => ({
  ...words,
  output: recipe.output,
  scale: 'signal',
  coding: { bitDepth, range },
  interpolation: 'tetrahedral',
  recipe,
  axis: sampleGreyAxis(compileRecipe(recipe).neutral),
});
