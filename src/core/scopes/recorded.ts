import type { Planes } from '../frame/frame.ts';
import { codeToSignal, maxCode, type Coding } from '../signal/scale.ts';

const OPAQUE = 255 << 24;

/** Each channel's code through a table of bytes. The plain form of the kernel. */
export const drawByTable = (pixels: Uint32Array, { r, g, b }: Planes, table: Uint8Array): void => {
  const n = pixels.length;
  for (let i = 0; i < n; i += 1) pixels[i] = OPAQUE | (table[b[i]] << 16) | (table[g[i]] << 8) | table[r[i]];
};

/** A byte for each code: signal 0..100 % over 0..255. */
export const recordedTable = (coding: Coding): Uint8Array =>
  Uint8Array.from({ length: maxCode(coding.bitDepth) + 1 }, (_, code) =>
    Math.round(255 * Math.min(1, Math.max(0, codeToSignal(code, coding)))),
  );
