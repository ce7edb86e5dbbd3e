import { describe, expect, it } from 'vitest';
import { createClient, type WorkerLike } from './client.ts';
import type { Progress } from './protocol.ts';
import { serve, type Handlers, type Port } from './serve.ts';

type TestJobs = {
  double: { input: number; output: number };
  slow: { input: string; output: string };
  fails: { input: null; output: null };
  buffer: { input: { readonly bytes: ArrayBuffer }; output: { readonly bytes: ArrayBuffer } };
};

const pair = (started: string[] = []) => {
  const { port1, port2 } = new MessageChannel();
  const handlers: Handlers<TestJobs> = {
    double: async (n) => ({ output: 2 * n }),
    slow: async (name, { step }) => {
      started.push(name);
      for (let i = 0; i < 5; i += 1) await step(`part ${i}`, i / 5);
      started.push(`${name} done`);
      return { output: name };
    },
    fails: async () => {
      throw new RangeError('no frame is open');
    },
    buffer: async ({ bytes }) => ({ output: { bytes }, transfer: [bytes] }),
  };
  serve(port2 as unknown as Port, handlers);
  port1.start();
  port2.start();
  return { client: createClient<TestJobs>(port1 as unknown as WorkerLike), close: () => port1.close() };
};

describe('calls', () => {
  it('answer with what the job made', async () => {
    const { client, close } = pair();
    expect(await client.call('double', 21)).toEqual({ state: 'done', output: 42 });
    close();
  });

  it('reject with the job’s own words when it throws, and go on afterwards', async () => {
    const { client, close } = pair();
    await expect(client.call('fails', null)).rejects.toThrow('no frame is open');
    await expect(client.call('nothing' as 'double', 1)).rejects.toThrow(/no job named nothing/);
    expect(await client.call('double', 1)).toEqual({ state: 'done', output: 2 });
    close();
  });

  it('report progress in order', async () => {
    const { client, close } = pair();
    const seen: Progress[] = [];
    await client.call('slow', 'a', { onProgress: (progress) => seen.push(progress) });
    expect(seen.map(({ phase }) => phase)).toEqual(['part 0', 'part 1', 'part 2', 'part 3', 'part 4']);
    expect(seen.at(-1)?.fraction).toBe(0.8);
    close();
  });

  it('latest wins: an overtaken call is cancelled and its job stops', async () => {
    const started: string[] = [];
    const { client, close } = pair(started);
    const first = client.call('slow', 'first', { latest: 'picture' });
    const second = client.call('slow', 'second', { latest: 'picture' });
    const other = client.call('slow', 'other', { latest: 'waveform' });
    expect(await first).toEqual({ state: 'cancelled' });
    expect(await second).toEqual({ state: 'done', output: 'second' });
    expect(await other).toEqual({ state: 'done', output: 'other' });
    expect(started).not.toContain('first done');
    close();
  });

  it('stop by signal, before and while they run', async () => {
    const started: string[] = [];
    const { client, close } = pair(started);
    const gone = new AbortController();
    gone.abort();
    expect(await client.call('slow', 'never', { signal: gone.signal })).toEqual({ state: 'cancelled' });
    const stop = new AbortController();
    const running = client.call('slow', 'some', { signal: stop.signal, onProgress: () => stop.abort() });
    expect(await running).toEqual({ state: 'cancelled' });
    expect(await client.call('double', 4)).toEqual({ state: 'done', output: 8 });
    expect(started).toEqual(['some']);
    close();
  });

  it('hand buffers over instead of copying them', async () => {
    const { client, close } = pair();
    const bytes = new Uint8Array([1, 2, 3]).buffer;
    const outcome = await client.call('buffer', { bytes }, { transfer: [bytes] });
    expect(bytes.byteLength).toBe(0);
    expect(outcome.state === 'done' && [...new Uint8Array(outcome.output.bytes)]).toEqual([1, 2, 3]);
    close();
  });
});
