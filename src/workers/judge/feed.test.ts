import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createFeed } from './feed.ts';

const WISH = { range: 'legal' } as const;

/** A decoded picture as a browser hands it over: 4x2, 8 bit 4:2:0, every luma sample `code`. */
const picture = (code: number, given: Partial<{ format: string | null; range: boolean }> = {}) => {
  const bytes = new Uint8Array(12).fill(code, 0, 8).fill(128, 8);
  const state = { closed: 0 };
  const made = {
    format: given.format === undefined ? 'I420' : given.format,
    codedWidth: 4,
    codedHeight: 2,
    visibleRect: { width: 4, height: 2 },
    colorSpace: {
      fullRange: given.range ?? false,
      primaries: 'bt709',
      transfer: 'bt709',
      matrix: 'bt709',
    },
    allocationSize: () => bytes.length,
    copyTo: async (into: Uint8Array) => into.set(bytes),
    close: () => {
      state.closed += 1;
    },
  };
  return { frame: made as unknown as VideoFrame, state };
};

const settle = async () => {
  for (let i = 0; i < 20; i += 1) await Promise.resolve();
};

describe('a feed', () => {
  let time = 1000;
  let give: ReadableStreamDefaultController<VideoFrame>;
  let cancelled = false;
  const start = () =>
    createFeed(
      new ReadableStream<VideoFrame>({
        start: (controller) => {
          give = controller;
        },
        cancel: () => {
          cancelled = true;
        },
      }),
      'Stand-in',
      () => time,
    );
  beforeEach(() => {
    vi.useFakeTimers();
    time = 1000;
    cancelled = false;
  });
  afterEach(() => {
    vi.useRealTimers();
  });

  it('gives the newest picture, lets older ones go and counts them', async () => {
    const feed = start();
    const pictures = [20, 40, 60].map((code) => picture(code));
    for (const { frame } of pictures) {
      time += 40;
      give.enqueue(frame);
      await settle();
    }
    time += 500;
    const next = await feed.next(WISH);
    expect(next.ok && [next.value.dropped, next.value.arrivedAt, next.value.seconds]).toEqual([
      2, 1120, 0.12,
    ]);
    expect(next.ok && next.value.opened.frame.source?.y[0]).toBe(60);
    expect(pictures.map(({ state }) => state.closed)).toEqual([1, 1, 1]);
  });

  it('counts anew after each picture', async () => {
    const feed = start();
    for (const code of [1, 2]) give.enqueue(picture(code).frame);
    await settle();
    expect(await feed.next(WISH)).toMatchObject({ ok: true, value: { dropped: 1 } });
    give.enqueue(picture(3).frame);
    await settle();
    expect(await feed.next(WISH)).toMatchObject({ ok: true, value: { dropped: 0 } });
  });

  it('waits for a picture, and says when none comes', async () => {
    const feed = start();
    const soon = Promise.all([feed.wait(), feed.wait()]);
    await settle();
    give.enqueue(picture(9).frame);
    await soon;
    expect(await feed.next(WISH)).toMatchObject({ ok: true });
    const never = feed.wait();
    await vi.advanceTimersByTimeAsync(2000);
    await never;
    expect(await feed.next(WISH)).toMatchObject({
      ok: false,
      where: 'feed',
      reason: expect.stringMatching(/for 2 seconds/),
    });
  });

  it('gives the first picture ten seconds: a converter locks on slowly', async () => {
    const feed = start();
    const first = feed.wait();
    await vi.advanceTimersByTimeAsync(9000);
    give.enqueue(picture(9).frame);
    await first;
    expect(await feed.next(WISH)).toMatchObject({ ok: true });
    const never = start();
    const waited = never.wait();
    await vi.advanceTimersByTimeAsync(10_000);
    await waited;
    expect(await never.next(WISH)).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/for 10 seconds/),
    });
  });

  it('says that a device went away, by its end or by an error', async () => {
    const ended = start();
    give.close();
    await settle();
    expect(await ended.next(WISH)).toMatchObject({ ok: false, reason: expect.stringMatching(/plugged in/) });
    const broken = start();
    const waiting = broken.wait();
    await settle();
    give.error(new Error('unplugged'));
    await waiting;
    expect(await broken.next(WISH)).toMatchObject({ ok: false, reason: expect.stringMatching(/plugged in/) });
  });

  it('refuses pictures without codes in a sentence, and still lets them go', async () => {
    const feed = start();
    const { frame, state } = picture(1, { format: null });
    give.enqueue(frame);
    await settle();
    expect(await feed.next(WISH)).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/hold no codes/),
    });
    expect(state.closed).toBe(1);
  });

  it('is stopped: the picture at hand and the device are let go', async () => {
    const feed = start();
    const { frame, state } = picture(1);
    give.enqueue(frame);
    await settle();
    await feed.stop();
    expect(state.closed).toBe(1);
    expect(cancelled).toBe(true);
    expect(await feed.next(WISH)).toMatchObject({ ok: false });
  });
});
