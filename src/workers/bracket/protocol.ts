// What the bracket worker does: reads a card off one frame at a time, weighs what a profile rests on. Types only; it
// keeps nothing.
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

export type FilmedCard = CardReading & { readonly coding: Coding };

export type BracketJobs = {
  /** The recorded codes as they are, to see where the card stands. */
  preview: { input: PreviewInput; output: Result<Pixels> };
  reading: { input: ReadingInput; output: Result<FilmedCard> };
  /** What each source of a profile does to the whole. */
  effects: { input: { readonly items: readonly EvidenceItem[] }; output: readonly EvidenceEffect[] };
};
