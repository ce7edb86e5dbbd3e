// What the archive worker does: one JSON document and files beside it, as a zip; and zips file by file.
import type { Result } from '#core/result.ts';

export type ArchiveFile = { readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> };

/** A document and what lies beside it. */
export type Archive = { readonly document: unknown; readonly files: readonly ArchiveFile[] };

/** Parts of a zip in their order, as they are ready. */
type Parts = readonly Uint8Array<ArrayBuffer>[];

/** A file that went into a zip: its length and its SHA-256 (FIPS 180-4) in hexadecimal. */
export type Sealed = { readonly bytes: number; readonly sha256: string };

/** What a file of a zip holds. */
export type Content = string | Uint8Array<ArrayBuffer>;

export type ArchiveJobs = {
  pack: { input: Archive; output: Uint8Array<ArrayBuffer> };
  /** A zip, or the JSON document alone; a failure says what is wrong with it. */
  unpack: { input: Uint8Array<ArrayBuffer>; output: Result<Archive> };
  /** Begins a zip that is made file by file; one that was begun before is given up. */
  begin: { input: object; output: undefined };
  /** Puts a file into the zip that was begun. */
  add: {
    input: { readonly path: string; readonly content: Content };
    output: Result<Sealed & { readonly parts: Parts }>;
  };
  /** Ends it. */
  end: { input: object; output: Result<Parts> };
};
