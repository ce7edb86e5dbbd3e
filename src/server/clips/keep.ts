import { createWriteStream, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as NodeStream } from 'node:stream/web';
import type { ServedClip } from '#core/frame/servedClip.ts';
import { failure, success, type Failure, type Result } from '#core/result.ts';
import { hasFfmpeg, NO_FFMPEG, probeClip, readFrames } from './ffmpeg.ts';

/** Largest clip that is taken, bytes. */
export const MOST_BYTES = 8e9;
const MOST_CLIPS = 3;
/** A clip nobody asks for goes after this. */
const IDLE_MS = 10 * 60_000;
/** Frames handed out at once. */
const MOST_FRAMES = 8;

const PREFIX = 'candelum-clips-';
const OWN = /^candelum-clips-(\d+)$/;
const ID = /^[0-9a-f-]{36}$/;

type Kept = { readonly clip: ServedClip; readonly path: string; used: number };
const kept = new Map<string, Kept>();
let folder: string | undefined;

const alive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
};

/** This server's own folder of temporary files; those of servers that are gone are cleared away. */
const ownFolder = (): string => {
  if (folder) return folder;
  for (const name of readdirSync(tmpdir())) {
    const pid = Number(OWN.exec(name)?.[1] ?? NaN);
    if (!Number.isInteger(pid)) continue;
    if (pid !== process.pid && !alive(pid)) rmSync(join(tmpdir(), name), { recursive: true, force: true });
  }
  const made = join(tmpdir(), `${PREFIX}${process.pid}`);
  mkdirSync(made, { recursive: true, mode: 0o700 });
  folder = made;
  process.once('exit', () => rmSync(made, { recursive: true, force: true }));
  setInterval(() => void dropIdle(Date.now()), IDLE_MS / 10).unref();
  return made;
};

/** Looks for ffmpeg, and makes this server's folder. */
export const prepareHelper = (): void => {
  if (hasFfmpeg()) ownFolder();
};

/** What else is written beside a clip, by its ending. */
const MADE_OF_IT = ['.cube', '.mov'] as const;

/** Forgets a clip; its file goes with it, and what was made of it. */
export const dropClip = async (id: string): Promise<void> => {
  const one = kept.get(id);
  kept.delete(id);
  if (!one) return;
  for (const ending of ['', ...MADE_OF_IT]) await rm(`${one.path}${ending}`, { force: true });
};

const dropIdle = async (now: number): Promise<void> => {
  for (const [id, { used }] of kept) if (now - used > IDLE_MS) await dropClip(id);
};

/** The longest unused ones make way for a new clip. */
const makeWay = async (): Promise<void> => {
  const oldest = [...kept].sort(([, a], [, b]) => a.used - b.used);
  for (const [id] of oldest.slice(0, Math.max(0, kept.size - MOST_CLIPS + 1))) await dropClip(id);
};

/** Uploads at once; further ones are told to wait. */
const MOST_UPLOADS = 2;
/** An upload that brings nothing for so long is ended, ms, and one that takes longer than this altogether. */
const SILENT_MS = 20_000;
const LONGEST_MS = 30 * 60_000;
let uploads = 0;

export type UploadLimits = { readonly silentMs?: number; readonly longestMs?: number };

/** Ended by the caller, by silence, or by age; `alive` puts the silence off. */
const uploadClock = (
  caller: AbortSignal,
  { silentMs = SILENT_MS, longestMs = LONGEST_MS }: UploadLimits,
): { readonly signal: AbortSignal; readonly alive: () => void; readonly stop: () => void } => {
  const ended = new AbortController();
  const end = () => ended.abort();
  const longest = setTimeout(end, longestMs);
  let silent = setTimeout(end, silentMs);
  return {
    signal: AbortSignal.any([caller, ended.signal]),
    alive: () => {
      clearTimeout(silent);
      silent = setTimeout(end, silentMs);
    },
    stop: () => {
      clearTimeout(longest);
      clearTimeout(silent);
    },
  };
};

const TOO_LARGE = failure('clip', `The clip is larger than ${MOST_BYTES / 1e9} GB: cut it first.`);

