import { createWriteStream, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { once } from 'node:events';
import type { ServedClip } from '#core/frame/servedClip.ts';
import { failure, success, type Result } from '#core/result.ts';
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

/** Forgets a clip; its file goes with it. */
export const dropClip = async (id: string): Promise<void> => {
  const one = kept.get(id);
  kept.delete(id);
  if (one) await rm(one.path, { force: true });
};

const dropIdle = async (now: number): Promise<void> => {
  for (const [id, { used }] of kept) if (now - used > IDLE_MS) await dropClip(id);
};

/** The longest unused ones make way for a new clip. */
const makeWay = async (): Promise<void> => {
  const oldest = [...kept].sort(([, a], [, b]) => a.used - b.used);
  for (const [id] of oldest.slice(0, Math.max(0, kept.size - MOST_CLIPS + 1))) await dropClip(id);
};

const write = async (body: ReadableStream<Uint8Array>, path: string): Promise<Result<number>> => {
  const file = createWriteStream(path, { mode: 0o600, flags: 'wx' });
  let size = 0;
  try {
    for await (const part of body as unknown as AsyncIterable<Uint8Array>) {
      size += part.length;
      if (size > MOST_BYTES)
        return failure('clip', `The clip is larger than ${MOST_BYTES / 1e9} GB: cut it first.`);
      if (!file.write(part)) await once(file, 'drain');
    }
    file.end();
    await once(file, 'close');
    return size === 0 ? failure('byte 0', 'The clip is empty: copy it from the card again.') : success(size);
  } finally {
    // A file that is still being opened would come to be after it was cleared away.
    if (!file.closed) {
      const closed = once(file, 'close');
      file.destroy();
      await closed;
    }
  }
};

/** Takes a clip in; whatever goes wrong, nothing of it stays. */
export const takeClip = async (
  body: ReadableStream<Uint8Array> | null,
  signal: AbortSignal,
): Promise<Result<ServedClip>> => {
  if (!hasFfmpeg()) return NO_FFMPEG;
  if (!body) return failure('byte 0', 'The clip is empty: copy it from the card again.');
  const id = crypto.randomUUID();
  const path = join(ownFolder(), id);
  await makeWay();
  let taken = false;
  try {
    const written = await write(body, path);
    if (!written.ok) return written;
    const probed = await probeClip(id, path, signal);
    if (!probed.ok || signal.aborted) return probed;
    kept.set(id, { clip: probed.value, path, used: Date.now() });
    taken = true;
    return probed;
  } catch (error) {
    const detail = error instanceof Error ? error.message : String(error);
    return failure('clip', `It could not be taken over (${detail.slice(0, 80)}): try again.`);
  } finally {
    if (!taken) await rm(path, { force: true });
  }
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
  one.used = Date.now();
  return readFrames(one.clip, one.path, n, Math.min(MOST_FRAMES, Math.max(1, count)), signal);
};
