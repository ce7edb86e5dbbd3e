import { sampleGreyAxis } from '#core/lut/greyAxis.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import { compileRecipe, type LutRecipe } from '#core/lut/recipe.ts';
import { TONE_PRESETS } from '#core/lut/toneScale.ts';
import { ARCHETYPES } from '#core/profile/index.ts';
import type { LutRecord } from './records/lut.ts';

const lut = (id: string, name: string, says: string, recipe: LutRecipe): LutRecord => ({
  id,
  name,
  says,
  output: recipe.output,
  scale: 'signal',
  coding: { bitDepth: 10, range: 'legal' },
  interpolation: 'tetrahedral',
  recipe,
  axis: sampleGreyAxis(compileRecipe(recipe).neutral),
});

const { curve, gamut, clipStops } = ARCHETYPES.wideLog;
const wide = { curve, gamut, clipStops };

/** LUTs that Salt and Fire carries. */
export const demoLuts: readonly LutRecord[] = [
  lut(
    'wide-pull-1',
    'Wide log, pull 1',
    'plain, wide log to BT.1886',
    monitoringRecipe({ profile: wide, pullStops: 1 }),
  ),
  lut('lantern-guard', 'Lanterns guarded', 'guarded, wide log to BT.1886', {
    ...monitoringRecipe({ profile: wide, pullStops: 0 }),
    tone: TONE_PRESETS.guarded.tone,
  }),
];
