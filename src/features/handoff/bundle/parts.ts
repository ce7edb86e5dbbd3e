import type { LutWords } from '#core/formats/writeLut.ts';
import type { LutFormatId } from '#core/formats/lutFormats.ts';
import type { Coding } from '#core/signal/scale.ts';
import type { BookRecords } from '#store/book.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import type { LutRecord } from '#store/records/lut.ts';
import type { ShootRecord } from '#store/records/shoot.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import type { TakeRecord } from '#store/records/take.ts';
import type { KeptStill } from '../stills/stillBox.ts';
import type { PaperTools } from '#ui/paper/sheet.ts';

/** What the clips of a shoot are told by. */
export type ClipsOf = {
  readonly records: BookRecords;
  readonly takes: readonly TakeRecord[];
  readonly clips: readonly ClipRecord[];
};

/** What a bundle is made from: the records of one shoot. */
export type BundleOf = ClipsOf & {
  readonly shoot: ShootRecord;
  /** The part of the shoot that it is narrowed to, with the set-ups and cameras that play in it: `setup:camera`. */
  readonly part?: { readonly name: string; readonly plays: ReadonlySet<string> };
  /** Pictures that were kept for it. */
  readonly stills?: readonly KeptStill[];
  /** Date of its newest record. */
  readonly at: Date;
  /** Small pictures by the ids of their takes, and of their clips with a number behind: PNG. */
  readonly thumbnails: ReadonlyMap<string, Uint8Array>;
  /** The shoot as Candelum reads it back. */
  readonly shootJson: string;
};

/** A LUT that is baked when the bundle is made. */
export type LutToBake = {
  readonly spec: LutSpec;
  /** LUTs of the kit whose files have to be there. */
  readonly needs?: readonly LutRecord[];
  readonly format: Extract<LutFormatId, 'cube' | 'clf'>;
  readonly size: number;
  /** A curve before the cube: of a CLF. */
  readonly shaped: boolean;
  readonly coding: Coding;
  readonly words: LutWords;
};

/** Makes the bytes of a file, with what the page can do for it. */
type MakeBytes = (tools: PaperTools) => Promise<Uint8Array<ArrayBuffer>>;

/** A file of a bundle: its path, what it is for, and its text, the LUT it is baked from, or what makes its bytes. */
export type BundleFile = {
  readonly path: string;
  readonly says: string;
} & ({ readonly text: string } | { readonly lut: LutToBake } | { readonly bytes: MakeBytes });

/** What one part puts into a bundle, and what it had to leave out, a sentence each. */
export type BundlePart = {
  readonly files: readonly BundleFile[];
  readonly leftOut: readonly string[];
};
