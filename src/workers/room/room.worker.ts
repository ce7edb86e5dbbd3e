import { loadKernels } from '../judge/kernels.ts';
import { serve, type Port } from '../rpc/serve.ts';
import { ROOM_LANES, roomHandlers } from './handlers.ts';
import type { RoomJobs } from './protocol.ts';

serve<RoomJobs>(
  globalThis as unknown as Port,
  loadKernels().then(({ kernels }) => roomHandlers(kernels)),
  ROOM_LANES,
);
