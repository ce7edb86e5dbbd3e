import fc from 'fast-check';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { openFrame } from './openFrame.ts';
import { y4mFrame, y4mHeader } from './y4m.ts';
import { openY4m, y4mFrameAt } from './y4mRead.ts';

const CHROMAS = ['4:2:0', '4:2:2', '4:4:4'] as const;

/** A frame whose colour is even over squares of two, so that thinning it out loses nothing but rounding. */
const blocks = (bitDepth: 8 | 10, range: 'legal' | 'full', width = 10, height = 6): Frame => {
  const low = 60 * 2 ** (bitDepth - 8);
  const plane = (k: number) =>
    Uint16Array.from({ length: width * height }, (_, i) => {
      const [x, y] = [i % width, Math.floor(i / width)];
      return low + ((((x >> 1) * 7 + (y >> 1) * 13) * k) % (100 * 2 ** (bitDepth - 8)));
    });
  return makeFrame({ width, height, bitDepth, range, r: plane(3), g: plane(4), b: plane(5) });
};
const clipOf = (frames: readonly Frame[], chroma: (typeof CHROMAS)[number]) => {
  const head = new TextEncoder().encode(y4mHeader(frames[0], { chroma, rate: [25, 1] }));
  return new Uint8Array(Buffer.concat([head, ...frames.map((frame) => y4mFrame(frame, chroma))]));
};

