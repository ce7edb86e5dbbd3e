// What a stills worker does: decoding and encoding of whole pictures, which cannot let others go in between.
// Types only.
import type { OpenedFrame, ReadingOptions } from '#core/formats/opened.ts';
import type { Frame } from '#core/frame/frame.ts';
import type { Result } from '#core/result.ts';

export type StillJobs = {
  open: {
    input: { readonly bytes: ArrayBuffer; readonly options: ReadingOptions };
    output: Result<OpenedFrame>;
  };
  write: { input: { readonly frame: Frame }; output: { readonly png: Uint8Array<ArrayBuffer> } };
};

/**
 * Opens and writes stills, here or elsewhere. A signal that is aborted ends the work; what comes of it is not
 * waited for.
 */
export type Stills = {
  /** Bytes stay with the caller. */
  readonly open: (
    bytes: Uint8Array,
    options: ReadingOptions,
    signal: AbortSignal,
  ) => Promise<Result<OpenedFrame>>;
  readonly write: (frame: Frame, signal: AbortSignal) => Promise<Result<Uint8Array<ArrayBuffer>>>;
};
