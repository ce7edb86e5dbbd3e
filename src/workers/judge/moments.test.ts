// Jobs of the judging worker that meet: clips and feeds that are waited for while something else comes.
import { describe, expect, it } from 'vitest';
import { PLAIN } from '#core/kernels/plain.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import { ARCHETYPES } from '#core/profile/index.ts';
import { writePng } from '#core/formats/png.ts';
import { y4mFrame, y4mHeader } from '#core/formats/y4m.ts';
import { makeFrame } from '#core/frame/frame.ts';
import { createClient } from '../rpc/client.ts';
import { channel } from '../rpc/fixtures/channel.ts';
import { plainContext as context } from '../rpc/fixtures/context.ts';
import { serve } from '../rpc/serve.ts';
import { JUDGE_LANES, judgeHandlers } from './handlers.ts';
import type { JudgeJobs } from './protocol.ts';

const bench = () => {
  const { worker, port } = channel();
  serve(port, judgeHandlers(PLAIN, PLAIN), JUDGE_LANES);
  return createClient<JudgeJobs>(() => worker, { name: 'tests', watch: () => () => undefined });
};
const plane = (code: number) => new Uint16Array(64 * 36).fill(code);
const frameOf = (code: number, bitDepth: 8 | 10 = 10) =>
  makeFrame({
    width: 64,
    height: 36,
    bitDepth,
    range: 'legal',
    r: plane(code),
    g: plane(code),
    b: plane(code),
  });
const still = (code: number) => new Blob([writePng(frameOf(code)) as Uint8Array<ArrayBuffer>]);
const clip = (codes: readonly number[]) => {
  const head = y4mHeader(frameOf(0), { chroma: '4:4:4', rate: [25, 1] });
  const frames = codes.map((code) => y4mFrame(frameOf(code), '4:4:4') as Uint8Array<ArrayBuffer>);
  return new Blob([head, ...frames]);
};
const card = { id: 'card', kind: 'card', rect: { x: 0, y: 0, width: 8, height: 8 } } as const;
const target = { profile: ARCHETYPES.wideLog, clipStops: 6, floorStops: -6 };
const measure = { ...target, patches: [card] };
const done = <T>(outcome: { readonly state: string; readonly output?: T }): T => {
  if (outcome.state !== 'done') throw new Error(outcome.state);
  return outcome.output as T;
};

/** A device that gives 8-bit pictures when it is told to. */
const device = () => {
  let give: ReadableStreamDefaultController<VideoFrame> | undefined;
  const frames = new ReadableStream<VideoFrame>({ start: (controller) => (give = controller) });
  const bytes = new Uint8Array(12).fill(120, 0, 8).fill(128, 8);
  const picture = () =>
    ({
      format: 'I420',
      codedWidth: 4,
      codedHeight: 2,
      visibleRect: { width: 4, height: 2 },
      colorSpace: { fullRange: false },
      allocationSize: () => bytes.length,
      copyTo: async (into: Uint8Array) => into.set(bytes),
      close: () => undefined,
    }) as unknown as VideoFrame;
  return { frames, give: () => give?.enqueue(picture()) };
};
/** Streams do not travel to a port of this thread: the jobs are called as they are. */
const direct = () => judgeHandlers(PLAIN, PLAIN);

