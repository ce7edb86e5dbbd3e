import { readFileSync } from 'node:fs';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { bracketFile } from '#store/demo/bracket.ts';
import { until } from '#store/fixtures/openBooks.ts';
import { openHere } from './fixtures/services.ts';

const MARK = { x: 0.42, y: 0.34, width: 0.16, height: 0.32 };
const filmed = () => ({
  bytes: new Blob([new Uint8Array(readFileSync(`public/demo/bracket/${bracketFile(0)}`))]),
  range: 'full' as const,
});

describe('a filmed bracket', () => {
  let here = openHere();
  beforeEach(() => {
    here = openHere();
  });
  afterEach(() => here.close());
  const read = (bytes: Blob, signal = new AbortController().signal) =>
    here.frames.readCard({ ...filmed(), bytes }, MARK, 'full', signal);

  it('has the card read off a frame; what does not open is named', async () => {
    expect(await read(filmed().bytes)).toMatchObject({ ok: true, value: { coding: { range: 'full' } } });
    expect(await read(new Blob(['no picture']))).toMatchObject({ ok: false });
    const gone = Object.assign(new Blob(['x']), { arrayBuffer: () => Promise.reject(new Error('moved')) });
    expect(await read(gone)).toMatchObject({ ok: false, reason: expect.stringContaining('(moved)') });
    const signal = new AbortController().signal;
    expect(await here.frames.preview({ bytes: gone }, 'full', 64, signal)).toBeUndefined();
  });

  it('is not answered once nobody waits, and says so when its worker ends', async () => {
    const stop = new AbortController();
    const left = read(filmed().bytes, stop.signal);
    stop.abort();
    expect(await left).toBeUndefined();
    const cut = read(filmed().bytes);
    await until(() => here.bracket.started() === 1);
    here.bracket.end();
    expect(await cut).toMatchObject({ ok: false, reason: expect.stringMatching(/brackets was ended/) });
    expect(await read(filmed().bytes)).toMatchObject({ ok: true });
    expect(here.bracket.started()).toBe(2);
  });
});
