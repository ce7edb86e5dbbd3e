import { monitoringRecipe } from '#core/lut/monitoring.ts';
import { TONE_PRESETS } from '#core/lut/toneScale.ts';
import { ARCHETYPES } from '#core/profile/index.ts';
import { lutOfRecipe } from '../lutOfRecipe.ts';
import type { LutRecord } from '../records/lut.ts';

const CODING = { bitDepth: 10, range: 'legal' } as const;

const { curve, gamut, clipStops } = ARCHETYPES.wideLog;
const wide = { curve, gamut, clipStops };

/** LUTs that Salt and Fire carries. */
export const demoLuts: readonly LutRecord[] = [
  lutOfRecipe(
    { id: 'wide-pull-1', name: 'Wide log, pull 1', says: 'plain, wide log to BT.1886' },
    monitoringRecipe({ profile: wide, pullStops: 1 }),
    CODING,
  ),
  lutOfRecipe(
    { id: 'lantern-guard', name: 'Lanterns guarded', says: 'guarded, wide log to BT.1886' },
    { ...monitoringRecipe({ profile: wide, pullStops: 0 }), tone: TONE_PRESETS.guarded.tone },
    CODING,
  ),
];
