import { serve, type Port } from '../rpc/serve.ts';
import { lutHandlers } from './handlers.ts';

serve(globalThis as unknown as Port, lutHandlers());
