import { spawnSync } from 'node:child_process';
import fc from 'fast-check';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { openDpx } from './dpx.ts';
import { openFrame } from './openFrame.ts';

const WIDTH = 7;
const HEIGHT = 3;
const codes = Array.from({ length: WIDTH * HEIGHT * 3 }, (_, i) => (i * 71 + 13) % 1024);

/** A DPX as ST 268 lays it out: magic, offset of the picture, size, one R'G'B' element of 10 bit. */
const dpx = (
  packing: 0 | 1 | 2,
  little: boolean,
  part: { depth?: number; kind?: number; run?: number } = {},
) => {
  const perLine = packing === 0 ? Math.ceil((30 * WIDTH) / 32) : WIDTH;
  const bytes = new Uint8Array(2048 + 4 * perLine * HEIGHT);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, 0x53445058, little);
  view.setUint32(4, 2048, little);
  view.setUint16(770, 1, little);
  view.setUint32(772, WIDTH, little);
  view.setUint32(776, HEIGHT, little);
  bytes[800] = part.kind ?? 50;
  bytes[803] = part.depth ?? 10;
  view.setUint16(804, packing, little);
  view.setUint16(806, part.run ?? 0, little);
  view.setUint32(808, 2048, little);
  for (let y = 0; y < HEIGHT; y += 1) {
    const line = codes.slice(y * WIDTH * 3, (y + 1) * WIDTH * 3);
    const at = 2048 + 4 * perLine * y;
    if (packing === 0) {
      const words = new Uint32Array(perLine);
      line.forEach((code, n) => {
        for (let k = 0; k < 10; k += 1) {
          const bit = 10 * n + k;
          if ((code >> k) & 1) words[bit >> 5] |= 1 << (bit & 31);
        }
      });
      words.forEach((word, n) => view.setUint32(at + 4 * n, word, little));
    } else
      for (let x = 0; x < WIDTH; x += 1) {
        const [r, g, b] = line.slice(3 * x, 3 * x + 3);
        const word = packing === 1 ? (r << 22) | (g << 12) | (b << 2) : (r << 20) | (g << 10) | b;
        view.setUint32(at + 4 * x, word, little);
      }
  }
  return bytes;
};

describe('a DPX of 10 bit (SMPTE ST 268)', () => {
  it.each(
    [0, 1, 2].flatMap((packing) => [true, false].map((little) => [packing as 0 | 1 | 2, little] as const)),
  )('packing %s, little-endian %s: every code as written', (packing, little) => {
    const opened = openFrame(dpx(packing, little), { range: 'full' });
    if (!opened.ok) throw new Error(opened.reason);
    const { frame, reading, evidence } = opened.value;
    expect(frame).toMatchObject({ width: WIDTH, height: HEIGHT, bitDepth: 10, range: 'full' });
    expect(codes.map((_, i) => [frame.r, frame.g, frame.b][i % 3][Math.floor(i / 3)])).toEqual(codes);
    expect(reading).toBe('codes10');
    expect(evidence).toContain(little ? 'little' : 'big');
  });

  const ffmpeg = spawnSync('ffmpeg', ['-version']).status === 0;
  it.skipIf(!ffmpeg && !process.env.CI).each(['gbrp10le', 'gbrp10be'])(
    'what ffmpeg writes in %s is read',
    (format) => {
      const dir = mkdtempSync(join(tmpdir(), 'candelum-dpx-'));
      // Planar G, B, R of 10 bit in, the same codes out: ffmpeg changes nothing between gbrp10 and DPX.
      const planes = [1, 2, 0].flatMap((c) => codes.filter((_, i) => i % 3 === c));
      const raw = Buffer.alloc(2 * planes.length);
      planes.forEach((code, i) =>
        format === 'gbrp10le' ? raw.writeUInt16LE(code, 2 * i) : raw.writeUInt16BE(code, 2 * i),
      );
      writeFileSync(join(dir, 'in.raw'), raw);
      const run = spawnSync('ffmpeg', [
        '-v',
        'error',
        '-y',
        '-f',
        'rawvideo',
        '-pix_fmt',
        format,
        '-s',
        `${WIDTH}x${HEIGHT}`,
        '-i',
        join(dir, 'in.raw'),
        '-frames:v',
        '1',
        '-pix_fmt',
        format,
        join(dir, 'out.dpx'),
      ]);
      expect(run.stderr.toString()).toBe('');
      const opened = openDpx(new Uint8Array(readFileSync(join(dir, 'out.dpx'))), 'full');
      if (!opened.ok) throw new Error(opened.reason);
      const { r, g, b } = opened.value.frame;
      expect(codes.map((_, i) => [r, g, b][i % 3][Math.floor(i / 3)])).toEqual(codes);
    },
  );

  it.each<[string, () => Uint8Array, RegExp]>([
    ['cut in the header', () => dpx(1, true).subarray(0, 900), /^byte 900: .*header/],
    ['cut in the picture', () => dpx(1, true).subarray(0, 2070), /^byte 2070: .*cut short/],
    ['12 bit', () => dpx(1, false, { depth: 12 }), /^byte 803: .*12-bit/],
    ['luma alone', () => dpx(1, false, { kind: 6 }), /^byte 800: .*kind 6/],
    ['run-length encoded', () => dpx(1, false, { run: 1 }), /^byte 806: .*without compression/],
  ])('%s is refused by its byte', (_, make, words) => {
    const opened = openFrame(make(), { range: 'full' });
    expect(opened.ok ? 'opened' : `${opened.where}: ${opened.reason}`).toMatch(words);
  });

  it('never throws on spoilt bytes', () => {
    const good = dpx(0, false);
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
