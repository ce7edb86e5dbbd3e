import { afterEach, describe, expect, it } from 'vitest';
import { VIDEO_LAYOUTS } from '#core/frame/videoFormats.ts';
import { EXACT } from '#core/frame/tags.ts';
import { failure, success } from '#core/result.ts';
import type { DemuxJobs } from '../../demux/protocol.ts';
import { createClient, type Client } from '../../rpc/client.ts';
import { channel } from '../../rpc/fixtures/channel.ts';
import { serve, type Handlers } from '../../rpc/serve.ts';
import { openDemuxedClip } from './demuxed.ts';

const clients: Client<DemuxJobs>[] = [];
afterEach(() => clients.splice(0).forEach((client) => client.end()));

/** A demultiplexing worker in this thread that does what a test wants of it. */
const workerOf = (jobs: Partial<Handlers<DemuxJobs>>) => {
  const { worker, port, state } = channel();
  const rest: Handlers<DemuxJobs> = {
    open: async () => ({ output: success({ times: Float64Array.of(0, 0.04, 0.08), last: 0.04, facts: {} }) }),
    expect: async () => ({ output: undefined }),
    frame: async () => ({ output: failure('frame', 'none') }),
  };
  serve<DemuxJobs>(port, { ...rest, ...jobs });
  const start = () => {
    const client = createClient<DemuxJobs>(() => worker, { name: 'clips', watch: () => () => undefined });
    clients.push(client);
    return client;
  };
  return { start, state };
};
const file = new Blob([new Uint8Array(64)]);
const never = new Promise<never>(() => undefined);

describe('a clip taken apart in a worker of its own', () => {
  it('has its times and its pictures as they were decoded', async () => {
    const layout = VIDEO_LAYOUTS.I420;
    const bytes = new Uint8Array([100, 110, 120, 130, 128, 128]);
    const picture = { width: 2, height: 2, layout, bytes, container: 'MP4', tags: {}, exactness: EXACT };
    const { start, state } = workerOf({ frame: async () => ({ output: success(picture) }) });
    const clip = await openDemuxedClip(file, start);
    if (!clip.ok || !('value' in clip)) throw new Error('not opened');
    expect(clip.value.info.rate).toBeCloseTo(25, 6);
    const frame = await clip.value.frameAt(1, { range: 'legal' });
    if (!frame.ok) throw new Error(frame.reason);
    expect([...(frame.value.frame.source?.y ?? [])]).toEqual([100, 110, 120, 130]);
    clip.value.close();
    expect(state.terminated).toBe(1);
  });

  it('that goes round in circles is ended, and refused in a sentence', async () => {
    const { start, state } = workerOf({
      open: (_input, { tell }) => {
        tell('begun', 0);
        return never;
      },
    });
    const clip = await openDemuxedClip(file, start, { silentMs: 40 });
    expect(clip).toMatchObject({
      ok: false,
      where: 'container',
      reason: expect.stringContaining('makes no progress'),
    });
    expect(state.terminated).toBe(1);
  });

  it('that gets on is waited for, however long it takes', async () => {
    const { start } = workerOf({
      open: async (_input, { tell }) => {
        for (let i = 0; i < 50; i += 1) {
          tell('reading', 0);
          await new Promise((resolve) => setTimeout(resolve, 25));
        }
        return { output: success({ times: Float64Array.of(0), last: 0.04, facts: {} }) };
      },
    });
    // Longer than that in all, and each step far shorter: a busy machine must not seem to stand still.
    expect(await openDemuxedClip(file, start, { silentMs: 1000 })).toMatchObject({ ok: true });
  });

  it('is ended when it is given up', async () => {
    const { start, state } = workerOf({ open: () => never });
    const stop = new AbortController();
    const clip = openDemuxedClip(file, start, { signal: stop.signal });
    stop.abort();
    expect(await clip).toMatchObject({ ok: false, reason: expect.stringContaining('stopped') });
    expect(state.terminated).toBe(1);
  });

  it('of which one picture never comes says so for that picture, and for each one after it', async () => {
    const { start } = workerOf({ frame: () => never });
    const clip = await openDemuxedClip(file, start, { silentMs: 40 });
    if (!clip.ok || !('value' in clip)) throw new Error('not opened');
    expect(await clip.value.frameAt(2, { range: 'legal' })).toMatchObject({ ok: false, where: 'frame 3' });
    expect(await clip.value.frameAt(0, { range: 'legal' })).toMatchObject({
      where: 'frame 1',
      reason: expect.stringContaining('makes no progress'),
    });
  });

  it('without a decoder is left to the helper, its worker ended', async () => {
    const { start, state } = workerOf({
      open: async () => ({ output: { ok: false, undecodable: { codec: 'apcn' } } }),
    });
    expect(await openDemuxedClip(file, start)).toEqual({ ok: false, undecodable: { codec: 'apcn' } });
    expect(state.terminated).toBe(1);
  });
});
