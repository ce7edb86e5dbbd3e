import { failure, success } from '#core/result.ts';
import type { Handlers } from '../rpc/serve.ts';
import { openContainer, type Container } from './demux.ts';
import type { DemuxJobs } from './protocol.ts';

/** How often a worker that waits for a decoder says that it is there, ms. */
const BEAT_MS = 500;

export const demuxHandlers = (): Handlers<DemuxJobs> => {
  let container: Container | undefined;
  return {
    open: async ({ file }, { tell }) => {
      const getsOn = () => tell('Reading the container', 0);
      getsOn();
      const opened = await openContainer(file, getsOn);
      if (opened.ok) container = opened.value;
      return { output: opened.ok ? success({ ...opened.value.times, facts: opened.value.facts }) : opened };
    },
    expect: async ({ frames }) => {
      await container?.expect(frames);
      return { output: undefined };
    },
    frame: async ({ n }, { tell }) => {
      if (!container) return { output: failure('clip', 'No clip is open: open it again.') };
      // A thread that goes round in circles has no time for this.
      const beat = setInterval(() => tell('Decoding', 0), BEAT_MS);
      try {
        const output = await container.frameAt(n);
        return output.ok ? { output, transfer: [output.value.bytes.buffer] } : { output };
      } finally {
        clearInterval(beat);
      }
    },
  };
};
