import { serve, type Port } from '../rpc/serve.ts';
import { demuxHandlers } from './handlers.ts';

serve(globalThis as unknown as Port, demuxHandlers());
