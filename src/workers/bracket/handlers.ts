import { openPng } from '#core/formats/png.ts';
import { evidenceEffects } from '#core/profile/making.ts';
import { success } from '#core/result.ts';
import { readCard } from '#core/scopes/cardReading.ts';
import { shrink } from '#core/scopes/shrink.ts';
import type { Handlers } from '../rpc/serve.ts';
import type { BracketJobs } from './protocol.ts';

export const bracketHandlers = (): Handlers<BracketJobs> => ({
  preview: async ({ bytes, range, maxWidth }) => {
    const opened = openPng(new Uint8Array(bytes), { range });
    if (!opened.ok) return { output: opened };
    const { frame } = opened.value;
    const shift = frame.bitDepth - 8;
    const rgba = new Uint8ClampedArray(frame.r.length * 4);
    for (let i = 0, at = 0; i < frame.r.length; i += 1, at += 4) {
      rgba[at] = frame.r[i] >> shift;
      rgba[at + 1] = frame.g[i] >> shift;
      rgba[at + 2] = frame.b[i] >> shift;
      rgba[at + 3] = 255;
    }
    const small = shrink(rgba, frame.width, frame.height, maxWidth);
    const pixels = { ...small, rgba: small.rgba as Uint8ClampedArray<ArrayBuffer> };
    return { output: success(pixels), transfer: [pixels.rgba.buffer] };
  },

  reading: async ({ bytes, range, mark }) => {
    const opened = openPng(new Uint8Array(bytes), { range });
    if (!opened.ok) return { output: opened };
    const { frame } = opened.value;
    const coding = { bitDepth: frame.bitDepth, range: frame.range };
    return { output: success({ ...readCard(frame, mark), coding }) };
  },

  effects: async ({ items }) => ({ output: evidenceEffects(items) }),
});
