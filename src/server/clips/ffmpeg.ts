import { spawn, spawnSync } from 'node:child_process';
import { RAW_FALLBACK, RAW_LAYOUTS, type ServedClip } from '#core/frame/servedClip.ts';
import { videoBytes } from '#core/frame/ofVideo.ts';
import { plainTag } from '#core/frame/tags.ts';
import { failure, success, type Result } from '#core/result.ts';

const PROBE_MS = 30_000;
const READ_MS = 60_000;
const MOST_PIXELS = 64_000_000;
/** Text of a probe: times of some two million frames. */
const MOST_TEXT = 64_000_000;
/** How many helpers run at once. */
const MOST_PROCESSES = 2;
/** Containers that hold one file's pictures; lists of other files (concat, hls, …) are not among them. */
const FORMATS = 'mov,matroska,webm,mxf,avi,mpegts,mpeg,ivf,h264,hevc,yuv4mpegpipe';
/** Before every input: one protocol, known formats, nothing else opened. */
const SAFE = ['-protocol_whitelist', 'file', '-format_whitelist', FORMATS];

let found: boolean | undefined;
/** Whether ffmpeg and ffprobe are on this machine; looked for once. */
export const hasFfmpeg = (): boolean =>
  (found ??= ['ffmpeg', 'ffprobe'].every(
    (name) => spawnSync(name, ['-version'], { stdio: 'ignore' }).status === 0,
  ));

export const NO_FFMPEG = failure(
  'helper',
  'This browser cannot decode the clip, and ffmpeg is not on this machine: install it and start Candelum again.',
);

let running = 0;

type Ran = { readonly bytes: Buffer; readonly errors: string };

/** Runs a helper without a shell; its output is cut off at `most` bytes and its time at `ms`. */
const run = (
  command: 'ffmpeg' | 'ffprobe',
  args: readonly string[],
  limits: {
    readonly ms: number;
    readonly most: number;
    readonly signal?: AbortSignal;
    readonly cwd?: string;
    readonly onText?: (text: string) => void;
  },
): Promise<Result<Ran>> =>
  new Promise((resolve) => {
    if (running >= MOST_PROCESSES) {
      resolve(failure('helper', 'The helper is busy with other clips: try again in a moment.'));
      return;
    }
    running += 1;
    const child = spawn(command, args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { PATH: process.env.PATH ?? '', LC_ALL: 'C', NODE_ENV: process.env.NODE_ENV },
      cwd: limits.cwd,
      signal: limits.signal,
      timeout: limits.ms,
      killSignal: 'SIGKILL',
    });
    const parts: Buffer[] = [];
    let size = 0;
    let errors = '';
    let over = false;
    child.stdout.on('data', (part: Buffer) => {
      size += part.length;
      limits.onText?.(part.toString('utf8'));
      if (size > limits.most) {
        over = true;
        child.kill('SIGKILL');
      } else parts.push(part);
    });
    child.stderr.on('data', (part: Buffer) => {
      if (errors.length < 4000) errors += part.toString('utf8');
    });
    let done = false;
    const end = (result: Result<Ran>) => {
      if (done) return;
      done = true;
      running -= 1;
      resolve(result);
    };
    child.on('error', (error) =>
      end(
        limits.signal?.aborted
          ? failure('helper', 'Stopped.')
          : failure('helper', `${command} could not be run (${error.message}).`),
      ),
    );
    child.on('close', (code, signal) => {
      if (over) end(failure('clip', 'The clip gives more than it should: it is not read further.'));
      else if (signal)
        end(failure('helper', 'The helper was ended before it was done: try again, or open a shorter clip.'));
      else if (code !== 0) end(failure('clip', `It could not be decoded (${lastLine(errors)}).`));
      else end(success({ bytes: Buffer.concat(parts), errors }));
    });
  });

/** The helper's last word, without the paths of this machine. */
const lastLine = (errors: string): string =>
  (errors.trim().split('\n').at(-1) ?? 'no reason given')
    .replaceAll(/(file:)?\/\S+/g, 'the file')
    .slice(0, 120);

type Probe = {
  readonly streams?: readonly {
    readonly codec_name?: string;
    readonly width?: number;
    readonly height?: number;
    readonly pix_fmt?: string;
    readonly avg_frame_rate?: string;
    readonly color_range?: string;
    readonly color_primaries?: string;
    readonly color_transfer?: string;
    readonly color_space?: string;
  }[];
  readonly format?: { readonly format_name?: string; readonly start_time?: string };
  readonly packets?: readonly { readonly pts_time?: string; readonly duration_time?: string }[];
};

const RANGES: Readonly<Record<string, 'legal' | 'full'>> = {
  tv: 'legal',
  mpeg: 'legal',
  pc: 'full',
  jpeg: 'full',
};

const FIELDS = [
  'stream=codec_name,width,height,pix_fmt,avg_frame_rate,color_range,color_primaries,color_transfer,color_space',
  'format=format_name,start_time',
  'packet=pts_time,duration_time',
].join(':');

