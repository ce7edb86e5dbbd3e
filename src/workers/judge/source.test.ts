import { describe, expect, it } from 'vitest';
import { PLAIN } from '#core/kernels/plain.ts';
import { plainly } from '#core/formats/opened.ts';
import { makeFrame } from '#core/frame/frame.ts';
import { success } from '#core/result.ts';
import { createHolder } from './holder.ts';
import { createSourceHolder } from './source.ts';
import type { Feed } from './feed.ts';
import type { ClipSource } from './clips/source.ts';

const opened = (bitDepth: 8 | 10, code = 100) => {
  const plane = () => new Uint16Array(16).fill(code);
  const frame = makeFrame({
    width: 4,
    height: 4,
    bitDepth,
    range: 'legal',
    r: plane(),
    g: plane(),
    b: plane(),
  });
  return plainly({ frame, reading: 'codes10', evidence: '', container: '' }, {});
};
const LEGAL = { range: 'legal' } as const;
/** What a box in the cable did to black and white, 8 bit. */
const ANCHORS = { black: 30, white: 200 };

const bench = () => {
  const ended: string[] = [];
  const live: boolean[] = [];
  const source = createSourceHolder(createHolder(PLAIN), (is) => live.push(is));
  const feed = { stop: async () => void ended.push('feed') } as unknown as Feed;
  const clip = { close: () => ended.push('clip') } as unknown as ClipSource;
  return { source, ended, feed, clip, live };
};

describe('the source of the picture on the bench', () => {
  it('a camera after a measured feed has nothing of that feed’s black and white', async () => {
    const { source, feed, ended } = bench();
    source.open({ kind: 'feed', feed, seconds: 0 }, LEGAL, opened(8));
    const read = source.reread({ options: LEGAL, anchors: ANCHORS }, success(opened(8)));
    expect(read.ok && read.value.feed).toEqual(ANCHORS);
    // It holds for the feed's further pictures, and for the last one when it is stopped.
    expect(source.next(opened(8), { seconds: 0.04 }).feed).toEqual(ANCHORS);
    await source.rest();
    expect(ended).toEqual(['feed']);
    expect(source.get()).toMatchObject({ kind: 'rest', seconds: 0.04, anchors: ANCHORS });
    const camera = source.open({ kind: 'camera' }, LEGAL, opened(10));
    expect(camera.feed).toBeUndefined();
    expect(camera.bitDepth).toBe(10);
    expect(source.next(opened(10)).feed).toBeUndefined();
  });

  it('tells when a feed begins and ends: by Stop, or by what takes its place', async () => {
    const { source, feed, clip, live } = bench();
    source.open({ kind: 'feed', feed, seconds: 0 }, LEGAL, opened(8));
    await source.rest();
    await source.rest();
    source.open({ kind: 'feed', feed, seconds: 0 }, LEGAL, opened(8));
    source.open({ kind: 'clip', clip, at: 0 }, LEGAL, opened(8));
    expect(live).toEqual([true, false, true, false]);
  });

  it('has a number of its own, each picture of it a higher one', () => {
    const { source, clip } = bench();
    const still = source.open({ kind: 'still', bytes: new Uint8Array() }, LEGAL, opened(10));
    const first = source.open({ kind: 'clip', clip, at: 0 }, LEGAL, opened(10));
    const second = source.next(opened(10), { at: 7 });
    expect(first.opening).toBeGreaterThan(still.opening);
    expect(second.opening).toBe(first.opening);
    expect(second.picture).toBeGreaterThan(first.picture);
    expect(source.moment()).toBe(7);
  });

  it('is let go when another one comes', () => {
    const { source, clip, feed, ended } = bench();
    source.open({ kind: 'clip', clip, at: 0 }, LEGAL, opened(10));
    const was = source.get();
    source.open({ kind: 'feed', feed, seconds: 0 }, LEGAL, opened(8));
    expect(ended).toEqual(['clip']);
    expect(was && source.is(was)).toBe(false);
    source.open({ kind: 'still', bytes: new Uint8Array() }, LEGAL, opened(10));
    expect(ended).toEqual(['clip', 'feed']);
    expect(source.moment()).toBeUndefined();
  });

  it('what cannot be read another way is read as it was', () => {
    const { source } = bench();
    source.open({ kind: 'still', bytes: new Uint8Array() }, LEGAL, opened(10));
    const bad = { ok: false, where: 'byte 0', reason: 'no' } as const;
    expect(source.reread({ options: { range: 'full' }, anchors: ANCHORS }, bad)).toEqual(bad);
    expect(source.get()).toMatchObject({ options: LEGAL });
    expect(source.get()?.anchors).toBeUndefined();
  });
});
