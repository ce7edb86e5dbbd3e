import { createClient, type Client } from '../rpc/client.ts';
import type { LutJobs } from './protocol.ts';

/** Starts the LUT worker. Browser only. */
export const startLuts = (): Client<LutJobs> =>
  createClient<LutJobs>(new Worker(new URL('./luts.worker.ts', import.meta.url), { type: 'module' }));
