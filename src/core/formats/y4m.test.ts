import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { y4mFrame, y4mHeader, ycbcrOf } from './y4m.ts';

const frameOf = (bitDepth: 8 | 10, width = 12, height = 10): Frame => {
  const plane = (k: number) =>
    Uint16Array.from(
      { length: width * height },
      (_, i) => 16 * 2 ** (bitDepth - 8) + ((i * k) % (200 * 2 ** (bitDepth - 8))),
    );
  return makeFrame({ width, height, bitDepth, range: 'legal', r: plane(7), g: plane(11), b: plane(5) });
};
const grey = (code: number): Frame =>
  makeFrame({
    width: 4,
    height: 4,
    bitDepth: 10,
    range: 'legal',
    r: new Uint16Array(16).fill(code),
    g: new Uint16Array(16).fill(code),
    b: new Uint16Array(16).fill(code),
  });

describe('Y4M', () => {
  it('says size, rate and layout in its first line', () => {
    expect(y4mHeader(frameOf(10), { chroma: '4:2:2', rate: [25, 1] })).toBe(
      'YUV4MPEG2 W12 H10 F25:1 Ip A1:1 C422p10 XYSCSS=422P10 XCOLORRANGE=LIMITED\n',
    );
    expect(y4mHeader({ ...frameOf(8), range: 'full' }, { chroma: '4:2:0', rate: [30_000, 1001] })).toMatch(
      /F30000:1001 .*C420jpeg .*FULL/,
    );
    expect(() => y4mHeader({ ...frameOf(8), bitDepth: 12 }, { chroma: '4:2:0', rate: [25, 1] })).toThrow(
      RangeError,
    );
  });

  // ITU-R BT.709-6 clauses 3.2, 3.3 and 4.2: a neutral has its own luma and chroma at the middle; pure red of 75 %.
  it('turns R’G’B’ to Y’CbCr of BT.709', () => {
    const [y, cb, cr] = ycbcrOf(grey(500), '4:2:0');
    expect([y[0], cb[0], cr[0], cb.length]).toEqual([500, 512, 512, 4]);
    const red = { ...grey(64), r: new Uint16Array(16).fill(64 + 0.75 * 876) };
    const [yr, cbr, crr] = ycbcrOf(red, '4:4:4');
    expect(yr[0]).toBe(Math.round(64 + 0.2126 * 657));
    expect(crr[0]).toBe(Math.round(512 + (896 * 0.75 * (1 - 0.2126)) / 1.5748));
    expect(cbr[0]).toBe(Math.round(512 - (896 * 0.75 * 0.2126) / 1.8556));
  });

  const ffmpeg = spawnSync('ffmpeg', ['-version']).status === 0;
  it.skipIf(!ffmpeg && !process.env.CI)(
    'is read by ffmpeg, every code as written, 8 and 10 bit, three layouts',
    () => {
      const dir = mkdtempSync(join(tmpdir(), 'candelum-y4m-'));
      for (const bitDepth of [8, 10] as const)
        for (const chroma of ['4:2:0', '4:2:2', '4:4:4'] as const) {
          const frames = [frameOf(bitDepth), frameOf(bitDepth)];
          const head = new TextEncoder().encode(y4mHeader(frames[0], { chroma, rate: [25, 1] }));
          const clip = join(dir, 'clip.y4m');
          writeFileSync(clip, Buffer.concat([head, ...frames.map((frame) => y4mFrame(frame, chroma))]));
          const raw = join(dir, 'clip.yuv');
          const run = spawnSync('ffmpeg', ['-v', 'error', '-y', '-i', clip, '-f', 'rawvideo', raw]);
          expect(run.stderr.toString()).toBe('');
          const planes = ycbcrOf(frames[0], chroma);
          const bytes = readFileSync(raw);
          const codes = bitDepth === 8 ? [...bytes] : [...new Uint16Array(new Uint8Array(bytes).buffer)];
          const written = planes.flatMap((plane) => [...plane]);
          expect(codes).toEqual([...written, ...written]);
        }
    },
  );
});
