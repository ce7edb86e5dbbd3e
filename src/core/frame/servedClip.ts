import type { SourceTags } from './tags.ts';
import type { VideoLayout } from './videoFormats.ts';

// What the helper on this machine (ffmpeg behind the route handler) and the judging worker say to each other.

/** ffmpeg's pixel formats that hold codes as they were recorded, and how they lie. A further one is a row. */
export const RAW_LAYOUTS: Readonly<Record<string, VideoLayout>> = {
  yuv420p: { kind: 'planar', chroma: '4:2:0', bitDepth: 8 },
  yuv422p: { kind: 'planar', chroma: '4:2:2', bitDepth: 8 },
  yuv444p: { kind: 'planar', chroma: '4:4:4', bitDepth: 8 },
  yuvj420p: { kind: 'planar', chroma: '4:2:0', bitDepth: 8 },
  yuvj422p: { kind: 'planar', chroma: '4:2:2', bitDepth: 8 },
  yuvj444p: { kind: 'planar', chroma: '4:4:4', bitDepth: 8 },
  yuv420p10le: { kind: 'planar', chroma: '4:2:0', bitDepth: 10 },
  yuv422p10le: { kind: 'planar', chroma: '4:2:2', bitDepth: 10 },
  yuv444p10le: { kind: 'planar', chroma: '4:4:4', bitDepth: 10 },
  yuv420p12le: { kind: 'planar', chroma: '4:2:0', bitDepth: 12 },
  yuv422p12le: { kind: 'planar', chroma: '4:2:2', bitDepth: 12 },
  yuv444p12le: { kind: 'planar', chroma: '4:4:4', bitDepth: 12 },
  gbrp: { kind: 'gbr', chroma: '4:4:4', bitDepth: 8 },
  gbrp10le: { kind: 'gbr', chroma: '4:4:4', bitDepth: 10 },
  gbrp12le: { kind: 'gbr', chroma: '4:4:4', bitDepth: 12 },
};

/** What everything else is asked as; its codes are then not those of the file. */
export const RAW_FALLBACK = 'yuv444p10le';

/** A clip that the helper holds. */
export type ServedClip = {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  /** A row of RAW_LAYOUTS. */
  readonly pixels: string;
  /** Pixel format of the file itself. */
  readonly own: string;
  readonly container: string;
  readonly codec: string;
  /** Start of each frame, seconds. */
  readonly times: readonly number[];
  readonly last: number;
  readonly tags: SourceTags;
};
