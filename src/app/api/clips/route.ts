import { failure } from '#core/result.ts';
import { mayAsk } from '#server/clips/guard.ts';
import { hasFfmpeg } from '#server/clips/ffmpeg.ts';
import { MOST_BYTES, takeClip } from '#server/clips/keep.ts';

export const runtime = 'nodejs';
export const dynamic = 'force-dynamic';

/** Whether clips can be decoded by this machine. */
export const GET = (request: Request) =>
  mayAsk(request.headers) ? Response.json({ ffmpeg: hasFfmpeg() }) : new Response(null, { status: 403 });

/** Takes a clip in and says what it holds. */
export const POST = async (request: Request) => {
  if (!mayAsk(request.headers)) return new Response(null, { status: 403 });
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES)
    return Response.json(failure('clip', `The clip is larger than ${MOST_BYTES / 1e9} GB: cut it first.`));
  return Response.json(await takeClip(request.body, request.signal));
};
