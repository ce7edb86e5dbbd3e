// TIFF and JPEG, and files that OpenImageIO writes.
import { spawnSync } from 'node:child_process';
import { encode as encodeJpeg } from 'jpeg-js';
import fc from 'fast-check';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { openFrame } from './openFrame.ts';
import { writePng } from './png.ts';

const oiio = spawnSync('oiiotool', ['--version']).status === 0;
const folder = mkdtempSync(join(tmpdir(), 'candelum-stills-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** All codes of a depth, a different walk in each channel. */
const ramp = (bitDepth: 8 | 10 | 16): Frame => {
  const [width, height] = [256, 16];
  const top = 2 ** bitDepth - 1;
  const plane = (k: number) =>
    Uint16Array.from({ length: width * height }, (_, i) =>
      Math.round((((i * k) % (width * height)) * top) / (width * height - 1)),
    );
  return makeFrame({ width, height, bitDepth, range: 'legal', r: plane(1), g: plane(3), b: plane(7) });
};

const opened = (bytes: Uint8Array) => {
  const result = openFrame(bytes, { range: 'legal' });
  if (!result.ok) throw new Error(`${result.where}: ${result.reason}`);
  return result.value;
};

const differences = (a: Frame, b: Frame) =>
  (['r', 'g', 'b'] as const).reduce(
    (sum, c) => sum + a[c].reduce((n, code, i) => n + (code === b[c][i] ? 0 : 1), 0),
    0,
  );

const byOiio = (frame: Frame, name: string, ...args: string[]) => {
  const from = join(folder, 'from.png');
  writeFileSync(from, writePng(frame));
  const done = spawnSync('oiiotool', [from, ...args, '-o', join(folder, name)]);
  if (done.status !== 0) throw new Error(done.stderr.toString() + done.stdout.toString());
  return new Uint8Array(readFileSync(join(folder, name)));
};

describe.skipIf(!oiio)('files that OpenImageIO writes', () => {
  it.each([
    ['uncompressed, 16 bit', 16, ['-d', 'uint16', '--compression', 'none']],
    ['LZW, 16 bit', 16, ['-d', 'uint16', '--compression', 'lzw']],
    ['deflate, 16 bit', 16, ['-d', 'uint16', '--compression', 'zip']],
    ['LZW, 8 bit', 8, ['-d', 'uint8', '--compression', 'lzw']],
    ['PackBits, 8 bit', 8, ['-d', 'uint8', '--compression', 'packbits']],
    ['PackBits, 16 bit', 16, ['-d', 'uint16', '--compression', 'packbits']],
    ['10-bit codes spread to 16', 10, ['-d', 'uint16', '--compression', 'zip']],
  ] as const)('TIFF, %s: every code', (_, bitDepth, args) => {
    const frame = ramp(bitDepth);
    const { frame: found, container, exactness } = opened(byOiio(frame, 'x.tif', ...args));
    expect(container).toContain('TIFF');
    expect(exactness.exact).toBe(true);
    expect(found.bitDepth).toBe(bitDepth);
    expect(differences(found, frame)).toBe(0);
  });

  it('DPX of 10 bit: every code', () => {
    const frame = ramp(10);
    const { frame: found, container } = opened(byOiio(frame, 'x.dpx', '-d', 'uint10'));
    expect(container).toBe('DPX');
    expect(differences(found, frame)).toBe(0);
  });

  it('tiles, separate planes and floating point are named', () => {
    const frame = ramp(16);
    const tiled = byOiio(frame, 't.tif', '-d', 'uint16', '--tile', '64', '16');
    expect(openFrame(tiled, { range: 'legal' })).toMatchObject({ ok: false, where: 'field 322' });
    const separate = byOiio(frame, 's.tif', '-d', 'uint16', '--planarconfig', 'separate');
    expect(openFrame(separate, { range: 'legal' })).toMatchObject({ ok: false, where: 'field 284' });
    const floating = byOiio(frame, 'f.tif', '-d', 'float');
    expect(openFrame(floating, { range: 'legal' })).toMatchObject({ ok: false, where: 'field 258' });
  });

  it('any byte spoilt or cut leaves a sentence or a picture, never a crash', () => {
    const bytes = byOiio(ramp(8), 'x.tif', '-d', 'uint8', '--compression', 'lzw');
    fc.assert(
      fc.property(fc.nat(bytes.length - 1), fc.nat(255), fc.boolean(), (at, value, cut) => {
        const spoilt = cut ? bytes.slice(0, at) : bytes.with(at, value);
        const result = openFrame(spoilt, { range: 'legal' });
        if (!result.ok) expect(result.reason.length).toBeGreaterThan(10);
      }),
      { numRuns: 150 },
    );
  });
});

describe('a JPEG', () => {
  const [width, height] = [64, 32];
  const grey = (code: number) =>
    new Uint8Array(
      encodeJpeg(
        { width, height, data: new Uint8Array(4 * width * height).map((_, i) => (i % 4 === 3 ? 255 : code)) },
        95,
      ).data,
    );

  it('is 8 bit, full range, a display picture and not exact, unless told', () => {
    const { frame, referred, exactness, tags } = opened(grey(120));
    expect([frame.bitDepth, frame.range, referred, exactness.exact, tags.range]).toEqual([
      8,
      'full',
      'display',
      false,
      'full',
    ]);
    expect(Math.abs(frame.g[5] - 120)).toBeLessThanOrEqual(2);
    const told = openFrame(grey(120), { range: 'legal', byHand: true, referred: 'recorded' });
    expect(told).toMatchObject({ ok: true, value: { referred: 'recorded', frame: { range: 'legal' } } });
  });

  it('cut short or without a header is named', () => {
    const whole = grey(90);
    expect(openFrame(whole.subarray(0, 60), { range: 'full' })).toMatchObject({ ok: false });
    expect(openFrame(new Uint8Array([0xff, 0xd8, 0xff, 0xd9]), { range: 'full' })).toMatchObject({
      ok: false,
    });
  });
});

describe('large and odd stills', () => {
  it('an 8K picture opens', () => {
    const [width, height] = [7680, 4320];
    const plane = new Uint16Array(width * height).fill(500);
    const { frame } = opened(
      writePng(
        makeFrame({ width, height, bitDepth: 8, range: 'legal', r: plane.fill(99), g: plane, b: plane }),
      ),
    );
    expect([frame.width, frame.height, frame.g[1234567]]).toEqual([width, height, 99]);
  }, 120_000);

  it('16-bit samples with junk in their low bits are 16 bit, until told that ten of them count', () => {
    const frame = ramp(16);
    const bytes = writePng(frame);
    expect(opened(bytes).reading).toBe('full16');
    const told = openFrame(bytes, { range: 'legal', reading: 'shifted10' });
    if (!told.ok) throw new Error(told.reason);
    expect(told.value.frame.bitDepth).toBe(10);
    expect(told.value.frame.r.every((code, i) => code === frame.r[i] >> 6)).toBe(true);
  });
});

describe('PackBits', () => {
  /** A grey TIFF of one strip, 8 bit, least byte first (TIFF 6.0, section 2 and 8). */
  const tiffOf = (width: number, height: number, strip: readonly number[]) => {
    const fields = [
      [256, width],
      [257, height],
      [258, 8],
      [259, 32773],
      [262, 1],
      [273, 8],
      [277, 1],
      [278, height],
      [279, strip.length],
    ];
    const at = 8 + strip.length + (strip.length % 2);
    const bytes = new Uint8Array(at + 2 + 12 * fields.length + 4);
    const view = new DataView(bytes.buffer);
    bytes.set([0x49, 0x49, 42, 0]);
    view.setUint32(4, at, true);
    bytes.set(strip, 8);
    view.setUint16(at, fields.length, true);
    fields.forEach(([tag, value], n) => {
      const field = at + 2 + 12 * n;
      view.setUint16(field, tag, true);
      view.setUint16(field + 2, 4, true);
      view.setUint32(field + 4, 1, true);
      view.setUint32(field + 8, value, true);
    });
    return bytes;
  };
  // A worked example of the scheme, from memory: runs, literals, and a byte of 128 that does nothing.
  const PACKED = [
    0xfe, 0xaa, 0x02, 0x80, 0x00, 0x2a, 0x80, 0xfd, 0xaa, 0x03, 0x80, 0x00, 0x2a, 0x22, 0xf7, 0xaa,
  ];
  const PLAIN = [
    ...[0xaa, 0xaa, 0xaa, 0x80, 0x00, 0x2a, 0xaa, 0xaa, 0xaa, 0xaa, 0x80, 0x00, 0x2a, 0x22],
    ...Array<number>(10).fill(0xaa),
  ];

  it('is unpacked run by run', () => {
    const { frame, container } = opened(tiffOf(24, 1, PACKED));
    expect(container).toBe('TIFF, PackBits');
    expect([...frame.g]).toEqual(PLAIN);
  });

  it('that ends early, or runs on, is named or held to the picture', () => {
    expect(openFrame(tiffOf(24, 1, PACKED.slice(0, 9)), { range: 'legal' })).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/PackBits run past their end.*copy it again/),
    });
    expect([...opened(tiffOf(4, 1, [0x81, 0x07])).frame.g]).toEqual([7, 7, 7, 7]);
  });
});
