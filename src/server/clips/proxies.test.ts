// Proxies made by this machine's ffmpeg: what they are by its probe, and what is refused, stopped and cleared away.
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, describe, expect, it } from 'vitest';
import { PROXY_CODEC_IDS } from '#core/formats/proxyScript.ts';
import { dropClip, takeClip } from './keep.ts';
import { makeProxy, proxyStream, roomFor } from './proxies.ts';

const there = spawnSync('ffmpeg', ['-version']).status === 0;
const folder = mkdtempSync(join(tmpdir(), 'candelum-proxies-test-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const own = join(tmpdir(), `candelum-clips-${process.pid}`);
const lying = () => (existsSync(own) ? readdirSync(own) : []);
const never = new AbortController().signal;

/** A cube that swaps red and blue: what is burned in can be seen. */
const SWAP = `LUT_3D_SIZE 2\n${[0, 1]
  .flatMap((b) => [0, 1].flatMap((g) => [0, 1].map((r) => `${b} ${g} ${r}`)))
  .join('\n')}\n`;
const order = {
  cube: SWAP,
  range: 'legal',
  matrix: 'bt709',
  timecode: '01:02:03:04',
  codec: 'h264',
} as const;

const ids: string[] = [];
afterEach(async () => {
  for (const id of ids.splice(0)) await dropClip(id);
});
const taken = async (seconds = 1, size = '160x90') => {
  const path = join(folder, `${seconds}.mkv`);
  const source = `color=c=red:s=${size}:r=25:d=${seconds}`;
  const coding = ['-pix_fmt', 'yuv444p', '-colorspace', 'bt709', '-c:v', 'ffv1'];
  const filter = ['-vf', 'scale=out_color_matrix=bt709:out_range=tv'];
  execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', '-i', source, ...filter, ...coding, path]);
  const clip = await takeClip(new Blob([new Uint8Array(readFileSync(path))]).stream(), never);
  if (!clip.ok) throw new Error(clip.reason);
  ids.push(clip.value.id);
  return clip.value.id;
};
const bytesOf = async (id: string) => {
  const made = await proxyStream(id);
  if (!made) throw new Error('no proxy');
  return new Uint8Array(await new Response(made.stream).arrayBuffer());
};

describe.runIf(there)('a proxy', () => {
  it.each(PROXY_CODEC_IDS)('%s: has the cube in it, its timecode, tags and every picture', async (codec) => {
    const id = await taken();
    const shares: number[] = [];
    const made = await makeProxy(id, { ...order, codec }, { signal: never, tell: (s) => shares.push(s) });
    expect(made).toMatchObject({ ok: true });
    expect(shares.every((share) => share >= 0 && share <= 1)).toBe(true);
    const path = join(folder, 'out.mov');
    writeFileSync(path, await bytesOf(id));
    const probe = JSON.parse(
      execFileSync(
        'ffprobe',
        ['-v', 'error', '-count_frames', '-show_streams', '-select_streams', 'v:0', '-of', 'json', path],
        { encoding: 'utf8' },
      ),
    ).streams[0];
    expect(probe).toMatchObject({ color_range: 'tv', color_space: 'bt709', nb_read_frames: '25' });
    expect(probe.tags.timecode).toBe('01:02:03:04');
    const rgb = execFileSync('ffmpeg', [
      ...['-v', 'error', '-i', path, '-frames:v', '1', '-vf', 'scale=in_color_matrix=bt709,crop=8:8:40:40'],
      ...['-pix_fmt', 'rgb24', '-f', 'rawvideo', '-'],
    ]);
    // Red went in, blue comes out.
    expect(rgb[0]).toBeLessThan(4);
    expect(rgb[2]).toBeGreaterThan(250);
  });

  it('is made once at a time: a second order of one clip waits, and spoils nothing', async () => {
    const id = await taken();
    const to = { signal: never, tell: () => undefined };
    const [first, second] = await Promise.all([makeProxy(id, order, to), makeProxy(id, order, to)]);
    expect(first).toMatchObject({ ok: true });
    expect(second).toMatchObject({ ok: false, reason: expect.stringContaining('is being made') });
    expect(await makeProxy(id, order, to)).toMatchObject({ ok: true });
  });

  it('that is stopped leaves nothing; the clip is there for another go, and goes with all that was made', async () => {
    const id = await taken(40, '320x180');
    const stop = new AbortController();
    const asked = makeProxy(id, order, { signal: stop.signal, tell: () => stop.abort() });
    expect(await asked).toMatchObject({ ok: false, reason: 'Stopped.' });
    expect(lying().filter((name) => name.startsWith(id))).toEqual([id]);
    expect(await proxyStream(id)).toBeUndefined();
    await dropClip(id);
    expect(lying().filter((name) => name.startsWith(id))).toEqual([]);
  });

  it('of a broken cube, a wrong order or a clip that is gone is refused with a sentence', async () => {
    const id = await taken();
    const how = { signal: never, tell: () => undefined };
    const reasonOf = async (which: string, what: unknown) => {
      const made = await makeProxy(which, what, how);
      return made.ok ? '' : made.reason;
    };
    expect(await reasonOf(id, { ...order, cube: 'LUT_3D_SIZE x' })).toMatch(/could not be decoded/);
    expect(await reasonOf(id, { ...order, codec: 'raw' })).toMatch(/load the page again/);
    expect(await reasonOf(id, undefined)).toMatch(/load the page again/);
    expect(await reasonOf(crypto.randomUUID(), order)).toMatch(/let the clip go/);
    expect(await reasonOf('../../etc/passwd', order)).toMatch(/let the clip go/);
    expect(lying().filter((name) => name.startsWith(id))).toEqual([id]);
  });
});

describe('room on the disk', () => {
  it('is asked for before a proxy is begun: more of it for one that grows', () => {
    expect(roomFor(2.6e9, 2e9, 'h264').ok).toBe(true);
    expect(roomFor(2.6e9, 2e9, 'intra')).toMatchObject({
      ok: false,
      reason: 'The disk of this machine has 2.6 GB free, a proxy may take 6.5 GB: make room first.',
    });
  });
});
