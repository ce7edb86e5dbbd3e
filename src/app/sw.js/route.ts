import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

export const dynamic = 'force-dynamic';

/** The service worker of this build; none while developing. */
export const GET = async (): Promise<Response> => {
  const script = await readFile(join(process.cwd(), '.next', 'sw.js')).catch(() => undefined);
  if (!script || process.env.NODE_ENV !== 'production') return new Response(null, { status: 404 });
  return new Response(new Uint8Array(script), {
    headers: { 'Content-Type': 'text/javascript; charset=utf-8', 'Cache-Control': 'no-cache' },
  });
};
