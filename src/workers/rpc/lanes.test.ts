import { describe, expect, it } from 'vitest';
import { createClient } from './client.ts';
import { channel } from './fixtures/channel.ts';
import { serve, type Handlers, type LaneOf } from './serve.ts';

type TestJobs = {
  picture: { input: string; output: string };
  measure: { input: string; output: string };
  survey: { input: { readonly name: string; readonly steps: number }; output: string };
  device: { input: string; output: string };
};
const LANES: LaneOf<TestJobs> = { picture: 0, measure: 1, device: 2, survey: 3 };

/** A worker that writes down what runs; `arrive` ends the wait for the device. */
const bench = (kept?: 'keeps its lane') => {
  const log: string[] = [];
  let arrive: () => void = () => undefined;
  let waits = 0;
  const handlers: Handlers<TestJobs> = {
    picture: async (name) => {
      log.push(name);
      return { output: name };
    },
    measure: async (name) => {
      log.push(name);
      return { output: name };
    },
    survey: async ({ name, steps }, { step }) => {
      for (let i = 0; i < steps; i += 1) {
        log.push(`${name} ${i}`);
        await step('', i / steps);
      }
      log.push(`${name} end`);
      return { output: name };
    },
    device: async (name, { outside }) => {
      log.push(`${name} waits`);
      waits += 1;
      if (waits === 1)
        await outside(() => new Promise<void>((resolve) => (arrive = resolve)), {
          freesLane: kept === undefined,
        });
      log.push(`${name} came`);
      return { output: name };
    },
  };
  const { worker, port } = channel();
  serve(port, handlers, LANES);
  const client = createClient<TestJobs>(() => worker, { name: 'tests', watch: () => () => undefined });
  return { client, log, arrive: () => arrive() };
};

describe('lanes', () => {
  it('what is drawn goes before what is measured, and both before a survey under way', async () => {
    const { client, log } = bench();
    const survey = client.call('survey', { name: 'survey', steps: 20 });
    await client.call('measure', 'first');
    const asked = [client.call('measure', 'm1'), client.call('measure', 'm2'), client.call('picture', 'p1')];
    await Promise.all(asked);
    const at = log.indexOf('first');
    expect(log.slice(at + 1).filter((one) => !one.startsWith('survey'))).toEqual(['p1', 'm1', 'm2']);
    expect(log).not.toContain('survey end');
    await survey;
    expect(log.at(-1)).toBe('survey end');
    client.end();
  });

  it('jobs of one lane follow each other in order', async () => {
    const { client, log } = bench();
    await Promise.all([
      client.call('survey', { name: 'a', steps: 3 }),
      client.call('survey', { name: 'b', steps: 2 }),
    ]);
    expect(log).toEqual(['a 0', 'a 1', 'a 2', 'a end', 'b 0', 'b 1', 'b end']);
    client.end();
  });

  it('a decoder that is waited for keeps its lane, and lets the others go on', async () => {
    const { client, log, arrive } = bench('keeps its lane');
    const waiting = client.call('device', 'one');
    const behind = client.call('device', 'two');
    await client.call('measure', 'first');
    await client.call('survey', { name: 'survey', steps: 1 });
    expect(log).toEqual(['first', 'one waits', 'survey 0', 'survey end']);
    arrive();
    await Promise.all([waiting, behind]);
    expect(log.slice(4)).toEqual(['one came', 'two waits', 'two came']);
    client.end();
  });

  it('what is cancelled while it waits outside frees its lane at once', async () => {
    const { client, log } = bench('keeps its lane');
    const stop = new AbortController();
    const waiting = client.call('device', 'one', { signal: stop.signal });
    await client.call('survey', { name: 'survey', steps: 0 });
    const behind = client.call('device', 'two');
    stop.abort();
    expect(await waiting).toEqual({ state: 'cancelled' });
    // Nothing has arrived, and nobody waits for it any more.
    expect(await behind).toEqual({ state: 'done', output: 'two' });
    expect(log).toEqual(['one waits', 'survey end', 'two waits', 'two came']);
    client.end();
  });

  it('waiting for a device holds nothing, not even its own lane', async () => {
    const { client, log, arrive } = bench();
    const waiting = client.call('device', 'one');
    await client.call('measure', 'first');
    await client.call('measure', 'second');
    await client.call('device', 'two');
    expect(log).toEqual(['first', 'one waits', 'second', 'two waits', 'two came']);
    arrive();
    expect(await waiting).toEqual({ state: 'done', output: 'one' });
    expect(log.at(-1)).toBe('one came');
    client.end();
  });

  it('what is cancelled while it waits its turn or for a device does not run on', async () => {
    const { client, log, arrive } = bench();
    const [stopWaiting, stopSurvey] = [new AbortController(), new AbortController()];
    const waiting = client.call('device', 'one', { signal: stopWaiting.signal });
    const survey = client.call('survey', { name: 's', steps: 500 }, { signal: stopSurvey.signal });
    await client.call('measure', 'measured');
    stopWaiting.abort();
    stopSurvey.abort();
    expect([await waiting, await survey]).toEqual([{ state: 'cancelled' }, { state: 'cancelled' }]);
    await client.call('measure', 'after');
    const length = log.length;
    arrive();
    await client.call('measure', 'later');
    expect(log.slice(length)).toEqual(['later']);
    expect(log).not.toContain('one came');
    // The lanes are free again.
    expect(await client.call('survey', { name: 't', steps: 1 })).toMatchObject({ state: 'done' });
    client.end();
  });
});
