import { createClient, type Client } from '../rpc/client.ts';
import type { JudgeJobs } from './protocol.ts';

/** Starts the judging worker. Browser only. */
export const startJudge = (): Client<JudgeJobs> =>
  createClient<JudgeJobs>(new Worker(new URL('./judge.worker.ts', import.meta.url), { type: 'module' }));
