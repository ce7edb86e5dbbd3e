import { createClient, type Client } from '../rpc/client.ts';
import type { WorkerLike } from '../rpc/protocol.ts';
import type { MatchJobs } from './protocol.ts';

const spawn = (): WorkerLike =>
  new Worker(new URL('./match.worker.ts', import.meta.url), { type: 'module' }) as unknown as WorkerLike;

/** The matching worker: two pictures, and what brings one to the other. Browser only. */
export const startMatch = (): Client<MatchJobs> => createClient(spawn, { name: 'matching' });
