import { mayAsk } from '#server/clips/guard.ts';
import { dropClip, framesOf } from '#server/clips/keep.ts';

export const runtime = 'nodejs';
export const dynamic = 'force-dynamic';

type Context = { readonly params: Promise<{ readonly id: string }> };

/** Raw frames from `frame` on, at most `count`. */
export const GET = async (request: Request, { params }: Context) => {
  if (!mayAsk(request.headers)) return new Response(null, { status: 403 });
  const { id } = await params;
  const query = new URL(request.url).searchParams;
  const frames = await framesOf(
    id,
    Number(query.get('frame')),
    Number(query.get('count') ?? 1),
    request.signal,
  );
  if (!frames.ok) return Response.json(frames, { status: 422 });
  return new Response(new Uint8Array(frames.value), {
    headers: { 'Content-Type': 'application/octet-stream', 'Cache-Control': 'no-store' },
  });
};

/** Lets a clip go. */
export const DELETE = async (request: Request, { params }: Context) => {
  if (!mayAsk(request.headers)) return new Response(null, { status: 403 });
  await dropClip((await params).id);
  return new Response(null, { status: 204 });
};
