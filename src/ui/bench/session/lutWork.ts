import { dequal } from 'dequal';
import type { GradeCorrection } from '#core/grade/order.ts';
import type { LookFeed } from '#core/lut/chain.ts';
import type { CubeScale } from '#core/lut/cubeScale.ts';
import type { LutRecipe } from '#core/lut/recipe.ts';
import type { OutputId } from '#core/lut/outputs.ts';
import { TONE_PRESETS, type ToneScale, type TonePresetId } from '#core/lut/toneScale.ts';
import type { LutBuild } from '#store/records/lut.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import type { LutInfo } from '#workers/luts/protocol.ts';

/** A LUT file that was opened in this window. */
export type OpenedLut = LutInfo & {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  /** What 0..1 means in it, and what it ends in: a file seldom says. */
  readonly scale: CubeScale;
  readonly output: OutputId;
};

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

/** What is at hand on the LUTs screen and not worth a record. */
export type LutWork = {
  readonly chain: ChainFields;
  readonly inspected: string;
  readonly compared: readonly [string, string];
  readonly correction: GradeCorrection;
};

export const FIRST_WORK: LutWork = {
  chain: { thirds: 0, conversion: 'build', inverse: false, look: 'none', intensity: 0.5, feed: 'display' },
  inspected: 'build',
  compared: ['build', 'build:17'],
  correction: { stops: -1, mired: 0 },
};

/** What a plan builds where nobody has built anything. */
export const FIRST_BUILD: LutBuild = {
  output: 'bt1886',
  peak: 1000,
  preset: 'plain',
  moved: {},
  saturation: 1,
};

/** A build that is being moved, and the plan it belongs to. */
export type MovingBuild = { readonly planId: string; readonly build: LutBuild };

/** The LUT being built for a plan: the plan's, or what a slider is moving it to. */
export const buildFor = (
  { id, lutBuild }: Pick<PlanRecord, 'id' | 'lutBuild'>,
  moving: MovingBuild | undefined,
): LutBuild => (moving?.planId === id ? moving.build : (lutBuild ?? FIRST_BUILD));

/** The fields that build a kept recipe again, with its own pull. */
export const buildOf = ({ output, peak, tone, saturation, pullStops, gamutMap }: LutRecipe): LutBuild => {
  const fits = (preset: TonePresetId) =>
    dequal({ ...TONE_PRESETS[preset].tone, ...tone }, { ...TONE_PRESETS[preset].tone });
  const preset = (Object.keys(TONE_PRESETS) as TonePresetId[]).find(fits);
  return {
    output,
    peak: output === 'pq' ? peak : FIRST_BUILD.peak,
    preset: preset ?? 'plain',
    moved: preset ? {} : tone,
    saturation,
    gamutMap,
    pull: pullStops,
  };
};

/** The tone scale of a preset with what was moved. */
export const toneOf = ({ preset, moved }: Pick<LutBuild, 'preset' | 'moved'>): ToneScale => ({
  ...TONE_PRESETS[preset].tone,
  ...moved,
});
