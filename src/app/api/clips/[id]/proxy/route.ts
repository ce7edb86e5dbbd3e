import { failure } from '#core/result.ts';
import { mayAsk } from '#server/clips/guard.ts';
import { makeProxy, proxyStream } from '#server/clips/proxies.ts';

export const runtime = 'nodejs';
export const dynamic = 'force-dynamic';

type Context = { readonly params: Promise<{ readonly id: string }> };

/** Makes a proxy of the clip: a line of JSON each time it is further, `{"share":0.4}`, and at the end the result. */
export const POST = async (request: Request, { params }: Context) => {
  if (!mayAsk(request.headers)) return new Response(null, { status: 403 });
  const { id } = await params;
  const order: unknown = await request.json().catch(() => undefined);
  const encoder = new TextEncoder();
  const stopped = new AbortController();
  const signal = AbortSignal.any([request.signal, stopped.signal]);
  const stream = new ReadableStream({
    start: async (lines) => {
      const say = (what: unknown) => {
        if (!signal.aborted) lines.enqueue(encoder.encode(`${JSON.stringify(what)}\n`));
      };
      const failed = (error: unknown) =>
        failure('helper', `The proxy was not made (${String(error).slice(0, 80)}).`);
      say(await makeProxy(id, order, { signal, tell: (share) => say({ share }) }).catch(failed));
      if (!signal.aborted) lines.close();
    },
    cancel: () => stopped.abort(),
  });
  return new Response(stream, {
    headers: { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store' },
  });
};

/** The proxy that was made. */
export const GET = async (request: Request, { params }: Context) => {
  if (!mayAsk(request.headers)) return new Response(null, { status: 403 });
  const made = await proxyStream((await params).id);
  if (!made) return new Response(null, { status: 404 });
  return new Response(made.stream, {
    headers: {
      'Content-Type': 'video/quicktime',
      'Content-Length': String(made.bytes),
      'Cache-Control': 'no-store',
    },
  });
};