describe('a clip in Y4M', () => {
  it.each(
    CHROMAS.flatMap((chroma) =>
      ([8, 10] as const).flatMap((depth) =>
        (['legal', 'full'] as const).map((range) => [chroma, depth, range] as const),
      ),
    ),
  )(
    // prettier-ignore
    '%s %s bit %s: what was written comes back within a code and a half',
    (chroma, depth, range) => {
      const frame = blocks(depth, range);
      const bytes = clipOf([frame, frame], chroma);
      const clip = openY4m(bytes);
      if (!clip.ok) throw new Error(clip.reason);
      expect(clip.value).toMatchObject({
        width: 10,
        height: 6,
        bitDepth: depth,
        chroma,
        range,
        rate: [25, 1],
      });
      expect(clip.value.frames).toHaveLength(2);
      const back = y4mFrameAt(bytes, clip.value, 1, range);
      for (const c of ['r', 'g', 'b'] as const)
        back[c].forEach((code, i) => expect(Math.abs(code - frame[c][i])).toBeLessThanOrEqual(1.5));
      expect(() => y4mFrameAt(bytes, clip.value, 2, range)).toThrow(RangeError);
    },
  );

  const ffmpeg = spawnSync('ffmpeg', ['-version']).status === 0;
  it.skipIf(!ffmpeg && !process.env.CI)('what ffmpeg writes is read: a grey of 8 and 10 bit', () => {
    for (const [format, code] of [
      ['yuv420p', 126],
      ['yuv422p10le', 504],
    ] as const) {
      const file = join(mkdtempSync(join(tmpdir(), 'candelum-y4m-')), 'grey.y4m');
      // lutyuv writes codes; a colour source would go through ffmpeg's own matrix first.
      const chroma = code < 200 ? 128 : 512;
      const source =
        `color=black:s=16x8:r=25:d=0.08,format=${format},` + `lutyuv=y=${code}:u=${chroma}:v=${chroma}`;
      const run = spawnSync('ffmpeg', [
        '-v',
        'error',
        '-y',
        '-f',
        'lavfi',
        '-i',
        source,
        '-strict',
        '-1',
        file,
      ]);
      expect(run.stderr.toString()).toBe('');
      const opened = openFrame(new Uint8Array(readFileSync(file)), { range: 'legal' });
      if (!opened.ok) throw new Error(opened.reason);
      expect([...new Set(opened.value.frame.g)]).toEqual([code]);
      expect(opened.value.evidence).toMatch(/frame 1 of 2/);
    }
  });

  it.skipIf(!ffmpeg && !process.env.CI).each([
    ['bt709', 'bt709'],
    ['bt601', 'smpte170m'],
    ['bt2020', 'bt2020nc'],
  ] as const)(
    '%s by hand gives the R’G’B’ that ffmpeg gives by that matrix, within two codes',
    (matrix, name) => {
      const file = join(mkdtempSync(join(tmpdir(), 'candelum-y4m-')), 'red.y4m');
      // Y'CbCr codes of 8 bit, the same in every pixel.
      const source = 'color=black:s=16x8:r=25:d=0.04,format=yuv444p,lutyuv=y=90:u=110:v=180';
      const write = (args: readonly string[]) =>
        spawnSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', '-i', source, ...args]);
      expect(write(['-strict', '-1', file]).stderr.toString()).toBe('');
      // ffmpeg's own conversion to full-range RGB, by the named matrix.
      const rgb = write([
        '-vf',
        `scale=in_color_matrix=${name}:in_range=limited:out_range=full:flags=accurate_rnd+full_chroma_int`,
        '-pix_fmt',
        'rgb24',
        '-f',
        'rawvideo',
        '-',
      ]).stdout;
      const opened = openFrame(new Uint8Array(readFileSync(file)), { range: 'legal', matrix });
      if (!opened.ok) throw new Error(opened.reason);
      const { frame } = opened.value;
      [frame.r[0], frame.g[0], frame.b[0]].forEach((code, i) => {
        const full = (255 * (code - 16)) / 219;
        expect(Math.abs(Math.min(255, Math.max(0, full)) - rgb[i])).toBeLessThanOrEqual(2);
      });
    },
  );

  it('is read by the matrix that its first line says', () => {
    const text = new TextDecoder('latin1').decode(clipOf([blocks(8, 'legal')], '4:4:4'));
    const bytes = Uint8Array.from(text.replace(' XCOLORRANGE', ' XCOLORMATRIX=BT2020NC XCOLORRANGE'), (c) =>
      c.charCodeAt(0),
    );
    const opened = openFrame(bytes, { range: 'legal' });
    expect(opened.ok && opened.value.tags.matrix).toBe('bt2020');
    expect(opened.ok && opened.value.frame.source?.matrix).toBe('bt2020');
    const byHand = openFrame(bytes, { range: 'legal', matrix: 'bt601' });
    expect(byHand.ok && byHand.value.frame.source?.matrix).toBe('bt601');
  });

  it.each<[string, (good: Uint8Array) => Uint8Array, RegExp]>([
    ['cut within the first frame', (good) => good.subarray(0, 120), /cut short within its first frame/],
    [
      'no frame',
      (good) => good.subarray(0, good.indexOf(10) + 1),
      /cut short within its first frame|No frame/,
    ],
    ['no size', () => new TextEncoder().encode('YUV4MPEG2 F25:1\nFRAME\n'), /no width and height/],
    ['too large', () => new TextEncoder().encode('YUV4MPEG2 W90000 H90000\nFRAME\n'), /90000 x 90000/],
    [
      'another layout',
      () => new TextEncoder().encode('YUV4MPEG2 W4 H4 Cmono16\nFRAME\n'),
      /layout is mono16/,
    ],
    [
      'an endless line',
      () => new Uint8Array(5000).fill(65).map((v, i) => 'YUV4MPEG2'.charCodeAt(i) || v),
      /first line/,
    ],
  ])('%s is refused in a sentence', (_, spoil, words) => {
    const read = openFrame(spoil(clipOf([blocks(8, 'legal')], '4:2:0')), { range: 'legal' });
    expect(read).toMatchObject({ ok: false });
    if (!read.ok) expect(read.reason).toMatch(words);
  });

  it('a last frame that is cut short is left out and said', () => {
    const good = clipOf([blocks(8, 'legal'), blocks(8, 'legal')], '4:2:0');
    const opened = openFrame(good.subarray(0, good.length - 9), { range: 'full' });
    if (!opened.ok) throw new Error(opened.reason);
    expect(opened.value.evidence).toMatch(/frame 1 of 1, the last one cut short/);
    // What the clip says of its range goes before the options, until it is set by hand.
    expect(opened.value.frame.range).toBe('legal');
    const byHand = openFrame(good, { range: 'full', byHand: true });
    expect(byHand).toMatchObject({ ok: true, value: { frame: { range: 'full' }, tags: { range: 'legal' } } });
  });

  it('never throws on spoilt bytes', () => {
    const good = clipOf([blocks(10, 'legal')], '4:2:2');
    fc.assert(
      fc.property(fc.nat(good.length - 1), fc.nat(255), (at, value) => {
        const spoilt = good.slice();
        spoilt[at] = value;
        expect(() => openFrame(spoilt, { range: 'legal' })).not.toThrow();
      }),
      { numRuns: 300 },
    );
  });
});
