import { openFrame } from '#core/formats/openFrame.ts';
import { openPng } from '#core/formats/png.ts';
import type { Frame } from '#core/frame/frame.ts';
import { filmTwice } from '#core/inCamera/stage.ts';
import { twoFrames } from '#core/inCamera/twoFrames.ts';
import { evidenceEffects } from '#core/profile/making.ts';
import { failure, success, type Result } from '#core/result.ts';
import { readCard } from '#core/scopes/cardReading.ts';
import { asRecorded } from '#core/scopes/asRecorded.ts';
import type { Handlers } from '../rpc/serve.ts';
import type { BracketJobs, MeasuredPair } from './protocol.ts';

const measured = (without: Frame, withIt: Frame): Result<MeasuredPair> => {
  const frames = twoFrames(without, withIt);
  const { bitDepth, range } = without;
  return frames.ok ? success({ frames: frames.value, coding: { bitDepth, range } }) : frames;
};

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

  pair: async ({ range, ...bytes }) => {
    const [without, withIt] = [bytes.without, bytes.with].map((file) =>
      openFrame(new Uint8Array(file), { range }),
    );
    if (!without.ok) return { output: failure('without', `The frame without it: ${without.reason}`) };
    if (!withIt.ok) return { output: failure('with', `The frame with it: ${withIt.reason}`) };
    return { output: measured(without.value.frame, withIt.value.frame) };
  },

  stagePair: async ({ camera, setting, seed }) => ({ output: measured(...filmTwice(camera, setting, seed)) }),

  effects: async ({ items }) => ({ output: evidenceEffects(items) }),
});
