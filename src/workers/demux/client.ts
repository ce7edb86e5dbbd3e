import { createClient, type Client } from '../rpc/client.ts';
import type { WorkerLike } from '../rpc/protocol.ts';
import type { DemuxJobs } from './protocol.ts';

/** A worker for one clip; ended with it. */
export const startDemux = (): Client<DemuxJobs> =>
  createClient<DemuxJobs>(
    () =>
      new Worker(new URL('./demux.worker.ts', import.meta.url), { type: 'module' }) as unknown as WorkerLike,
    { name: 'clips' },
  );
