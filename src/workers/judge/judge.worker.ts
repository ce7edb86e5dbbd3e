import { serve, type Port } from '../rpc/serve.ts';
import { since1970 } from './clock.ts';
import { JUDGE_LANES, judgeHandlers } from './handlers.ts';
import { loadKernels } from './kernels.ts';
import { stillsInWorkers } from '../stills/client.ts';

serve(
  globalThis as unknown as Port,
  Promise.all([loadKernels({ withHand: true }), loadKernels()]).then(([bench, survey]) =>
    judgeHandlers(bench.kernels, survey.kernels, since1970, bench.inUse, stillsInWorkers, bench.onLive),
  ),
  JUDGE_LANES,
);
