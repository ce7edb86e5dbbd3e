import { createClient, type Client } from '../rpc/client.ts';
import type { WorkerLike } from '../rpc/protocol.ts';
import type { ArchiveJobs } from './protocol.ts';

const spawn = (): WorkerLike =>
  new Worker(new URL('./archive.worker.ts', import.meta.url), { type: 'module' }) as unknown as WorkerLike;

/** The worker that packs and opens back-ups. Browser only. */
export const startArchive = (): Client<ArchiveJobs> => createClient(spawn, { name: 'packing back-ups' });
