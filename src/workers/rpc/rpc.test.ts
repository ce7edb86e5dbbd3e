import { describe, expect, it } from 'vitest';
import { createClient } from './client.ts';
import { channel } from './fixtures/channel.ts';
import type { Progress } from './protocol.ts';
import { serve, type Handlers } from './serve.ts';
import type { Watch } from './watch.ts';

type TestJobs = {
  double: { input: number; output: number };
  slow: { input: string; output: string };
  fails: { input: null; output: null };
  never: { input: null; output: null };
  buffer: { input: { readonly bytes: ArrayBuffer }; output: { readonly bytes: ArrayBuffer } };
};

/** A client whose workers run in this thread; the newest of them can be made to fail. */
const pair = (started: string[] = []) => {
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
    never: async (_input, { outside }) => ({
      output: await outside(() => new Promise<null>(() => undefined), { freesLane: true }),
    }),
    buffer: async ({ bytes }) => ({ output: { bytes }, transfer: [bytes] }),
  };
  const spawned: ReturnType<typeof channel>[] = [];
  const ends: (() => void)[] = [];
  const watch: Watch = (_worker, ended) => {
    ends.push(ended);
    return () => undefined;
  };
  const spawn = () => {
    const made = channel();
    serve(made.port, handlers);
    spawned.push(made);
    return made.worker;
  };
  const client = createClient<TestJobs>(spawn, { name: 'tests', watch });
  return { client, spawned, ends, close: client.end };
};

describe('calls', () => {
  it('answer with what the job made', async () => {
    const { client, close } = pair();
    expect(await client.call('double', 21)).toEqual({ state: 'done', output: 42 });
    close();
  });

  it('tell why a job threw, and go on afterwards', async () => {
    const { client, close } = pair();
    expect(await client.call('fails', null)).toEqual({
      state: 'failed',
      reason: 'It could not be worked out (no frame is open).',
    });
    expect(await client.call('nothing' as 'double', 1)).toMatchObject({
      reason: expect.stringContaining('no job named nothing'),
    });
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

describe('a worker that ends', () => {
  const ways = [
    [
      'an error outside of a job',
      ({ spawned }: ReturnType<typeof pair>) => spawned.at(-1)?.fail('error', 'out of memory'),
      'stopped with an error (out of memory)',
    ],
    [
      'something that cannot be read',
      ({ spawned }: ReturnType<typeof pair>) => spawned.at(-1)?.fail('messageerror'),
      'sent something that cannot be read',
    ],
    [
      'the browser without a word',
      ({ ends }: ReturnType<typeof pair>) => ends.at(-1)?.(),
      'was ended by the browser',
    ],
  ] as const;

  it.each(ways)(
    'by %s answers all that waits with a sentence; the next call finds another one',
    async (_name, end, why) => {
      const here = pair();
      const { client, spawned } = here;
      const told: string[] = [];
      client.onEnded((reason) => told.push(reason));
      const waiting = [client.call('never', null), client.call('never', null, { latest: 'a' })];
      await client.call('double', 1);
      end(here);
      const reason = `The worker for tests ${why}. Another one takes its place: do again what you were at.`;
      expect(await Promise.all(waiting)).toEqual([
        { state: 'failed', reason },
        { state: 'failed', reason },
      ]);
      expect(told).toEqual([reason]);
      expect(spawned[0].state.terminated).toBe(1);
      expect(await client.call('double', 4, { latest: 'a' })).toEqual({ state: 'done', output: 8 });
      expect(spawned).toHaveLength(2);
      // The end of the first one is told once, however late it comes.
      here.spawned[0].fail('error');
      here.ends[0]();
      expect(told).toHaveLength(1);
      expect(await client.call('double', 5)).toEqual({ state: 'done', output: 10 });
      client.end();
    },
  );

  it('for good cancels what waits and starts no other', async () => {
    const { client, spawned } = pair();
    const waiting = client.call('never', null);
    await client.call('double', 1);
    client.end();
    expect(await waiting).toEqual({ state: 'cancelled' });
    expect(await client.call('double', 1)).toEqual({ state: 'cancelled' });
    expect(spawned).toHaveLength(1);
  });

  it('before it began: one that cannot be started, or sent what was asked, says so', async () => {
    const client = createClient<TestJobs>(
      () => {
        throw new Error('blocked');
      },
      { name: 'tests' },
    );
    expect(await client.call('double', 1)).toMatchObject({
      state: 'failed',
      reason: expect.stringContaining('blocked'),
    });
    const { client: other, close } = pair();
    const odd = (() => undefined) as unknown as number;
    expect(await other.call('double', odd)).toMatchObject({
      state: 'failed',
      reason: expect.stringContaining('could not be handed'),
    });
    expect(await other.call('double', 2)).toEqual({ state: 'done', output: 4 });
    close();
  });
});
