// What the room's worker does: several inputs at once, a picture of each at a time. Types only.
import type { EveningFault } from '#core/room/evening.ts';
import type { InputState } from '#core/room/liveness.ts';
import type { RoomPatch } from '#core/room/drift.ts';
import type { MatchKind } from '#core/match/patches.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { Result } from '#core/result.ts';
import type { WaveOutline } from '#core/scopes/outline.ts';
import type { CameraBody, CameraSettings } from '#core/sensor/camera.ts';
import type { Range } from '#core/signal/scale.ts';
import type { FrameCoding, Pixels, SceneInput } from '../judge/protocol.ts';
import type { Share } from '../match/protocol.ts';

/** A simulated camera before the hall. */
export type StageSetting = {
  readonly body: CameraBody;
  readonly settings: CameraSettings;
  /** How many seconds of the evening go by in one. */
  readonly pace: number;
  /** Its automatics are the ones that were left on. */
  readonly isLeftOn: boolean;
};

/** Where an input's pictures come from. */
export type RoomSource =
  | { readonly kind: 'feed'; readonly frames: ReadableStream<VideoFrame>; readonly name: string }
  | { readonly kind: 'clip'; readonly file: Blob }
  | (StageSetting & { readonly kind: 'stage'; readonly scene: SceneInput; readonly seed: number });

/** A thing that is marked on an input. */
export type RoomMark = { readonly name: string; readonly kind: MatchKind; readonly place: Share };

/** How an input is read. */
export type RoomReading = {
  readonly profile: ProfileData;
  readonly floorStops: number;
  readonly range: Range;
  /** Stops that its monitor's picture takes off. */
  readonly pullStops: number;
  readonly marks: readonly RoomMark[];
};

/** What is drawn of a picture. Waveforms are on one scale for all inputs: % of signal, −5 to 109. */
export type RoomDrawing = {
  readonly width: number;
  readonly wave: readonly [columns: number, height: number];
  readonly vector: number;
  /** A part of it that is shown at its own size, too. */
  readonly near?: Share;
};

export type RoomPicture = {
  readonly coding: FrameCoding;
  /** Seconds on the input's own clock; of the stage those of the evening. */
  readonly at: number;
  /** When it came, ms since 1970. */
  readonly arrivedAt: number;
  /** Pictures that came since the last one that was taken. */
  readonly dropped: number;
  readonly state: InputState;
  /** Share of its pixels well under black, %: where it is read as legal it may be none. */
  readonly under: number;
  /** Share of it at the clip of its profile, by luma, %. */
  readonly clipped: number;
  readonly patches: readonly RoomPatch[];
  readonly picture: Pixels;
  readonly near?: Pixels;
  readonly wave: Pixels;
  readonly waveLine: WaveOutline;
  readonly vector: Pixels;
  readonly vectorLine: readonly (readonly [number, number])[];
  /** What runs on the simulated camera that should not, and what of the stage went wrong; its truth. */
  readonly faults?: readonly EveningFault[];
};

type OpenInput = { readonly id: string; readonly source: RoomSource; readonly reading: RoomReading };
type NextInput = { readonly id: string; readonly reading: RoomReading; readonly drawing: RoomDrawing };

export type RoomJobs = {
  /** Takes an input's pictures from now on, in the place of those before; waits for none. */
  open: { input: OpenInput; output: Result<undefined> };
  /** Its newest picture, measured and drawn; a failure where none comes. */
  next: { input: NextInput; output: Result<RoomPicture> };
  /** Turns a simulated camera; `to` puts the evening's clock there. */
  stage: { input: { readonly id: string; readonly to?: number } & StageSetting; output: undefined };
  /** Lets an input go. */
  close: { input: { readonly id: string }; output: undefined };
};
