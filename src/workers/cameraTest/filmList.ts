import { handOver } from '#core/cameraTest/film/desk.ts';
import { FILMED_RATE, filmShot } from '#core/cameraTest/film/film.ts';
import { slippedList } from '#core/cameraTest/film/slips.ts';
import { y4mFrame, y4mHeader } from '#core/formats/y4m.ts';
import type { JobContext } from '../rpc/serve.ts';
import type { CameraTestJobs, FilmedFile } from './protocol.ts';

const joined = (parts: readonly Uint8Array[]): ArrayBuffer => {
  const bytes = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.length;
  }
  return bytes.buffer;
};

/** The list as a simulated camera films it, with its slips, as clips. */
export const filmList = async (
  { list, filming, inOne }: CameraTestJobs['film']['input'],
  step: JobContext['step'],
): Promise<readonly FilmedFile[]> => {
  const filmed = slippedList(list, filming.slips, filming.seed);
  const { coding, chroma } = filming.camera;
  const files: FilmedFile[] = [];
  let parts: Uint8Array[] = [];
  for (const [n, { shot, index }] of filmed.entries()) {
    await step(`Shot ${n + 1} of ${filmed.length}`, n / filmed.length);
    const frames = filmShot(shot, index, filming);
    const head = y4mHeader({ ...frames[0], ...coding }, { chroma, rate: [FILMED_RATE, 1] });
    if (parts.length === 0) parts.push(new TextEncoder().encode(head));
    frames.forEach((frame) => parts.push(y4mFrame(frame, chroma)));
    if (inOne) parts.push(y4mFrame(handOver(frames[0]), chroma));
    else {
      files.push({ name: `T${String(n + 1).padStart(4, '0')}.y4m`, bytes: joined(parts) });
      parts = [];
    }
  }
  if (parts.length > 0) files.push({ name: 'T0001.y4m', bytes: joined(parts) });
  return files;
};
