import { createClient, type Client } from '../rpc/client.ts';
import type { WorkerLike } from '../rpc/protocol.ts';
import type { JudgeJobs } from './protocol.ts';

const spawn = (): WorkerLike =>
  new Worker(new URL('./judge.worker.ts', import.meta.url), { type: 'module' }) as unknown as WorkerLike;

/** The judging worker. Browser only. */
export const startJudge = (): Client<JudgeJobs> => createClient(spawn, { name: 'judging pictures' });
