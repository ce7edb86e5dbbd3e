// What a survey worker does: one clip at a time, from its container to what was measured. Types only.
import type { Pairing } from '#core/clips/pairing.ts';
import type { ClipOnCard, TakeInLog } from '#core/clips/types.ts';
import type { MarkLight } from '#core/match/clipCorrection.ts';
import type { Tones } from '#core/match/tones.ts';
import type { ReadingOptions } from '#core/formats/opened.ts';
import type { Chroma } from '#core/signal/chroma.ts';
import type { Result } from '#core/result.ts';
import type { Remembered } from '#core/scopes/looks.ts';
import type { FoundMark } from '#core/scopes/refind.ts';
import type { MeasureOptions } from '#core/scopes/measureFrame.ts';
import type { ClipFacts } from '../demux/protocol.ts';
import type { ClipInfo, ClipSample, FrameCoding, ThumbnailRequest } from '../judge/protocol.ts';

type SurveyInput = MeasureOptions & {
  readonly file: Blob;
  readonly reading: ReadingOptions;
  /** Marks that are looked for in each frame. */
  readonly remembered?: readonly Remembered[];
  readonly thumbnails: Omit<ThumbnailRequest, 'through'>;
};

/** What a clip holds and what was measured on some of its frames. */
export type SurveyedClip = {
  readonly coding: FrameCoding;
  readonly clip: Omit<ClipInfo, 'times'> & { readonly frames: number };
  readonly facts: ClipFacts;
  readonly chroma?: Chroma;
  /** Measured frames, and when they are shown, seconds. */
  readonly samples: readonly (ClipSample & {
    readonly at: number;
    /** Marks that were found, each with how well it fits, up to 1. */
    readonly marks: readonly FoundMark[];
    /** Light of each, and of each tenth of the picture, in the profile's primaries. */
    readonly lights: readonly MarkLight[];
    readonly tones: Tones;
  })[];
  /** Near its beginning, its middle and its end. PNG bytes. */
  readonly thumbnails: readonly Uint8Array<ArrayBuffer>[];
  /** Why it ends before its end, where it does. */
  readonly cutShort?: string;
};

export type SurveyJobs = {
  survey: { input: SurveyInput; output: Result<SurveyedClip> };
  pair: {
    input: {
      readonly clips: readonly ClipOnCard[];
      readonly takes: readonly TakeInLog[];
      readonly offset?: number;
    };
    output: Pairing;
  };
};
