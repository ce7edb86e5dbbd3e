import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { ALL_FORMATS, BufferSource, EncodedPacketSink, Input } from 'mediabunny';

/** Kinds of container, as ffmpeg writes them. */
export const CONTAINERS = {
  mp4: ['-c:v', 'libx264'],
  mov: ['-c:v', 'libx264'],
  mkv: ['-c:v', 'libx264'],
  webm: ['-c:v', 'libvpx-vp9'],
} as const;
export type ContainerKind = keyof typeof CONTAINERS;

/** A short clip of its kind. @throws where ffmpeg is missing. */
export const containerSeed = (kind: ContainerKind): Uint8Array => {
  const folder = mkdtempSync(join(tmpdir(), 'candelum-containers-'));
  const file = join(folder, `clip.${kind}`);
  const source = ['-f', 'lavfi', '-i', 'testsrc2=s=64x36:r=25:d=0.6', '-g', '5', '-pix_fmt', 'yuv420p'];
  const done = spawnSync('ffmpeg', ['-v', 'error', '-y', ...source, ...CONTAINERS[kind], file]);
  if (done.status !== 0) throw new Error(`ffmpeg made no ${kind}: ${done.stderr?.toString() ?? done.error}`);
  const bytes = new Uint8Array(readFileSync(file));
  rmSync(folder, { recursive: true });
  return bytes;
};

/** More frames than this are no clip of half a second: the container leads in circles. */
const MOST_FRAMES = 100_000;

/** Frames found in a container as the app finds them; undefined where it is refused. */
export const framesIn = async (bytes: Uint8Array): Promise<number | undefined> => {
  const source = new BufferSource(bytes.slice().buffer);
  const input = new Input({ source, formats: ALL_FORMATS });
  try {
    const track = await input.getPrimaryVideoTrack();
    if (!track) return undefined;
    let count = 0;
    for await (const _packet of new EncodedPacketSink(track).packets(undefined, undefined, {
      metadataOnly: true,
    })) {
      count += 1;
      if (count > MOST_FRAMES) break;
    }
    return count;
  } catch {
    // The library refuses what is spoilt by throwing; the app makes a sentence of it.
    return undefined;
  } finally {
    input.dispose();
  }
};

/** What came of one spoilt file, as the child prints it. */
type Line = {
  readonly seed: number;
  readonly frames?: number;
  readonly ms: number;
  readonly megabytes: number;
};

export type ContainerRound = {
  readonly accepted: number;
  /** Seeds of files that did not come to an end and were ended, as the app ends its worker. */
  readonly ended: readonly number[];
  /** Longest that any other file took, ms. */
  readonly longest: number;
  /** Most memory that reading held, MB. */
  readonly megabytes: number;
};

/** A file of some kilobytes that says nothing for so long is stuck, ms; the app waits five seconds for larger ones. */
const SILENT_MS = 1000;
/** Starting a process takes its time on a busy machine, ms. */
const STARTING_MS = 40_000;

/** Reads files from a seed on in a process of its own. @returns the seed after the last that came to its end. */
const readUntilStuck = (
  kind: ContainerKind,
  from: number,
  count: number,
  onLine: (line: Line) => void,
): Promise<number> =>
  new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [
      ...['--import', 'tsx', join(import.meta.dirname, 'containerChild.ts')],
      ...[kind, String(from), String(count)],
    ]);
    // Nobody else would end one that goes round in circles.
    const end = () => child.kill('SIGKILL');
    process.once('exit', end);
    let next = from;
    let errors = '';
    let timer = setTimeout(end, STARTING_MS);
    createInterface({ input: child.stdout }).on('line', (text) => {
      clearTimeout(timer);
      timer = setTimeout(end, SILENT_MS);
      const line = JSON.parse(text) as Line;
      next = line.seed + 1;
      onLine(line);
    });
    child.stderr.on('data', (part: Buffer) => (errors += part.toString()));
    child.on('close', (code) => {
      clearTimeout(timer);
      process.off('exit', end);
      if (code !== null && code !== 0) reject(new Error(errors.slice(0, 400)));
      else resolve(next);
    });
  });

/** So many spoilt containers of a kind; one that holds its reader is ended and named. */
export const containerRound = async (
  kind: ContainerKind,
  count: number,
  from = 1,
): Promise<ContainerRound> => {
  let [accepted, longest, megabytes] = [0, 0, 0];
  const ended: number[] = [];
  for (let at = from; at < from + count;) {
    const next = await readUntilStuck(kind, at, from + count - at, (line) => {
      if (line.frames !== undefined) accepted += 1;
      longest = Math.max(longest, line.ms);
      megabytes = Math.max(megabytes, line.megabytes);
    });
    if (next < from + count) ended.push(next);
    at = next + 1;
  }
  return { accepted, ended, longest, megabytes };
};
