import { ownEntry } from '../ownEntry.ts';
import { LUMA, type LumaId } from '../signal/luma.ts';
import type { Range } from '../signal/scale.ts';

/**
 * What a container says of its codes, in the words of ITU-T H.273 (code points of clauses 8.1 to 8.3) as far
 * as they are known; undefined where it says nothing.
 */
export type SourceTags = {
  readonly range?: Range;
  readonly primaries?: string;
  readonly transfer?: string;
  readonly matrix?: string;
};

/** How a picture came to be read: whether its codes are those of the file, and what may have changed them. */
export type Exactness = { readonly exact: boolean; readonly why?: string };

export const EXACT: Exactness = { exact: true };

type Tag = 'primaries' | 'transfer' | 'matrix';

/**
 * Names that different programs give the same thing, as one, for each tag by itself: SMPTE 170M is BT.709's
 * curve but BT.601's matrix. `''` says nothing.
 */
const SAME: Readonly<Record<Tag, Readonly<Record<string, string>>>> = {
  primaries: {},
  transfer: {
    'arib-std-b67': 'hlg',
    smpte2084: 'pq',
    'iec61966-2-1': 'srgb',
    'bt2020-10': 'bt709',
    'bt2020-12': 'bt709',
    smpte170m: 'bt709',
    bt470bg: 'bt709',
  },
  matrix: {
    'bt2020-ncl': 'bt2020',
    bt2020nc: 'bt2020',
    smpte170m: 'bt601',
    bt470bg: 'bt601',
  },
};
const SILENT: ReadonlySet<string> = new Set(['', 'unknown', 'unspecified', 'reserved']);

/** A tag in the words used here; undefined when it says nothing. */
export const plainTag = (tag: Tag, name: string | null | undefined): string | undefined =>
  name && !SILENT.has(name) ? (ownEntry(SAME[tag], name) ?? name) : undefined;

/**
 * The matrix to read Y'CbCr by: the tag's where it is one of the three known, else BT.709, since every camera
 * that records log is at least HD.
 */
export const matrixOfTags = ({ matrix }: SourceTags): LumaId =>
  matrix !== undefined && Object.hasOwn(LUMA, matrix) ? (matrix as LumaId) : 'bt709';