/** Why a clip was not written, in words. */
const writeFailure = (error: unknown, caller: AbortSignal): Failure => {
  const { code, message } = error as NodeJS.ErrnoException;
  if (code === 'ENOSPC' || code === 'EDQUOT')
    return failure(
      'disk',
      'The disk of this machine is full: make room for a copy of the clip and try again.',
    );
  if (code === 'ABORT_ERR')
    return failure('clip', caller.aborted ? 'It was stopped.' : 'The clip came too slowly: open it again.');
  return failure(
    'clip',
    `It could not be taken over (${(message ?? String(error)).slice(0, 80)}): try again.`,
  );
};

const write = async (
  body: ReadableStream<Uint8Array>,
  file: Writable,
  caller: AbortSignal,
  limits: UploadLimits,
): Promise<Result<number>> => {
  const clock = uploadClock(caller, limits);
  let size = 0;
  const counted = async function* counted(parts: AsyncIterable<Uint8Array>) {
    for await (const part of parts) {
      clock.alive();
      size += part.length;
      if (size > MOST_BYTES) throw TOO_LARGE;
      yield part;
    }
  };
  try {
    await pipeline(Readable.fromWeb(body as NodeStream<Uint8Array>), counted, file, { signal: clock.signal });
    return size === 0 ? failure('byte 0', 'The clip is empty: copy it from the card again.') : success(size);
  } catch (error) {
    return error === TOO_LARGE ? TOO_LARGE : writeFailure(error, caller);
  } finally {
    clock.stop();
  }
};

const toDisk = (path: string): Writable => createWriteStream(path, { mode: 0o600, flags: 'wx' });

/**
 * Takes a clip in; whatever goes wrong, nothing of it stays.
 * @param signal Stops it: the upload, and the probe after it.
 */
export const takeClip = async (
  body: ReadableStream<Uint8Array> | null,
  signal: AbortSignal,
  { open = toDisk, ...limits }: UploadLimits & { readonly open?: (path: string) => Writable } = {},
): Promise<Result<ServedClip>> => {
  if (!hasFfmpeg()) return NO_FFMPEG;
  if (!body) return failure('byte 0', 'The clip is empty: copy it from the card again.');
  if (uploads >= MOST_UPLOADS) {
    void body.cancel().catch(() => undefined);
    return failure('helper', 'The helper is taking in other clips: try again when they have come.');
  }
  uploads += 1;
  const id = crypto.randomUUID();
  const path = join(ownFolder(), id);
  let taken = false;
  try {
    await makeWay();
    const written = await write(body, open(path), signal, limits);
    if (!written.ok) return written;
    const probed = await probeClip(id, path, signal);
    if (!probed.ok || signal.aborted) return probed;
    kept.set(id, { clip: probed.value, path, used: Date.now() });
    taken = true;
    return probed;
  } finally {
    uploads -= 1;
    if (!taken) await rm(path, { force: true });
  }
};

/** A clip that was taken in, with its file; what is done with it puts its end off. */
export const keptClip = (
  id: string,
): (Pick<Kept, 'clip' | 'path'> & { readonly touch: () => void }) | undefined => {
  const one = ID.test(id) ? kept.get(id) : undefined;
  return one && { clip: one.clip, path: one.path, touch: () => void (one.used = Date.now()) };
};

/** Frames of a clip that was taken in. */
export const framesOf = async (
  id: string,
  n: number,
  count: number,
  signal: AbortSignal,
): Promise<Result<Buffer>> => {
  const one = ID.test(id) ? kept.get(id) : undefined;
  if (!one) return failure('clip', 'The helper has let the clip go: open it again.');
  if (!(Number.isInteger(n) && n >= 0 && n < one.clip.times.length))
    return failure(`frame ${n}`, `The clip has ${one.clip.times.length} frames.`);
  if (!Number.isInteger(count)) return failure('count', 'How many frames is no whole number.');
  one.used = Date.now();
  return readFrames(one.clip, one.path, n, Math.min(MOST_FRAMES, Math.max(1, count)), signal);
};
