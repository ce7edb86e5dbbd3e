import { serve, type Port } from '../rpc/serve.ts';
import { stillHandlers } from './handlers.ts';

serve(globalThis as unknown as Port, stillHandlers());
