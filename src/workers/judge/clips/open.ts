import { looksLikeStill } from '#core/formats/openFrame.ts';
import { onlyFfmpegReads } from '#core/formats/containers.ts';
import { looksLikeY4m } from '#core/formats/y4mRead.ts';
import { failure, success, type Result } from '#core/result.ts';
import { startDemux } from '../../demux/client.ts';
import { openDemuxedClip } from './demuxed.ts';
import { oneAtATime, type ClipSource } from './source.ts';
import { openY4mClip } from './y4m.ts';

const HEAD = 400;

/** What a file is by its first bytes: a still, a clip, or nothing that is known. */
export const isStill = async (file: Blob): Promise<boolean> =>
  looksLikeStill(new Uint8Array(await file.slice(0, HEAD).arrayBuffer()));

/** Opens a clip: Y4M by ourselves, the rest through the browser, and what the browser cannot by the helper. */
export const openClip = async (
  file: Blob,
  phase: (words: string) => void,
  signal?: AbortSignal,
): Promise<Result<ClipSource>> => {
  const opened = await openBySort(file, phase, signal);
  return opened.ok ? success(oneAtATime(opened.value)) : opened;
};

const openByHelper = async (
  file: Blob,
  phase: (words: string) => void,
  signal?: AbortSignal,
): Promise<Result<ClipSource>> => {
  phase('Handing the clip to ffmpeg on this machine');
  const { openServedClip } = await import('./served.ts');
  return openServedClip(file, signal);
};

const openBySort = async (
  file: Blob,
  phase: (words: string) => void,
  signal?: AbortSignal,
): Promise<Result<ClipSource>> => {
  const head = new Uint8Array(await file.slice(0, HEAD).arrayBuffer());
  if (head.length === 0) return failure('byte 0', 'The file is empty: copy it from the card again.');
  if (looksLikeY4m(head)) return openY4mClip(file);
  if (onlyFfmpegReads(head)) return openByHelper(file, phase, signal);
  const opened = await openDemuxedClip(file, startDemux, { signal });
  if (opened.ok || !('undecodable' in opened)) return opened;
  return openByHelper(file, phase, signal);
};
