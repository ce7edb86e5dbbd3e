import { serve, type Port } from '../rpc/serve.ts';
import { judgeHandlers } from './handlers.ts';

serve(globalThis as unknown as Port, judgeHandlers());
