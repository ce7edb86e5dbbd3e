// What a demultiplexing worker does: finds the frames of one clip in its container and decodes them. Types only.
import type { ContainerFacts } from '#core/formats/movFacts.ts';
import type { DecodedPicture } from '#core/formats/video.ts';
import type { Result } from '#core/result.ts';

/** Why a clip is left to the helper: this browser has no decoder for it. */
export type Undecodable = { readonly codec: string };

/** When each frame is shown, seconds, and how long the last one stands. */
export type FrameTimes = { readonly times: Float64Array; readonly last: number };

/** What the container says of the clip as a whole. */
export type ClipFacts = ContainerFacts & {
  /** Clockwise turn under which it is shown, degrees. */
  readonly rotation?: number;
};

/** What came of opening; `undecodable` when only the decoder is missing. */
export type Demuxed =
  | Result<FrameTimes & { readonly facts: ClipFacts }>
  | { readonly ok: false; readonly undecodable: Undecodable };

/** Jobs on the one file that the worker was started for; each tells from time to time that it gets on. */
export type DemuxJobs = {
  open: { input: { readonly file: Blob }; output: Demuxed };
  /** Frames that will be asked for next, rising: that is quicker than one by one. */
  expect: { input: { readonly frames: readonly number[] }; output: undefined };
  frame: { input: { readonly n: number }; output: Result<DecodedPicture> };
};
