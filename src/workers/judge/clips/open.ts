import { looksLikeStill } from '#core/formats/openFrame.ts';
import { looksLikeY4m } from '#core/formats/y4mRead.ts';
import { failure, success, type Result } from '#core/result.ts';
import { oneAtATime, type ClipSource } from './source.ts';
import { openY4mClip } from './y4m.ts';

const HEAD = 64;

/** What a file is by its first bytes: a still, a clip, or nothing that is known. */
export const isStill = async (file: Blob): Promise<boolean> =>
  looksLikeStill(new Uint8Array(await file.slice(0, HEAD).arrayBuffer()));

/** Opens a clip: Y4M by ourselves, the rest through the browser, and what the browser cannot by the helper. */
export const openClip = async (file: Blob, phase: (words: string) => void): Promise<Result<ClipSource>> => {
  const opened = await openBySort(file, phase);
  return opened.ok ? success(oneAtATime(opened.value)) : opened;
};

const openBySort = async (file: Blob, phase: (words: string) => void): Promise<Result<ClipSource>> => {
  const head = new Uint8Array(await file.slice(0, HEAD).arrayBuffer());
  if (head.length === 0) return failure('byte 0', 'The file is empty: copy it from the card again.');
  if (looksLikeY4m(head)) return openY4mClip(file);
  // Loaded only for clips: half a megabyte of demultiplexers.
  const { openWebCodecsClip } = await import('./webcodecs.ts');
  const opened = await openWebCodecsClip(file);
  if (opened.ok || !('undecodable' in opened)) return opened;
  phase('Handing the clip to ffmpeg on this machine');
  const { openServedClip } = await import('./served.ts');
  return openServedClip(file);
};
