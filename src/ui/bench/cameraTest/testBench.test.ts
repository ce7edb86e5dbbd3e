import { describe, expect, it } from 'vitest';
import { DESK_CHART_CORNERS, deskChartText } from '#core/cameraTest/film/desk.ts';
import { CAMERA, HAVE, USUAL } from '#core/cameraTest/fixtures/filmed.ts';
import { failure, success } from '#core/result.ts';
import type { CameraTestJobs } from '#workers/cameraTest/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import { createTestBench } from './testBench.ts';

const asked = { list: USUAL, camera: CAMERA, have: HAVE, gamut: 'bt2020' as const };
const LOOKED = {
  seconds: 4,
  frames: 8,
  coding: { bitDepth: 10, range: 'legal' },
  isVariable: false,
  codec: 'Y4M',
};
const found = (clip: string) => ({
  id: `${clip} 0`,
  clip,
  from: 0,
  to: 4,
  shotId: 'first',
  sure: 1,
  isSet: false,
  signal: 0.4,
});

type Answer = (job: string, input: never) => unknown;

/** A bench whose worker answers as said; what it was asked is kept. */
const benchOf = (answer: Answer) => {
  const calls: string[] = [];
  const client = {
    call: async (job: string, input: never, options: { signal?: AbortSignal } = {}) => {
      calls.push(job);
      const output = await answer(job, input);
      if (options.signal?.aborted) return { state: 'cancelled' };
      return output === 'failed'
        ? { state: 'failed', reason: 'The worker was ended.' }
        : { state: 'done', output };
    },
    onEnded: () => () => undefined,
    end: () => undefined,
  } as unknown as Client<CameraTestJobs>;
  let [ids, ms] = [0, 0];
  const bench = createTestBench({
    start: () => client,
    now: () => (ms += 500),
    newId: () => `c${(ids += 1)}`,
  });
  return { bench, calls };
};
const file = (name: string) => new File(['x'], name);

const well: Answer = (job, input: { id?: string; clips?: string[] }) => {
  if (job === 'look') return success(LOOKED);
  if (job === 'find') return { found: (input.clips ?? []).map(found), problems: [] };
  if (job === 'evaluate') return success({ curve: {}, parts: [], missing: [] });
  return undefined;
};

