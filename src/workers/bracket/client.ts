import { createClient, type Client } from '../rpc/client.ts';
import type { BracketJobs } from './protocol.ts';

/** Starts the bracket worker. Browser only. */
export const startBracket = (): Client<BracketJobs> =>
  createClient<BracketJobs>(new Worker(new URL('./bracket.worker.ts', import.meta.url), { type: 'module' }));