describe('a picture and what was measured on it', () => {
  it('travel together: capture, measure and hold name the picture they are of', async () => {
    const client = bench();
    const open = { file: clip([400, 500, 600]), name: 'a.y4m', range: 'legal' } as const;
    const opened = done(await client.call('open', open));
    if (!opened.ok) throw new Error(opened.reason);
    const { opening, picture } = opened.value.info;
    const asked = [
      client.call('measure', measure),
      client.call('seek', { frame: 2 }),
      client.call('capture', { ...measure, thumbnail: { profile: target.profile, pullStops: 0, width: 16 } }),
      client.call('hold', measure),
    ] as const;
    const [first, , captured, hero] = await Promise.all(asked);
    for (const [outcome, code] of [
      [done(first), done(first).at === 0 ? 400 : 600],
      [done(captured), done(captured).at === 0 ? 400 : 600],
      [done(hero), done(hero).at === 0 ? 400 : 600],
    ] as const) {
      expect(outcome.opening).toBe(opening);
      expect(outcome.picture).toBe(outcome.at === 0 ? picture : picture + 1);
      expect(outcome.measurement.patches[0].luma).toBeCloseTo(code, 0);
    }
    // A still has no moment, and another number.
    const next = done(await client.call('open', { file: still(300), name: 'b.png', range: 'legal' }));
    expect(next.ok && next.value.info.opening).toBeGreaterThan(opening);
    expect(done(await client.call('measure', measure)).at).toBeUndefined();
    // The hero is still there under its number, and no other.
    const request = {
      profile: target.profile,
      pullStops: 0,
      view: 'recorded',
      ramp: 'viridis',
      contours: false,
      rangeZebras: [],
    } as const;
    expect(done(await client.call('reference', { ...request, hero: done(hero).hero })).ok).toBe(true);
    expect(done(await client.call('reference', { ...request, hero: 99 }))).toMatchObject({ ok: false });
    client.end();
  });

  it('a clip that is read another way is read so at every further frame', async () => {
    const client = bench();
    await client.call('open', { file: clip([400, 500]), name: 'a.y4m', range: 'legal' });
    await client.call('reread', { range: 'full' });
    const next = done(await client.call('seek', { frame: 1 }));
    expect(next.ok && next.value.range).toBe('full');
    expect(done(await client.call('measure', measure)).measurement.coding.range).toBe('full');
    client.end();
  });

  it('marks lie in each frame where they were put', async () => {
    const client = bench();
    await client.call('open', { file: clip([400, 500, 600]), name: 'a.y4m', range: 'legal' });
    const keyed = { card: [0, 2].map((frame) => ({ frame, rect: { ...card.rect, x: 10 * frame } })) };
    await client.call('seek', { frame: 1 });
    const now = done(await client.call('measure', { ...measure, keyed }));
    expect(now.measurement.patches[0].patch.rect.x).toBe(10);
    const all = done(await client.call('survey', { ...measure, keyed, frames: [0, 1, 2] }));
    expect(all.ok && all.value.map(({ measurement }) => measurement.patches[0].patch.rect.x)).toEqual([
      0, 10, 20,
    ]);
    client.end();
  });
});

describe('light levels of a clip', () => {
  const grade = {
    recipe: { ...monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 0 }), output: 'pq', peak: 4000 },
    dial: { kelvin: 5600, tint: 0 },
    floorStops: -6,
    rows: [],
  } as const;
  it('are the brightest pixel and the highest mean of all its pictures; a still is one picture', async () => {
    const client = bench();
    const codes = [300, 640, 420];
    done(await client.call('open', { file: clip(codes), name: 'a.y4m', range: 'legal' }));
    const light = async (frames: readonly number[]) => {
      const output = done(await client.call('gradeLight', { grade, frames }));
      if (!output.ok) throw new Error(output.reason);
      return output.value;
    };
    const [dark, bright] = [await light([0]), await light([1])];
    expect(bright.maxCll).toBeGreaterThan(4 * dark.maxCll);
    // A picture of one colour: its mean is its brightest pixel.
    expect(bright.maxFall).toBeCloseTo(bright.maxCll, 3);
    expect(await light([0, 1, 2])).toEqual({ ...bright, frames: 3 });
    done(await client.call('open', { file: still(300), name: 'a.png', range: 'legal' }));
    expect(await light([5, 6])).toEqual({ ...dark, frames: 1 });
  });

  it('are given up when another file is opened', async () => {
    const client = bench();
    done(await client.call('open', { file: clip([300, 640, 420]), name: 'a.y4m', range: 'legal' }));
    const frames = Array.from({ length: 60 }, (_, i) => i % 3);
    const asked = client.call('gradeLight', { grade, frames });
    await client.call('open', { file: still(300), name: 'b.png', range: 'legal' });
    expect((await asked).state).toBe('cancelled');
  });
});

