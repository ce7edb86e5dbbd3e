import { createClient, type Client } from '../rpc/client.ts';
import type { WorkerLike } from '../rpc/protocol.ts';
import type { RoomJobs } from './protocol.ts';

const spawn = (): WorkerLike =>
  new Worker(new URL('./room.worker.ts', import.meta.url), { type: 'module' }) as unknown as WorkerLike;

/** The room's worker: several inputs at once. Browser only. */
export const startRoom = (): Client<RoomJobs> => createClient(spawn, { name: 'live room' });