/** When each frame is shown, in seconds from the first on, and how long the last one stands. */
const timesOfProbe = ({ packets = [], format }: Probe, rate = '25/1') => {
  const start = Number(format?.start_time) || 0;
  const timed = packets.filter(({ pts_time: t }) => t !== undefined && Number.isFinite(Number(t)));
  const [top, bottom] = rate.split('/').map(Number);
  return {
    times: timed.map(({ pts_time: t }) => Number(t) - start).sort((a, b) => a - b),
    last: Number(timed.at(-1)?.duration_time) || bottom / top || 0.04,
  };
};

const clipOfProbe = (id: string, probe: Probe): Result<ServedClip> => {
  const stream = probe.streams?.[0];
  if (!stream) return failure('tracks', 'The clip holds no picture: open the clip of the camera.');
  const { width = 0, height = 0, pix_fmt: own = 'unknown' } = stream;
  if (!(width > 0 && height > 0 && width * height <= MOST_PIXELS))
    return failure(
      'track',
      `The clip is ${width} x ${height}; up to ${MOST_PIXELS / 1e6} million pixels are read.`,
    );
  const { times, last } = timesOfProbe(probe, stream.avg_frame_rate);
  if (times.length === 0) return failure('track', 'The clip has a picture track without a frame in it.');
  return success({
    id,
    width,
    height,
    pixels: Object.hasOwn(RAW_LAYOUTS, own) ? own : RAW_FALLBACK,
    own,
    container: probe.format?.format_name?.split(',')[0] ?? 'clip',
    codec: stream.codec_name ?? 'unknown',
    times,
    last,
    tags: {
      range: RANGES[stream.color_range ?? ''] ?? (own.startsWith('yuvj') ? 'full' : undefined),
      primaries: plainTag('primaries', stream.color_primaries),
      transfer: plainTag('transfer', stream.color_transfer),
      matrix: plainTag('matrix', stream.color_space),
    },
  });
};

/** What a clip holds. Times count from its first frame on. */
export const probeClip = async (
  id: string,
  path: string,
  signal?: AbortSignal,
): Promise<Result<ServedClip>> => {
  const ran = await run(
    'ffprobe',
    [
      '-v',
      'error',
      ...SAFE,
      '-select_streams',
      'v:0',
      '-show_entries',
      FIELDS,
      '-of',
      'json',
      '-i',
      `file:${path}`,
    ],
    { ms: PROBE_MS, most: MOST_TEXT, signal },
  );
  if (!ran.ok) return ran;
  return clipOfProbe(id, JSON.parse(ran.value.bytes.toString('utf8')) as Probe);
};

/** So many frames from frame n on, raw, one after another. */
export const readFrames = async (
  clip: ServedClip,
  path: string,
  n: number,
  count: number,
  signal?: AbortSignal,
): Promise<Result<Buffer>> => {
  const each = videoBytes(clip.width, clip.height, RAW_LAYOUTS[clip.pixels]);
  const before = n === 0 ? 0 : (clip.times[n] + clip.times[n - 1]) / 2;
  const ran = await run(
    'ffmpeg',
    [
      '-v', 'error', '-nostdin', ...SAFE, '-ss', before.toFixed(6), '-i', `file:${path}`,
      '-map', '0:v:0', '-an', '-sn', '-dn', '-fps_mode', 'passthrough', '-frames:v', String(count),
      '-f', 'rawvideo', '-pix_fmt', clip.pixels, 'pipe:1',
    ], // prettier-ignore
    { ms: READ_MS, most: each * count, signal },
  );
  if (!ran.ok) return ran;
  if (ran.value.bytes.length < each)
    return failure(`frame ${n + 1}`, 'The clip ends before this frame: it may be cut short, copy it again.');
  return success(ran.value.bytes);
};

/** Longest that a proxy may take, ms. */
const PROXY_MS = 6 * 3_600_000;

/**
 * Makes a proxy of a clip: a file, and how far it is as it goes.
 * @param cwd Folder of the cube that the options name
 */
export const writeProxy = async (
  from: string,
  into: string,
  options: readonly string[],
  limits: { readonly cwd: string; readonly signal: AbortSignal; readonly tell: (seconds: number) => void },
): Promise<Result<undefined>> => {
  const { cwd, signal, tell } = limits;
  const onText = (text: string) => {
    const found = [...text.matchAll(/out_time_us=(\d+)/g)].at(-1);
    if (found) tell(Number(found[1]) / 1e6);
  };
  const progress = ['-progress', 'pipe:1', '-stats_period', '0.5'];
  const ran = await run(
    'ffmpeg',
    ['-v', 'error', '-nostdin', '-n', ...progress, ...SAFE, '-i', `file:${from}`, ...options, `file:${into}`],
    { ms: PROXY_MS, most: MOST_TEXT, signal, cwd, onText },
  );
  return ran.ok ? success(undefined) : ran;
};
