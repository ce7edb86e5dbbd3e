import { createReadStream } from 'node:fs';
import { rm, stat, statfs, writeFile } from 'node:fs/promises';
import { basename, dirname } from 'node:path';
import { Readable } from 'node:stream';
import * as z from 'zod/mini';
import { PROXY_CODECS, PROXY_CODEC_IDS, proxyOptions, type ProxyCodecId } from '#core/formats/proxyScript.ts';
import { failure, success, type Result } from '#core/result.ts';
import { writeProxy } from './ffmpeg.ts';
import { keptClip } from './keep.ts';

/** Largest cube that is burned in, as text: 65 points take some 8 MB. */
const MOST_CUBE = 30_000_000;

const orderSchema = z.object({
  /** Text of the cube that is burned in. */
  cube: z.string().check(z.minLength(1), z.maxLength(MOST_CUBE)),
  range: z.enum(['legal', 'full']),
  matrix: z.enum(['bt709', 'bt2020', 'bt601']),
  timecode: z.optional(z.string().check(z.maxLength(20))),
  codec: z.enum(PROXY_CODEC_IDS),
});

/** Room that is left on the disk whatever is made, bytes. */
const SPARE = 500e6;

const gb = (bytes: number) => `${(bytes / 1e9).toFixed(1)} GB`;

const GONE = failure('clip', 'The helper has let the clip go: choose it again.');

/** Clips whose proxy is being made: it has one place, and two orders would write into each other. */
const making = new Set<string>();

/** Whether there is room for a proxy. @param free Bytes that the disk has left */
export const roomFor = (free: number, clipBytes: number, codec: ProxyCodecId): Result<undefined> => {
  const needed = clipBytes * PROXY_CODECS[codec].grows + SPARE;
  return free >= needed
    ? success(undefined)
    : failure(
        'disk',
        `The disk of this machine has ${gb(free)} free, a proxy may take ${gb(needed)}: make room first.`,
      );
};

type Progress = {
  readonly signal: AbortSignal;
  /** Told the share that is done, 0..1. */
  readonly tell: (share: number) => void;
};

const madeOf = async (
  one: NonNullable<ReturnType<typeof keptClip>>,
  order: z.infer<typeof orderSchema>,
  { signal, tell }: Progress,
): Promise<Result<{ readonly bytes: number }>> => {
  const { cube, codec, ...picture } = order;
  const [folder, cubePath, out] = [dirname(one.path), `${one.path}.cube`, `${one.path}.mov`];
  const { bavail, bsize } = await statfs(folder);
  const room = roomFor(bavail * bsize, (await stat(one.path)).size, codec);
  if (!room.ok) return room;
  const whole = (one.clip.times.at(-1) ?? 0) + one.clip.last;
  await rm(out, { force: true });
  try {
    await writeFile(cubePath, cube, { mode: 0o600 });
    const options = proxyOptions({ ...picture, cube: basename(cubePath) }, codec);
    const made = await writeProxy(one.path, out, options, {
      cwd: folder,
      signal,
      tell: (seconds) => {
        one.touch();
        tell(Math.min(1, seconds / Math.max(1e-3, whole)));
      },
    });
    if (!made.ok) {
      await rm(out, { force: true });
      return made;
    }
    return success({ bytes: (await stat(out)).size });
  } finally {
    await rm(cubePath, { force: true });
  }
};

/**
 * Makes a proxy of a clip that was taken in, beside it; one that is stopped or fails leaves nothing. One at a
 * time is made of a clip.
 */
export const makeProxy = async (
  id: string,
  body: unknown,
  progress: Progress,
): Promise<Result<{ readonly bytes: number }>> => {
  const order = orderSchema.safeParse(body);
  if (!order.success)
    return failure('order', 'The proxy is not ordered as it should be: load the page again.');
  const one = keptClip(id);
  if (!one) return GONE;
  if (making.has(id)) return failure('clip', 'A proxy of this clip is being made: wait, or stop it.');
  making.add(id);
  try {
    return await madeOf(one, order.data, progress);
  } finally {
    making.delete(id);
  }
};

/** A proxy that was made, as a stream; undefined where there is none. */
export const proxyStream = async (
  id: string,
): Promise<{ readonly bytes: number; readonly stream: ReadableStream } | undefined> => {
  const one = keptClip(id);
  const path = one && `${one.path}.mov`;
  const found = path ? await stat(/* turbopackIgnore: true */ path).catch(() => undefined) : undefined;
  if (!path || !found) return undefined;
  const file = createReadStream(/* turbopackIgnore: true */ path);
  return { bytes: found.size, stream: Readable.toWeb(file) as ReadableStream };
};