describe('a survey', () => {
  it('lets pictures through, and ends when another file is opened', async () => {
    const client = bench();
    await client.call('open', { file: clip(Array<number>(40).fill(400)), name: 'a.y4m', range: 'legal' });
    let told = 0;
    const frames = Array.from({ length: 40 }, (_, n) => n);
    const survey = client.call('survey', { ...measure, frames }, { onProgress: () => (told += 1) });
    const request = {
      profile: target.profile,
      pullStops: 0,
      view: 'recorded',
      ramp: 'viridis',
      contours: false,
      rangeZebras: [],
    } as const;
    await client.call('measure', measure);
    const at = told;
    expect(done(await client.call('picture', request)).width).toBe(64);
    expect(told - at).toBeLessThan(5);
    await client.call('open', { file: still(300), name: 'b.png', range: 'legal' });
    expect(await survey).toEqual({ state: 'cancelled' });
    expect(told).toBeLessThan(40);
    client.end();
  });
});

describe('a feed', () => {
  it('that is waited for holds nothing: a file is opened, and the late picture does not take its place', async () => {
    const jobs = direct();
    const { frames, give } = device();
    const waiting = jobs.feed({ frames, name: 'dongle', range: 'legal' }, context);
    await jobs.feedStop({}, context);
    const { output: opened } = await jobs.open({ file: still(300), name: 'b.png', range: 'legal' }, context);
    // The device is let go: it takes no more pictures.
    expect(give).toThrow(/closed/);
    expect((await waiting).output).toMatchObject({ ok: false });
    const { output: now } = await jobs.measure(measure, context);
    expect(opened.ok && now.opening === opened.value.info.opening).toBe(true);
  });

  it('gives its next picture to nobody once it was stopped; its last one stays', async () => {
    const jobs = direct();
    const { frames, give } = device();
    const first = jobs.feed({ frames, name: 'dongle', range: 'legal' }, context);
    give();
    expect((await first).output).toMatchObject({ ok: true, value: { info: { width: 4, bitDepth: 8 } } });
    const next = jobs.feedNext({}, context);
    await jobs.feedStop({}, context);
    expect((await next).output).toMatchObject({ ok: false });
    expect((await jobs.measure({ ...target, patches: [] }, context)).output.measurement.width).toBe(4);
    // Read another way, it is the same picture.
    expect((await jobs.reread({ range: 'full' }, context)).output).toMatchObject({
      ok: true,
      value: { info: { range: 'full', width: 4 } },
    });
  });

  it('who waits for the next picture of one feed is not handed that of another', async () => {
    const jobs = direct();
    const [one, two] = [device(), device()];
    const first = jobs.feed({ frames: one.frames, name: 'one', range: 'legal' }, context);
    one.give();
    expect((await first).output.ok).toBe(true);
    const next = jobs.feedNext({}, context);
    const second = jobs.feed({ frames: two.frames, name: 'two', range: 'legal' }, context);
    two.give();
    two.give();
    expect((await second).output.ok).toBe(true);
    expect((await next).output).toMatchObject({ ok: false });
  });

  it('a second one takes the place of one that is still waited for', async () => {
    const jobs = direct();
    const [one, two] = [device(), device()];
    const first = jobs.feed({ frames: one.frames, name: 'one', range: 'legal' }, context);
    const second = jobs.feed({ frames: two.frames, name: 'two', range: 'legal' }, context);
    two.give();
    expect((await second).output.ok).toBe(true);
    expect((await first).output).toMatchObject({ ok: false });
    two.give();
    expect((await jobs.feedNext({}, context)).output.ok).toBe(true);
  });
});
