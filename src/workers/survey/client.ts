import { createClient, type Client } from '../rpc/client.ts';
import type { WorkerLike } from '../rpc/protocol.ts';
import type { SurveyJobs } from './protocol.ts';

const spawn = (): WorkerLike =>
  new Worker(new URL('./survey.worker.ts', import.meta.url), { type: 'module' }) as unknown as WorkerLike;

/** A surveying worker: one clip at a time. Browser only. */
export const startSurvey = (): Client<SurveyJobs> => createClient(spawn, { name: 'surveying clips' });
