import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import {
  strFromU8,
  strToU8,
  unzipSync,
  Zip,
  ZipDeflate,
  zipSync,
  type UnzipFileInfo,
  type Zippable,
} from 'fflate';
import { failure, success, type Result } from '#core/result.ts';
import type { Handlers } from '../rpc/serve.ts';
import type { Archive, ArchiveJobs } from './protocol.ts';

/** The document's name in the zip. */
const DOCUMENT = 'candelum.json';

/** Most that is unpacked, bytes: a log of ten thousand takes holds a tenth of it. */
const MOST_BYTES = 1_000_000_000;

/** Pictures do not get smaller. */
const isPacked = (name: string) => name.endsWith('.png');

export const packed = ({ document, files }: Archive): Uint8Array<ArrayBuffer> => {
  const entries: Zippable = { [DOCUMENT]: [strToU8(`${JSON.stringify(document, null, 1)}\n`), { level: 6 }] };
  for (const { name, bytes } of files) entries[name] = [bytes, { level: isPacked(name) ? 0 : 6 }];
  return zipSync(entries) as Uint8Array<ArrayBuffer>;
};

const parsed = (bytes: Uint8Array): Result<unknown> => {
  try {
    return success(JSON.parse(strFromU8(bytes).replace(/^\ufeff/, '')));
  } catch {
    return failure(
      'file',
      'This is no back-up: it is neither a zip of Candelum nor its JSON. Choose another file.',
    );
  }
};

const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b;

export const unpacked = (bytes: Uint8Array): Result<Archive> => {
  if (!isZip(bytes)) {
    const document = parsed(bytes);
    return document.ok ? success({ document: document.value, files: [] }) : document;
  }
  let size = 0;
  let entries: Readonly<Record<string, Uint8Array>>;
  try {
    const filter = ({ originalSize }: UnzipFileInfo) => {
      size += originalSize;
      return size <= MOST_BYTES;
    };
    entries = unzipSync(bytes, { filter });
  } catch {
    return failure('file', 'The zip is damaged or not whole: fetch the file again, or choose an older one.');
  }
  if (size > MOST_BYTES)
    return failure('file', `The zip unpacks to over ${MOST_BYTES / 1e9} GB: no back-up is that large.`);
  const { [DOCUMENT]: document, ...rest } = entries;
  if (!document) return failure('file', `The zip holds no ${DOCUMENT}: it is no back-up of Candelum.`);
  const read = parsed(document);
  if (!read.ok) return read;
  const files = Object.entries(rest).map(([name, content]) => ({
    name,
    bytes: content as Uint8Array<ArrayBuffer>,
  }));
  return success({ document: read.value, files });
};

/** One day for all files: the same records make the same zip. The first that a zip can say is in 1980. */
const DAY = new Date(1980, 0, 2);

/** A zip made file by file: what is ready is given away at once. */
const growingZip = () => {
  let parts: Uint8Array<ArrayBuffer>[] = [];
  const zip = new Zip((error, chunk) => {
    if (error) throw error;
    parts.push(chunk as Uint8Array<ArrayBuffer>);
  });
  const taken = () => {
    const ready = parts;
    parts = [];
    return ready;
  };
  return {
    add: (path: string, bytes: Uint8Array) => {
      const entry = new ZipDeflate(path, { level: 6 });
      entry.mtime = DAY;
      zip.add(entry);
      entry.push(bytes, true);
      return taken();
    },
    end: () => {
      zip.end();
      return taken();
    },
  };
};

const NOT_BEGUN = failure('zip', 'No zip was begun: make it again.');

export const archiveHandlers = (): Handlers<ArchiveJobs> => {
  let zip: ReturnType<typeof growingZip> | undefined;
  return {
    pack: async (archive) => {
      const bytes = packed(archive);
      return { output: bytes, transfer: [bytes.buffer] };
    },
    unpack: async (bytes) => ({ output: unpacked(bytes) }),
    begin: async () => {
      zip = growingZip();
      return { output: undefined };
    },
    add: async ({ path, content }) => {
      if (!zip) return { output: NOT_BEGUN };
      const bytes = typeof content === 'string' ? strToU8(content) : content;
      const sealed = { bytes: bytes.length, sha256: bytesToHex(sha256(bytes)) };
      const parts = zip.add(path, bytes);
      return { output: success({ ...sealed, parts }), transfer: parts.map(({ buffer }) => buffer) };
    },
    end: async () => {
      if (!zip) return { output: NOT_BEGUN };
      const parts = zip.end();
      zip = undefined;
      return { output: success(parts), transfer: parts.map(({ buffer }) => buffer) };
    },
  };
};
