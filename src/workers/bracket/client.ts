import { createClient, type Client } from '../rpc/client.ts';
import type { WorkerLike } from '../rpc/protocol.ts';
import type { BracketJobs } from './protocol.ts';

const spawn = (): WorkerLike =>
  new Worker(new URL('./bracket.worker.ts', import.meta.url), { type: 'module' }) as unknown as WorkerLike;

/** The bracket worker. Browser only. */
export const startBracket = (): Client<BracketJobs> => createClient(spawn, { name: 'filmed brackets' });
