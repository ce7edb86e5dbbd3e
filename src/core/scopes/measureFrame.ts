import type { Referred } from '../formats/opened.ts';
import type { Frame } from '../frame/frame.ts';
import type { Exactness, SourceTags } from '../frame/tags.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import { maxCode, signalToCode, type Coding } from '../signal/scale.ts';
import type { MarkCells } from './marks.ts';
import {
  lightByCode,
  measureClipping,
  measurePatch,
  measureShadows,
  nearOf,
  type Clipping,
  type NearClip,
  type Patch,
  type PatchReading,
  type Shadows,
} from './measure.ts';

/** Clip is counted from this far under the profile's clip, stops: codes near the top are rounded. Our own. */
export const CLIP_SLACK_STOPS = 1 / 24;
/** What counts as near clip: within this far under it, stops. Our own. */
export const NEAR_CLIP_STOPS = 1 / 3;

/** What was measured on the codes of one frame. */
export type FrameMeasurement = {
  readonly width: number;
  readonly height: number;
  readonly coding: Coding;
  /** Luma histogram, by level. */
  readonly histogram: Uint32Array;
  readonly clipping: Clipping;
  /** Pixels within a third of a stop under clip, and where most of them lie. */
  readonly near: NearClip;
  readonly shadows: Shadows;
  readonly patches: readonly PatchReading[];
  /** How the frame was read. */
  readonly origin: {
    readonly tags: SourceTags;
    readonly referred: Referred;
    readonly exactness: Exactness;
  };
};

/** A frame with what can be counted of it. */
export type CountedFrame = {
  readonly frame: Frame;
  /** Luma of each pixel, codes. */
  readonly luma: Uint16Array;
  readonly origin: FrameMeasurement['origin'];
  /** Marks at these codes; the counts may be overwritten by the next call. */
  readonly cells: (clipCode: number, floorCode: number) => MarkCells;
  readonly histogram: (plane: 'luma') => Uint32Array;
};

/** What a frame is measured against: the profile, its clip and floor in stops from middle grey, and marked places. */
export type MeasureOptions = {
  readonly profile: ProfileData;
  readonly clipStops: number;
  readonly floorStops: number;
  readonly patches: readonly Patch[];
};

/** Everything the verdicts need of a frame: codes as recorded, shares of the picture 0..1. */
export const measureFrame = (
  { frame, luma, origin, cells, histogram }: CountedFrame,
  { profile: data, clipStops, floorStops, patches }: MeasureOptions,
): FrameMeasurement => {
  const profile = compileProfile(data);
  const top = maxCode(frame.bitDepth);
  const codeAt = (stops: number) => signalToCode(profile.signalAt(stops), frame);
  const clipCode = (under: number) => Math.min(top, Math.ceil(codeAt(clipStops - under)));
  const near = measureClipping(cells(clipCode(NEAR_CLIP_STOPS), 0));
  const marked = cells(clipCode(CLIP_SLACK_STOPS), Math.max(1, codeAt(floorStops)));
  const clipping = measureClipping(marked);
  const lights = patches.length > 0 ? lightByCode(profile, frame) : undefined;
  const { bitDepth, range, feed } = frame;
  return {
    width: frame.width,
    height: frame.height,
    coding: { bitDepth, range, ...(feed ? { feed } : {}) },
    histogram: histogram('luma'),
    clipping,
    near: nearOf(near, clipping),
    shadows: measureShadows(marked),
    patches: patches.map((patch) => measurePatch(frame, luma, patch, lights)),
    origin,
  };
};
