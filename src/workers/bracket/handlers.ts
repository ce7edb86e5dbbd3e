import { openPng } from '#core/formats/png.ts';
import { evidenceEffects } from '#core/profile/making.ts';
import { success } from '#core/result.ts';
import { readCard } from '#core/scopes/cardReading.ts';
import { asRecorded } from '#core/scopes/asRecorded.ts';
import type { Handlers } from '../rpc/serve.ts';
import type { BracketJobs } from './protocol.ts';

export const bracketHandlers = (): Handlers<BracketJobs> => ({
  preview: async ({ bytes, range, maxWidth }) => {
    const opened = openPng(new Uint8Array(bytes), { range });
    if (!opened.ok) return { output: opened };
    const pixels = asRecorded(opened.value.frame, maxWidth);
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
