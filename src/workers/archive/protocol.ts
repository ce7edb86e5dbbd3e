// What the archive worker does: one JSON document and files beside it, as a zip. It keeps nothing.
import type { Result } from '#core/result.ts';

export type ArchiveFile = { readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> };

/** A document and what lies beside it. */
export type Archive = { readonly document: unknown; readonly files: readonly ArchiveFile[] };

export type ArchiveJobs = {
  pack: { input: Archive; output: Uint8Array<ArrayBuffer> };
  /** A zip, or the JSON document alone; a failure says what is wrong with it. */
  unpack: { input: Uint8Array<ArrayBuffer>; output: Result<Archive> };
};