describe('the bench of a camera test', () => {
  it('looks at clips in the order of their names, tells them apart and evaluates them', async () => {
    const { bench, calls } = benchOf(well);
    await bench.drop([file('T10.mov'), file('T2.mov')], asked, 'legal');
    const { clips, found: shots, told, busy, seconds } = bench.getState();
    expect(clips.map(({ file: { name }, state }) => [name, state])).toEqual([
      ['T2.mov', 'looked'],
      ['T10.mov', 'looked'],
    ]);
    expect(calls).toEqual(['look', 'look', 'find', 'evaluate']);
    expect(shots).toHaveLength(2);
    expect(told).toBeDefined();
    expect(busy).toBeUndefined();
    expect(seconds).toBeGreaterThan(0);
  });

  it('leaves a clip out that cannot be read, by name, and goes on with the rest', async () => {
    const { bench } = benchOf((job, input: { id?: string }) =>
      job === 'look' && input.id === 'c1'
        ? failure('byte 0', 'The file is empty.')
        : well(job, input as never),
    );
    await bench.drop([file('a.mov'), file('b.mov')], asked, 'legal');
    expect(bench.getState().clips.map(({ state }) => state)).toEqual(['leftOut', 'looked']);
    expect(bench.getState().clips[0].problem).toBe('The file is empty.');
    expect(bench.getState().told).toBeDefined();
  });

  it('says why nothing is told, and what it was before is gone', async () => {
    const { bench } = benchOf((job, input) =>
      job === 'evaluate' ? failure('bracket', 'Too few steps.') : well(job, input),
    );
    await bench.drop([file('a.mov')], asked, 'legal');
    expect(bench.getState()).toMatchObject({ failure: 'Too few steps.', told: undefined, busy: undefined });
    const ended = benchOf((job, input) => (job === 'find' ? 'failed' : well(job, input)));
    await ended.bench.drop([file('a.mov')], asked, 'legal');
    expect(ended.bench.getState().failure).toBe('The worker was ended.');
  });

  it('takes only the latest word: a label while another is worked out', async () => {
    let release: () => void = () => undefined;
    let waits = false;
    const { bench } = benchOf(async (job, input) => {
      if (job === 'evaluate' && waits) {
        waits = false;
        await new Promise<void>((done) => (release = done));
        return failure('old', 'an answer that nobody waits for');
      }
      return well(job, input);
    });
    await bench.drop([file('a.mov')], asked, 'legal');
    waits = true;
    const first = bench.label('c1 0', 'again', asked);
    await new Promise((done) => setTimeout(done));
    await bench.label('c1 0', null, asked);
    release();
    await first;
    expect(bench.getState().failure).toBeUndefined();
    expect(bench.getState().edits.labels).toEqual({ 'c1 0': null });
    await bench.label('c1 0', undefined, asked);
    expect(bench.getState().edits.labels).toEqual({});
  });

  it('stops with what it has, and is cleared; what is at hand stays', async () => {
    const { bench, calls } = benchOf((job, input) => {
      if (job === 'look') bench.stop();
      return well(job, input);
    });
    bench.prepare({ length: 'short' });
    await bench.drop([file('a.mov'), file('b.mov')], asked, 'legal');
    expect(bench.getState().clips.map(({ state }) => state)).toEqual(['waiting', 'waiting']);
    expect(bench.getState().busy).toBeUndefined();
    bench.clear();
    expect(bench.getState()).toMatchObject({ clips: [], length: 'short' });
    expect(calls).toContain('forget');
  });

  it('looks at everything again once the card was marked', async () => {
    const { bench, calls } = benchOf(well);
    await bench.drop([file('a.mov'), file('b.mov')], asked, 'legal');
    calls.length = 0;
    const marks = { card: { x: 0.3, y: 0.3, width: 0.2, height: 0.2 } };
    await bench.mark(bench.getState().found[0], marks, asked, 'legal');
    expect(calls).toEqual(['remember', 'look', 'look', 'find', 'evaluate']);
    expect(bench.getState()).toMatchObject({ marks });
  });

  it('reads a chart where it is laid and tells the gamut anew; rows that do not fit are said', async () => {
    const asks: unknown[] = [];
    const { bench, calls } = benchOf((job, input: never) => {
      if (job === 'chart') return success(Array.from({ length: 24 }, () => [0.4, 0.4, 0.4] as const));
      if (job === 'evaluate') asks.push(input);
      return well(job, input);
    });
    await bench.drop([file('a.mov')], asked, 'legal');
    const [hold] = bench.getState().found;
    const chart = {
      shotId: 'sheets lowest',
      board: 'grid24',
      corners: DESK_CHART_CORNERS,
      text: deskChartText(),
      light: 'd65',
    } as const;
    calls.length = 0;
    await bench.layChart(chart, hold, asked, 'legal');
    expect(calls).toEqual(['chart', 'find', 'evaluate']);
    expect(bench.getState().chart).toMatchObject({ signals: { length: 24 } });
    expect(asks.at(-1)).toMatchObject({ chart: { from: 'sheets lowest', patches: { length: 24 } } });
    await bench.layChart({ ...chart, text: 'name,X,Y,Z\na,0.2,0.2,0.2' }, hold, asked, 'legal');
    expect(bench.getState().chart?.problem).toMatch(/1 rows of colours, 24 patches/);
    expect(asks.at(-1)).not.toHaveProperty('chart');
    bench.clear();
    expect(bench.getState().chart).toBeUndefined();
  });
});
