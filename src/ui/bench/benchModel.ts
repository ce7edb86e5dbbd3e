import { indexForPlacement, placementOfIndex } from '#core/exposure/iso.ts';
import { setCardNumbers, type SetCardNumbers } from '#core/exposure/setCard.ts';
import { codeToSignal, type Coding } from '#core/signal/scale.ts';
import { stopsDistribution, type Distribution } from '#core/scopes/distribution.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import { judgeFrame, type Drift, type Verdict } from '#core/verdict/index.ts';
import { balancedLight } from '#core/colour/lean.ts';
import type { Temperature } from '#core/colour/temperature.ts';
import type { ClipSample } from '#workers/judge/protocol.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import { monitorPicture } from '#store/monitorPicture.ts';
import type { Selection } from '#store/selection.ts';
import type { OpenFrame } from './session/state.ts';
import { stripSample, type StripSample } from './strip.ts';

/** The card's numbers for a selection; `draft` stands in for its profile while one is being solved. */
export const cardNumbersOf = (selection: Selection, draft?: ProfileData): SetCardNumbers =>
  setCardNumbers(
    draft ?? selection.profile.data,
    selection.camera,
    selection.plan,
    selection.subjects,
    selection.setup.fps,
    monitorPicture(selection, draft ?? selection.profile.data),
  );

/** The open frame on the ladder: its luma histogram through the profile of the card. */
export const distributionOf = (measurement: FrameMeasurement, numbers: SetCardNumbers): Distribution => {
  const { coding, histogram } = measurement;
  const perLevel = 2 ** coding.bitDepth / histogram.length;
  return stopsDistribution(histogram, (level) =>
    numbers.profile.stopsAt(codeToSignal(level * perLevel, coding)),
  );
};

/**
 * What the verdicts need beside the frame: the card, how the camera is dialled, what the frame is, what moved
 * over a clip.
 */
export type JudgeContext = {
  readonly numbers: SetCardNumbers;
  readonly placement: number;
  readonly light?: Temperature;
  /** How the camera records. */
  readonly coding?: Coding;
  readonly kind?: OpenFrame['kind'];
  readonly samples?: readonly ClipSample[];
  readonly muted?: readonly string[];
};

/** Every rule's word on a frame; only files are held against how the camera records. */
export const judgementOf = (
  measurement: FrameMeasurement,
  distribution: Distribution,
  { numbers, placement, light, coding, kind, samples, muted }: JudgeContext,
): Verdict[] => {
  const recorded = kind === 'still' || kind === 'clip' ? coding : undefined;
  const drift = samples && driftFigures(driftOf(samples, numbers, light), placement);
  return judgeFrame({ measurement, distribution, numbers, placement, light, recorded, drift }, muted);
};

/** The light that a camera renders neutral as it is dialled; `kelvin` and `tint` where they are turned off the plan. */
export const dialledLight = (
  { plan, camera }: Pick<Selection, 'plan' | 'camera'>,
  { kelvin = plan.kelvin, tint = plan.tint }: { readonly kelvin?: number; readonly tint?: number } = {},
): Temperature => balancedLight({ kelvin, tint }, camera.lean);

/** What moved between the measured frames of a clip; undefined for fewer than two. */
export const driftFigures = (drift: readonly StripSample[], planned: number): Drift | undefined => {
  if (drift.length < 2) return undefined;
  const spread = (values: readonly number[]) => Math.max(...values) - Math.min(...values);
  const casts = drift.flatMap(({ mired }) => (mired === undefined ? [] : [mired]));
  const worst = worstOf(drift, planned);
  return {
    frames: drift.length,
    stops: spread(drift.map(({ stops }) => Math.max(-12, stops))),
    byCard: drift.every(({ byCard }) => byCard),
    mired: casts.length > 1 ? spread(casts) : undefined,
    worst: worst?.at ?? 0,
  };
};

/** A frame's faults as one number: stops off the plan, what clips, and the cast. */
const badness = (sample: StripSample, planned: number): number =>
  (sample.byCard ? Math.abs(sample.stops - planned) : 0) +
  20 * sample.clipped +
  Math.abs(sample.mired ?? 0) / 60;

/** The frame that is furthest off: by the card, by clipping, by its cast. */
export const worstOf = (drift: readonly StripSample[], planned: number): StripSample | undefined =>
  drift.reduce<StripSample | undefined>(
    (worst, sample) =>
      worst === undefined || badness(sample, planned) > badness(worst, planned) ? sample : worst,
    undefined,
  );

/** Drift of the measured frames of a clip. */
export const driftOf = (
  samples: readonly ClipSample[],
  numbers: SetCardNumbers,
  light?: Temperature,
): StripSample[] => samples.map(({ frame, measurement }) => stripSample(frame, measurement, numbers, light));

/**
 * Changes of a plan with what they bring along: where the dial is an exposure index, it and the placement are one
 * decision, so that one follows the other.
 */
export const linkedFields = (
  { camera, plan }: Selection,
  fields: Partial<PlanRecord>,
): Partial<PlanRecord> => {
  if (camera.sensitivity !== 'ei') return fields;
  if (fields.iso !== undefined)
    return { ...fields, placement: placementOfIndex(fields.iso, camera.baseIsos) };
  if (fields.placement === undefined) return fields;
  return { ...fields, iso: indexForPlacement(fields.placement, plan.iso, camera.baseIsos, camera.isos) };
};
