import { y4mFrame, y4mHeader } from '#core/formats/y4m.ts';
import type { Frame } from '#core/frame/frame.ts';
import { ARCHETYPES } from '#core/profile/index.ts';
import { encodePicture, TEST_PICTURES } from '#core/fixtures/testPictures.ts';

export const WIDTH = 1920;
export const HEIGHT = 1080;
export const BENCH_PROFILE = ARCHETYPES.wideLog;

/** The same picture in every run, noise included: content moves the times. */
export const benchFrame = (): Frame =>
  encodePicture(TEST_PICTURES.furnace(), {
    width: WIDTH,
    height: HEIGHT,
    profile: BENCH_PROFILE,
    coding: { bitDepth: 10, range: 'legal' },
    placement: 1,
    seed: 1,
    greyElectrons: 900,
  });

/** A second of an interview at 1080p in 8 bit, as a capture device gives it: Chromium plays it as a camera. */
export const cameraClip = (): Uint8Array => {
  const coding = { bitDepth: 8, range: 'legal' } as const;
  const frames = [1, 2, 3].map((seed) =>
    encodePicture(TEST_PICTURES.bench(), {
      width: WIDTH,
      height: HEIGHT,
      profile: BENCH_PROFILE,
      coding,
      placement: 2 / 3,
      seed,
      greyElectrons: 900,
    }),
  );
  const head = y4mHeader(frames[0], { chroma: '4:2:0', rate: [25, 1] });
  const parts = [new TextEncoder().encode(head), ...frames.map((frame) => y4mFrame(frame, '4:2:0'))];
  const bytes = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.length;
  }
  return bytes;
};

/** The frame as ffmpeg takes it: planar G, B, R of 10 or 16 bit, and Y'CbCr 4:4:4 of 10 bit. */
export const rawFrames = (): Record<'gbrp10le' | 'gbrp16le' | 'yuv444p10le', Uint8Array> => {
  const frame = benchFrame();
  const planar = (shift: number) => {
    const out = new Uint16Array(3 * WIDTH * HEIGHT);
    [frame.g, frame.b, frame.r].forEach((plane, c) =>
      plane.forEach((code, i) => (out[c * WIDTH * HEIGHT + i] = code << shift)),
    );
    return new Uint8Array(out.buffer);
  };
  return {
    gbrp10le: planar(0),
    gbrp16le: planar(6),
    yuv444p10le: y4mFrame(frame, '4:4:4').subarray('FRAME\n'.length),
  };
};
