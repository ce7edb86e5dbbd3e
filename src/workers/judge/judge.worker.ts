import { serve, type Port } from '../rpc/serve.ts';
import { judgeHandlers } from './handlers.ts';
import { loadKernels } from './kernels.ts';

serve(
  globalThis as unknown as Port,
  Promise.all([loadKernels(), loadKernels()]).then(([bench, survey]) => judgeHandlers(bench, survey)),
);
