// What a container says of a clip, against ffprobe on files that ffmpeg makes; and spoilt ones.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { seededRandom } from '../random.ts';
import { mkvStartedAt } from './mkvFacts.ts';
import { movFacts, type ContainerFacts } from './movFacts.ts';
import { printTimecode } from './timecode.ts';

const folder = mkdtempSync(join(tmpdir(), 'facts-'));
afterAll(() => rmSync(folder, { recursive: true }));
const there = spawnSync('ffmpeg', ['-version']).status === 0;

const made = (name: string, rate: string, ...more: readonly string[]): Uint8Array => {
  const file = join(folder, name);
  const source = ['-f', 'lavfi', '-i', `testsrc=d=0.4:s=64x36:r=${rate}`, '-pix_fmt', 'yuv420p'];
  const done = spawnSync('ffmpeg', ['-v', 'error', '-y', ...source, '-c:v', 'mpeg4', ...more, file]);
  if (done.status !== 0) throw new Error(done.stderr.toString());
  return readFileSync(file);
};
/** Tags of the file and its streams, all names small. */
const probed = (name: string): Record<string, string> => {
  const shown = [
    '-v',
    'error',
    '-show_entries',
    'format_tags:stream_tags',
    '-of',
    'json',
    join(folder, name),
  ];
  const { streams, format } = JSON.parse(spawnSync('ffprobe', shown).stdout.toString()) as {
    streams: { tags?: object }[];
    format: { tags?: object };
  };
  const all = [...streams.map(({ tags }) => tags ?? {}), format.tags ?? {}].flatMap((tags) =>
    Object.entries(tags),
  );
  return Object.fromEntries(all.map(([key, value]) => [key.toLowerCase(), value as string]));
};
const factsOf = (bytes: Uint8Array): Promise<ContainerFacts> =>
  movFacts(async (at, length) => bytes.slice(at, at + length), bytes.length);

const CREATED = ['-metadata', 'creation_time=2026-03-12T08:15:07Z'];
const CASES = [
  ['a.mov', '25', '10:11:12:13', ['-metadata:s:v:0', 'reel_name=A007']],
  ['b.mov', '60000/1001', '23:59:59;58', []],
  ['c.mp4', '30000/1001', '10:11:12;13', []],
  ['d.mp4', '24', '00:00:00:00', ['-movflags', '+faststart']],
] as const;

describe.skipIf(!there)('facts of a container, against ffprobe', () => {
  it.each(CASES)('%s at %s', async (name, rate, timecode, more) => {
    const facts = await factsOf(made(name, rate, '-timecode', timecode, ...CREATED, ...more));
    const tags = probed(name);
    expect(facts.timecode).toBe(tags.timecode);
    expect(facts.timecode).toBe(timecode);
    expect(facts.startedAt).toBe(Date.parse(tags.creation_time) / 1000);
    expect(facts.reel).toBe(tags.reel_name);
  });

  it('a file without any says nothing', async () => {
    expect(await factsOf(made('e.mp4', '25'))).toEqual({});
  });

  it('Matroska tells its start', () => {
    const bytes = made('f.mkv', '25', ...CREATED);
    expect(mkvStartedAt(bytes.subarray(0, 4096))).toBe(Date.parse(probed('f.mkv').creation_time) / 1000);
    expect(mkvStartedAt(new Uint8Array(64))).toBeUndefined();
  });

  it('cut anywhere or spoilt it gives fewer facts, no error', async () => {
    const bytes = made('g.mov', '25', '-timecode', '01:02:03:04', ...CREATED);
    for (let to = 0; to < bytes.length; to += 97)
      await expect(factsOf(bytes.subarray(0, to))).resolves.toBeDefined();
    const random = seededRandom(5);
    for (let n = 0; n < 200; n += 1) {
      const spoilt = bytes.slice();
      for (let k = 0; k < 12; k += 1)
        spoilt[Math.floor(random() * spoilt.length)] = Math.floor(random() * 256);
      await expect(factsOf(spoilt)).resolves.toBeDefined();
    }
  });
});

describe('timecode', () => {
  // SMPTE ST 12-1: frame 1800 at 29.97 is 00:01:00;02, frame 17982 is 00:10:00;00; from memory.
  it.each([
    [1799, 30, '00:00:59;29'],
    [1800, 30, '00:01:00;02'],
    [17_982, 30, '00:10:00;00'],
    [3600, 60, '00:01:00;04'],
  ])('drop frame %s at %s', (frames, perSecond, text) =>
    expect(printTimecode({ frames, perSecond, isDropFrame: true })).toBe(text),
  );
  it('counts on without', () =>
    expect(printTimecode({ frames: 90_061 * 25 + 7, perSecond: 25, isDropFrame: false })).toBe(
      '01:01:01:07',
    ));
});
