import { openFrame } from '#core/formats/openFrame.ts';
import { writePng } from '#core/formats/png.ts';
import { success } from '#core/result.ts';
import type { Handlers } from '../rpc/serve.ts';
import type { StillJobs, Stills } from './protocol.ts';

export const stillHandlers = (): Handlers<StillJobs> => ({
  open: async ({ bytes, options }) => {
    const output = openFrame(new Uint8Array(bytes), options);
    if (!output.ok) return { output };
    const { r, g, b } = output.value.frame;
    // Planes may share a buffer; it is handed over once.
    return { output, transfer: [...new Set([r.buffer, g.buffer, b.buffer])] };
  },
  write: async ({ frame }) => {
    const png = writePng(frame) as Uint8Array<ArrayBuffer>;
    return { output: { png }, transfer: [png.buffer] };
  },
});

/** Stills in this very thread: where there are no workers, and in tests. */
export const stillsHere: Stills = {
  open: async (bytes, options) => openFrame(bytes, options),
  write: async (frame) => success(writePng(frame) as Uint8Array<ArrayBuffer>),
};
