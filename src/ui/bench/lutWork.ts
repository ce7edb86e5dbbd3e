import type { Correction } from '#core/grade/order.ts';
import type { LookFeed } from '#core/lut/chain.ts';
import type { CubeScale } from '#core/lut/cubeScale.ts';
import type { LutBuild } from '#store/records/lut.ts';
import type { OutputId } from '#core/lut/outputs.ts';
import type { ToneScale, TonePresetId } from '#core/lut/toneScale.ts';
import { TONE_PRESETS } from '#core/lut/toneScale.ts';
import type { LutRecipe } from '#core/lut/recipe.ts';

/** A chain being put together. A source is `build`, `computed`, `none`, `opened`, or a LUT of the kit by its id. */
export type ChainFields = {
  /** Thirds of a stop taken off (−) or added before the conversion. */
  readonly thirds: number;
  readonly conversion: string;
  readonly inverse: boolean;
  readonly look: string;
  readonly intensity: number;
  readonly feed: LookFeed;
};

/** What is at hand on the LUTs screen. The LUT being built is the plan's, ahead of it while a slider moves; the rest is not worth a record. */
export type LutWork = {
  readonly build: LutBuild;
  readonly chain: ChainFields;
  readonly inspected: string;
  /** What 0..1 means in the opened file. */
  readonly openedScale: CubeScale;
  /** What the opened file ends in: a file seldom says. */
  readonly openedOutput: OutputId;
  readonly compared: readonly [string, string];
  readonly correction: Correction;
};

export const FIRST_WORK: LutWork = {
  build: { output: 'bt1886', peak: 1000, preset: 'plain', moved: {}, saturation: 1 },
  chain: { thirds: 0, conversion: 'build', inverse: false, look: 'none', intensity: 0.5, feed: 'display' },
  inspected: 'build',
  openedScale: 'signal',
  openedOutput: 'bt1886',
  compared: ['build', 'build:17'],
  correction: { stops: -1, mired: 0 },
};

/** The fields that build a kept recipe again, with its own pull. */
export const buildOf = ({ output, peak, tone, saturation, pullStops }: LutRecipe): LutBuild => {
  const fits = (preset: TonePresetId) =>
    JSON.stringify({ ...TONE_PRESETS[preset].tone, ...tone }) ===
    JSON.stringify({ ...TONE_PRESETS[preset].tone });
  const preset = (Object.keys(TONE_PRESETS) as TonePresetId[]).find(fits);
  return {
    output,
    peak: output === 'pq' ? peak : FIRST_WORK.build.peak,
    preset: preset ?? 'plain',
    moved: preset ? {} : tone,
    saturation,
    pull: pullStops,
  };
};

/** The tone scale of a preset with what was moved. */
export const toneOf = ({ preset, moved }: Pick<LutBuild, 'preset' | 'moved'>): ToneScale => ({
  ...TONE_PRESETS[preset].tone,
  ...moved,
});
