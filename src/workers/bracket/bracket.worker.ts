import { serve, type Port } from '../rpc/serve.ts';
import { bracketHandlers } from './handlers.ts';

serve(globalThis as unknown as Port, bracketHandlers());
