import { createClient, type Client } from '../rpc/client.ts';
import type { WorkerLike } from '../rpc/protocol.ts';
import type { LutJobs } from './protocol.ts';

const spawn = (): WorkerLike =>
  new Worker(new URL('./luts.worker.ts', import.meta.url), { type: 'module' }) as unknown as WorkerLike;

/** The LUT worker. Browser only. */
export const startLuts = (): Client<LutJobs> => createClient(spawn, { name: 'LUTs' });
