import { failure, success, type Result } from '#core/result.ts';
import { createClient, type Client } from '../rpc/client.ts';
import type { Outcome, WorkerLike } from '../rpc/protocol.ts';
import type { StillJobs, Stills } from './protocol.ts';

const spawn = (): WorkerLike =>
  new Worker(new URL('./stills.worker.ts', import.meta.url), { type: 'module' }) as unknown as WorkerLike;

/** One job in a worker of its own, which is ended with it: a decoder cannot be stopped in any other way. */
const inOwnWorker = async <T>(
  signal: AbortSignal,
  job: (client: Client<StillJobs>) => Promise<Outcome<T>>,
): Promise<Result<T>> => {
  const client = createClient<StillJobs>(spawn, { name: 'stills' });
  const end = () => client.end();
  signal.addEventListener('abort', end, { once: true });
  try {
    const outcome = await job(client);
    if (outcome.state === 'done') return success(outcome.output);
    return failure('still', outcome.state === 'failed' ? outcome.reason : 'It was stopped: do it again.');
  } finally {
    signal.removeEventListener('abort', end);
    client.end();
  }
};

/** Stills opened and written beside the caller’s thread: pictures go on meanwhile, and a large one can be given up. */
export const stillsInWorkers: Stills = {
  open: async (bytes, options, signal) => {
    const copy = bytes.slice().buffer;
    const done = await inOwnWorker(signal, (client) =>
      client.call('open', { bytes: copy, options }, { transfer: [copy] }),
    );
    return done.ok ? done.value : done;
  },
  write: async (frame, signal) => {
    const [r, g, b] = [frame.r.slice(), frame.g.slice(), frame.b.slice()];
    const own = { ...frame, source: undefined, r, g, b };
    const done = await inOwnWorker(signal, (client) =>
      client.call('write', { frame: own }, { transfer: [r.buffer, g.buffer, b.buffer] }),
    );
    return done.ok ? success(done.value.png) : done;
  },
};
