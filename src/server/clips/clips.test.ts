import { spawnSync } from 'node:child_process';
import {
  chmodSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { delimiter, join } from 'node:path';
import { Writable } from 'node:stream';
import { afterAll, afterEach, describe, expect, it } from 'vitest';
import { RAW_LAYOUTS } from '#core/frame/servedClip.ts';
import { frameOfVideo, videoBytes } from '#core/frame/ofVideo.ts';
import { mayAsk } from './guard.ts';
import { readFrames } from './ffmpeg.ts';
import { dropClip, framesOf, takeClip } from './keep.ts';

const there = spawnSync('ffmpeg', ['-version']).status === 0;
const folder = mkdtempSync(join(tmpdir(), 'candelum-server-test-'));
const PATH = process.env.PATH ?? '';
afterEach(() => {
  process.env.PATH = PATH;
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const kept = () => {
  const own = join(tmpdir(), `candelum-clips-${process.pid}`);
  return existsSync(own) ? readdirSync(own).length : 0;
};
const never = new AbortController().signal;
const body = (bytes: Uint8Array) => new Blob([new Uint8Array(bytes)]).stream();
const made = (name: string, ...args: string[]) => {
  const path = join(folder, name);
  const done = spawnSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-f',
    'lavfi',
    '-i',
    'testsrc2=s=160x90:r=25:d=1',
    ...args,
    path,
  ]);
  if (done.status !== 0) throw new Error(done.stderr.toString());
  return path;
};

describe('who may ask', () => {
  const headers = (part: Record<string, string>) => new Headers({ host: '127.0.0.1:3000', ...part });
  it.each([
    ['a page of this server', { 'sec-fetch-site': 'same-origin' }, true],
    ['one that names its origin', { origin: 'http://127.0.0.1:3000' }, true],
    ['another origin', { origin: 'http://elsewhere.example' }, false],
    ['another port of this machine', { origin: 'http://127.0.0.1:3001' }, false],
    ['a page elsewhere', { 'sec-fetch-site': 'cross-site' }, false],
    ['a page of the same site on another port', { 'sec-fetch-site': 'same-site' }, false],
    ['an address typed in', { 'sec-fetch-site': 'none' }, false],
    ['nobody in particular', {}, false],
    ['a name that points here', { host: 'rebound.example', 'sec-fetch-site': 'same-origin' }, false],
  ])('%s', (_, part, may) => expect(mayAsk(headers(part))).toBe(may));
});

describe.skipIf(!there)('clips taken over', () => {
  it('are probed and read frame by frame, exactly; let go, they are gone', async () => {
    const path = made(
      'deep.mkv',
      '-c:v',
      'libx265',
      '-x265-params',
      'log-level=none',
      '-pix_fmt',
      'yuv420p10le',
      '-color_range',
      'tv',
    );
    const clip = await takeClip(body(new Uint8Array(readFileSync(path))), never);
    if (!clip.ok) throw new Error(clip.reason);
    expect(clip.value).toMatchObject({
      width: 160,
      height: 90,
      pixels: 'yuv420p10le',
      own: 'yuv420p10le',
      codec: 'hevc',
      tags: { range: 'legal' },
    });
    expect(clip.value.times).toHaveLength(25);
    expect(kept()).toBe(1);
    const whole = spawnSync(
      'ffmpeg',
      ['-v', 'error', '-i', path, '-f', 'rawvideo', '-pix_fmt', 'yuv420p10le', '-'],
      { maxBuffer: 2 ** 26 },
    ).stdout;
    const each = videoBytes(160, 90, RAW_LAYOUTS.yuv420p10le);
    for (const n of [0, 7, 24]) {
      const frames = await framesOf(clip.value.id, n, 1, never);
      if (!frames.ok) throw new Error(frames.reason);
      expect(frames.value.equals(whole.subarray(n * each, (n + 1) * each)), `frame ${n}`).toBe(true);
    }
    expect(await framesOf(clip.value.id, 99, 1, never)).toMatchObject({ ok: false });
    await dropClip(clip.value.id);
    expect(kept()).toBe(0);
    expect(await framesOf(clip.value.id, 0, 1, never)).toMatchObject({ ok: false, where: 'clip' });
    expect(await framesOf('../../etc/passwd', 0, 1, never)).toMatchObject({ ok: false });
  });

  it.each([
    ['a text', 'a list of takes'],
    ['nothing', ''],
    ['a list of other files', 'ffconcat version 1.0\nfile /etc/hostname\n'],
    ['a playlist', '#EXTM3U\n#EXTINF:1,\n/etc/hostname\n'],
  ])('%s is refused and nothing of it stays', async (_, text) => {
    const answer = await takeClip(body(new TextEncoder().encode(text)), never);
    expect(answer.ok).toBe(false);
    expect(JSON.stringify(answer)).not.toContain(tmpdir());
    expect(kept()).toBe(0);
  });

  it('an upload that breaks off leaves nothing', async () => {
    const broken = new ReadableStream<Uint8Array>({
      start: (controller) => {
        controller.enqueue(new Uint8Array(1000));
        controller.error(new Error('the page went away'));
      },
    });
    expect(await takeClip(broken, never)).toMatchObject({ ok: false });
    expect(kept()).toBe(0);
  });

  const noMore = () => new ReadableStream<Uint8Array>({ start: (to) => to.enqueue(new Uint8Array(1000)) });

  it('an upload can be stopped in the middle, and leaves nothing', async () => {
    const stop = new AbortController();
    const taking = takeClip(noMore(), stop.signal);
    setTimeout(() => stop.abort(), 50);
    expect(await taking).toMatchObject({ ok: false, reason: 'It was stopped.' });
    expect(kept()).toBe(0);
  });

  it('one that brings nothing more, or takes for ever, is ended', async () => {
    const silent = await takeClip(noMore(), never, { silentMs: 40 });
    expect(silent).toMatchObject({ ok: false, reason: expect.stringContaining('too slowly') as string });
    let timer: ReturnType<typeof setInterval> | undefined;
    const drip = new ReadableStream<Uint8Array>({
      start: (to) => {
        timer = setInterval(() => to.enqueue(new Uint8Array(1)), 5);
      },
      cancel: () => clearInterval(timer),
    });
    const slow = await takeClip(drip, never, { longestMs: 100 });
    expect(slow).toMatchObject({ ok: false, reason: expect.stringContaining('too slowly') as string });
    expect(kept()).toBe(0);
  });

  it('a disk that is full in the middle is said to be, and the next clip is taken', async () => {
    const bytes = new Uint8Array(readFileSync(made('room.mp4', '-c:v', 'libx264', '-frames:v', '3')));
    let room = 2;
    const open = () =>
      new Writable({
        write: (_part, _encoding, done) => {
          room -= 1;
          done(room < 0 ? Object.assign(new Error('no space left'), { code: 'ENOSPC' }) : null);
        },
      });
    const many = new ReadableStream<Uint8Array>({ pull: (to) => to.enqueue(new Uint8Array(65_536)) });
    expect(await takeClip(many, never, { open })).toMatchObject({ ok: false, where: 'disk' });
    const after = await takeClip(body(bytes), never);
    expect(after.ok).toBe(true);
    if (after.ok) await dropClip(after.value.id);
  });

  it('of many uploads held open at once only two are taken on', async () => {
    const stop = new AbortController();
    const held = [0, 1].map(() => takeClip(noMore(), stop.signal));
    expect(await takeClip(noMore(), never)).toMatchObject({
      ok: false,
      reason: expect.stringContaining('other clips') as string,
    });
    stop.abort();
    await Promise.all(held);
    const bytes = new Uint8Array(readFileSync(made('next.mp4', '-c:v', 'libx264', '-frames:v', '3')));
    const clip = await takeClip(body(bytes), never);
    expect(clip.ok).toBe(true);
    if (clip.ok) {
      expect(await framesOf(clip.value.id, 0, NaN, never)).toMatchObject({ ok: false, where: 'count' });
      expect(await framesOf(clip.value.id, 0, 1e9, never)).toMatchObject({ ok: true });
      await dropClip(clip.value.id);
    }
  });

  it('only the last few are kept', async () => {
    const bytes = new Uint8Array(readFileSync(made('small.mp4', '-c:v', 'libx264', '-frames:v', '3')));
    const ids: string[] = [];
    for (let n = 0; n < 5; n += 1) {
      const clip = await takeClip(body(bytes), never);
      if (clip.ok) ids.push(clip.value.id);
    }
    expect(ids).toHaveLength(5);
    expect(kept()).toBe(3);
    for (const id of ids) await dropClip(id);
  });

  it('a helper that is killed midway, or runs on, is told as such', async () => {
    const path = made('killed.mp4', '-c:v', 'libx264', '-frames:v', '3');
    const clip = await takeClip(body(new Uint8Array(readFileSync(path))), never);
    if (!clip.ok) throw new Error(clip.reason);
    const fake = join(folder, 'ffmpeg');
    writeFileSync(fake, '#!/bin/sh\nhead -c 1000 /dev/zero\nkill -9 $$\n');
    chmodSync(fake, 0o755);
    process.env.PATH = `${folder}${delimiter}${PATH}`;
    expect(await readFrames(clip.value, path, 0, 1)).toMatchObject({
      ok: false,
      reason: expect.stringContaining('ended before it was done') as string,
    });
    writeFileSync(fake, '#!/bin/sh\nexec cat /dev/zero\n');
    expect(await readFrames(clip.value, path, 0, 1)).toMatchObject({
      ok: false,
      reason: expect.stringContaining('more than it should') as string,
    });
    const stop = new AbortController();
    writeFileSync(fake, '#!/bin/sh\nexec sleep 60\n');
    setTimeout(() => stop.abort(), 100);
    expect(await readFrames(clip.value, path, 0, 1, stop.signal)).toMatchObject({ ok: false });
    await dropClip(clip.value.id);
  });
});

describe('raw pictures', () => {
  it('too few bytes are a mistake of the caller; junk above the depth is held at the top', () => {
    const layout = RAW_LAYOUTS.yuv420p10le;
    const bytes = new Uint8Array(videoBytes(4, 2, layout)).fill(255);
    const picture = { width: 4, height: 2, layout, matrix: 'bt709', range: 'legal' } as const;
    expect(() => frameOfVideo({ ...picture, bytes: bytes.subarray(1) })).toThrow(RangeError);
    expect(frameOfVideo({ ...picture, bytes }).source?.y[0]).toBe(1023);
  });

  it('R′G′B′ of planes or of bytes in any order are the same picture', () => {
    const at = (v: number) => v * 7;
    const planes = Uint8Array.from([...[1, 2], ...[3, 4], ...[5, 6]].map(at));
    const gbr = frameOfVideo({
      width: 2,
      height: 1,
      layout: RAW_LAYOUTS.gbrp,
      bytes: planes,
      matrix: 'bt709',
      range: 'full',
    });
    expect([gbr.g[0], gbr.b[1], gbr.r[0]]).toEqual([at(1), at(4), at(5)]);
  });
});
