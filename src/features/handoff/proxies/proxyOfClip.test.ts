import { afterEach, describe, expect, it, vi } from 'vitest';
import type { ProxyClip } from '#core/formats/proxyScript.ts';
import { jobsOf, proxyOfClip } from './proxyOfClip.ts';

const clip = (file: string, bytes: number, name = file): ProxyClip => ({
  file,
  bytes,
  name,
  cube: 'burned-001.cube',
  range: 'legal',
  matrix: 'bt709',
});
const file = (name: string, bytes: number) => new File([new Uint8Array(bytes)], name);
afterEach(() => vi.unstubAllGlobals());

describe('clips at hand', () => {
  it('are those of the shoot by name and length, each once; others are strangers', () => {
    const clips = [clip('A1.mov', 5, 'A1'), clip('A1.mov', 7, 'A1 (2)'), clip('B1.mov', 5)];
    const files = [file('a1.MOV', 7), file('A1.mov', 7), file('B1.mov', 6), file('C.mov', 1)];
    const { jobs, strangers } = jobsOf(files, clips);
    expect(jobs.map((job) => job.clip.name)).toEqual(['A1 (2)']);
    expect(strangers).toEqual(['B1.mov', 'C.mov']);
  });
});

describe('a proxy by the helper', () => {
  const job = { file: file('A1.mov', 3), clip: clip('A1.mov', 3) };
  /** A helper that takes the clip and answers its order with pieces of lines. */
  const helper = (pieces: readonly string[], status = 200) => {
    const asked: string[] = [];
    vi.stubGlobal('fetch', async (path: string, { method = 'GET' }: RequestInit = {}) => {
      asked.push(`${method} ${path}`);
      if (method === 'DELETE') return new Response(null, { status: 204 });
      if (path === '/api/clips') return Response.json({ ok: true, value: { id: 'one' } }, { status });
      if (method === 'GET') return new Response('proxy');
      return new Response(
        new ReadableStream({
          start: (lines) => {
            for (const piece of pieces) lines.enqueue(new TextEncoder().encode(piece));
            lines.close();
          },
        }),
      );
    });
    return asked;
  };
  const made = async () => {
    const shares: number[] = [];
    const how = { signal: new AbortController().signal, tell: (share: number) => void shares.push(share) };
    return { result: await proxyOfClip(job, { cube: 'x', codec: 'h264' }, how), shares };
  };

  it('tells how far it is, line by line however they are cut, and lets the clip go', async () => {
    const asked = helper(['{"share":0.', '2}\n{"share":0.7}\n{"ok":true,', '"value":{"bytes":5}}\n']);
    const { result, shares } = await made();
    expect(result.ok && (await result.value.text())).toBe('proxy');
    expect(shares).toEqual([0.2, 0.7]);
    expect(asked.at(-1)).toBe('DELETE /api/clips/one');
  });

  it.each([
    ['a failure of ffmpeg', ['{"ok":false,"where":"disk","reason":"No room."}\n'], 200, 'No room.'],
    ['a server that ends in the middle', ['{"share":0.2}\n'], 200, 'The helper does not answer'],
    ['lines that are no JSON', ['<html>\n'], 200, 'The helper does not answer'],
    ['a refusal', [], 403, 'refuses this clip (403)'],
  ])('says in a sentence: %s', async (_what, pieces, status, reason) => {
    helper(pieces, status);
    expect((await made()).result).toMatchObject({ ok: false, reason: expect.stringContaining(reason) });
  });
});
