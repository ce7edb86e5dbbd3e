import type { Temperature } from '#core/colour/temperature.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { compileProfile, type Profile } from '#core/profile/index.ts';
import type { Distribution } from '#core/scopes/distribution.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import type { Coding } from '#core/signal/scale.ts';
import { judgeFrame, type Drift, type Verdict } from '#core/verdict/index.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import type { Selection } from '#store/selection.ts';
import type { ClipSample } from '#workers/judge/protocol.ts';
import type { OpenFrame } from './session/state.ts';
import type { StripSample } from './strip.ts';
import { stripSample } from './stripSample.ts';

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
  /** The camera's profiles and the one that is set: what a picture may have been recorded with instead. */
  readonly kit?: {
    readonly profileIds: readonly string[];
    readonly setId: string;
    readonly profiles: ReadonlyMap<string, ProfileRecord>;
  };
  readonly samples?: readonly ClipSample[];
  /** Whose matches are heard: the camera at hand, and the names of all. */
  readonly matches?: {
    readonly of: Pick<Selection, 'camera' | 'profile' | 'plan' | 'setup' | 'shoot' | 'hero'>;
    readonly cameras: ReadonlyMap<string, { readonly name: string }>;
  };
  readonly muted?: readonly string[];
};

const compiled = new WeakMap<ProfileRecord, Profile>();
const compiledOnce = (record: ProfileRecord): Profile => {
  const profile = compiled.get(record) ?? compileProfile(record.data);
  compiled.set(record, profile);
  return profile;
};

const othersOf = ({ profileIds, setId, profiles }: NonNullable<JudgeContext['kit']>) =>
  profileIds.flatMap((id) => {
    const record = id === setId ? undefined : profiles.get(id);
    return record ? [{ name: record.name, profile: compiledOnce(record) }] : [];
  });

/** The match that is in force in a light, with the name of the camera it goes to. */
const matchOf = ({ of, cameras }: NonNullable<JudgeContext['matches']>, kelvin: number) => {
  const found = matchInLight(of, kelvin);
  const hero = found && cameras.get(found.heroCameraId)?.name;
  return found && hero !== undefined ? { hero, correction: found.correction, from: found.from } : undefined;
};

/** The dial of a camera whose ISO is an exposure index. */
const indexOf = ({ camera, plan }: NonNullable<JudgeContext['matches']>['of']) =>
  camera.sensitivity === 'ei'
    ? { set: plan.iso, bases: camera.baseIsos, dial: camera.isos, follows: camera.zebra.follows }
    : undefined;

/** Every rule's word on a frame; only files are held against how the camera records. */
export const judgementOf = (
  measurement: FrameMeasurement,
  distribution: Distribution,
  { numbers, placement, light, coding, kind, kit, samples, matches, muted }: JudgeContext,
): Verdict[] => {
  const recorded = kind === 'still' || kind === 'clip' ? coding : undefined;
  const drift = samples && driftFigures(driftOf(samples, numbers, light), placement);
  const others = kit && othersOf(kit);
  const match = matches && light && matchOf(matches, light.kelvin);
  const index = matches && indexOf(matches.of);
  return judgeFrame(
    { measurement, distribution, numbers, placement, light, recorded, others, drift, match, index },
    muted,
  );
};

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
