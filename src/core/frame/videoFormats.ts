import type { Chroma } from '../signal/chroma.ts';

/** How the samples of a decoded picture lie. */
export type VideoLayout = {
  /** Y', Cb, Cr planes one after another; luma and interleaved chroma; R'G'B' interleaved; G', B', R' planes. */
  readonly kind: 'planar' | 'twoPlanes' | 'rgb' | 'gbr';
  readonly chroma: Chroma;
  readonly bitDepth: 8 | 10 | 12;
  /** R'G'B': places of red, green and blue among the four bytes. */
  readonly order?: readonly [number, number, number];
};

const planar = (chroma: Chroma, bitDepth: 8 | 10 | 12): VideoLayout => ({ kind: 'planar', chroma, bitDepth });
const rgb = (order: readonly [number, number, number]): VideoLayout => ({
  kind: 'rgb',
  chroma: '4:4:4',
  bitDepth: 8,
  order,
});

/** Pixel formats of WebCodecs (its registry of VideoPixelFormat) that hold codes. A further one is a row. */
export const VIDEO_LAYOUTS: Readonly<Record<string, VideoLayout>> = {
  I420: planar('4:2:0', 8),
  I422: planar('4:2:2', 8),
  I444: planar('4:4:4', 8),
  I420P10: planar('4:2:0', 10),
  I422P10: planar('4:2:2', 10),
  I444P10: planar('4:4:4', 10),
  I420P12: planar('4:2:0', 12),
  I422P12: planar('4:2:2', 12),
  I444P12: planar('4:4:4', 12),
  NV12: { kind: 'twoPlanes', chroma: '4:2:0', bitDepth: 8 },
  RGBA: rgb([0, 1, 2]),
  RGBX: rgb([0, 1, 2]),
  BGRA: rgb([2, 1, 0]),
  BGRX: rgb([2, 1, 0]),
};
