import { createClient, type Client } from '../rpc/client.ts';
import type { WorkerLike } from '../rpc/protocol.ts';
import type { CameraTestJobs } from './protocol.ts';

const spawn = (): WorkerLike =>
  new Worker(new URL('./cameraTest.worker.ts', import.meta.url), { type: 'module' }) as unknown as WorkerLike;

/** A camera test's worker: it keeps what it saw of the clips. Browser only. */
export const startCameraTest = (): Client<CameraTestJobs> => createClient(spawn, { name: 'camera tests' });
