import { loadKernels } from '../judge/kernels.ts';
import { serve, type Port } from '../rpc/serve.ts';
import { cameraTestHandlers } from './handlers.ts';

serve(
  globalThis as unknown as Port,
  loadKernels().then(({ kernels }) => cameraTestHandlers(kernels)),
);
