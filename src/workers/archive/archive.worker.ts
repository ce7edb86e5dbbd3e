import { serve, type Port } from '../rpc/serve.ts';
import { archiveHandlers } from './handlers.ts';

serve(globalThis as unknown as Port, archiveHandlers());
