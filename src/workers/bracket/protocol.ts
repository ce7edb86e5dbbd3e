// What the bracket worker does: reads a card off one frame at a time, weighs what a profile rests on, holds two frames
// against each other. Types only; it keeps nothing.
import type { FilmedCamera } from '#core/cameraTest/film/film.ts';
import type { InCameraId } from '#core/inCamera/settings.ts';
import type { TwoFrames } from '#core/inCamera/twoFrames.ts';
import type { EvidenceItem } from '#core/profile/index.ts';
import type { EvidenceEffect } from '#core/profile/making.ts';
import type { CardMark, CardReading } from '#core/scopes/cardReading.ts';
import type { Result } from '#core/result.ts';
import type { Coding, Range } from '#core/signal/scale.ts';
import type { Pixels } from '../judge/protocol.ts';

type PreviewInput = {
  readonly bytes: ArrayBuffer;
  readonly range: Range;
  readonly maxWidth: number;
};
type ReadingInput = {
  readonly bytes: ArrayBuffer;
  readonly range: Range;
  readonly mark: CardMark;
};

/** Two frames of the same thing as files, without a setting and with it. */
type PairInput = {
  readonly without: ArrayBuffer;
  readonly with: ArrayBuffer;
  readonly range: Range;
};
/** What a setting does, and how the frames it was measured on are coded. */
export type MeasuredPair = { readonly frames: TwoFrames; readonly coding: Coding };

export type FilmedCard = CardReading & { readonly coding: Coding };

export type BracketJobs = {
  /** The recorded codes as they are, to see where the card stands. */
  preview: { input: PreviewInput; output: Result<Pixels> };
  reading: { input: ReadingInput; output: Result<FilmedCard> };
  pair: { input: PairInput; output: Result<MeasuredPair> };
  /** The same of two frames that the stage films. */
  stagePair: {
    input: { readonly camera: FilmedCamera; readonly setting: InCameraId; readonly seed: number };
    output: Result<MeasuredPair>;
  };
  /** What each source of a profile does to the whole. */
  effects: { input: { readonly items: readonly EvidenceItem[] }; output: readonly EvidenceEffect[] };
};
