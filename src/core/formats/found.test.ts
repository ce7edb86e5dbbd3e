// Files that once stopped a reader, were accepted with numbers that are none, or asked for what they do not hold.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { zlibSync } from 'fflate';
import { decode, encode } from 'fast-png';
import { encode as encodeJpeg } from 'jpeg-js';
import { describe, expect, it } from 'vitest';
import { compileNodes } from '../lut/node.ts';
import { parseClf } from './clf.ts';
import { openFrame } from './openFrame.ts';
import { openLut } from './openLut.ts';
import { pngSamples } from './pngPixels.ts';

const refused = (bytes: Uint8Array) => {
  const result = openFrame(bytes, { range: 'legal' });
  return result.ok ? 'opened' : `${result.where}: ${result.reason}`;
};
const lutSays = (text: string) => {
  const result = openLut(text);
  return result.ok ? 'opened' : `${result.where}: ${result.reason}`;
};
const clf = (node: string) => `<ProcessList id="a" compCLFversion="3">${node}</ProcessList>`;
const answer = (text: string, v: number) => {
  const result = openLut(text);
  if (!result.ok) throw new Error(result.reason);
  return compileNodes(result.value.nodes)([v, v, v])[0];
};

const chunk = (name: string, data: Uint8Array): Uint8Array => {
  const out = new Uint8Array(12 + data.length);
  new DataView(out.buffer).setUint32(0, data.length);
  out.set(new TextEncoder().encode(name), 4);
  out.set(data, 8);
  return out;
};
const png = (width: number, height: number, ...more: Uint8Array[]): Uint8Array => {
  const head = new Uint8Array(13);
  new DataView(head.buffer).setUint32(0, width);
  new DataView(head.buffer).setUint32(4, height);
  head.set([16, 2], 8);
  const parts = [
    new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    ...more,
  ];
  return Uint8Array.from([...parts, chunk('IEND', new Uint8Array())].flatMap((part) => [...part]));
};

describe('stills that ask for more than they hold', () => {
  it('a PNG whose data unpack to more than its header says is refused at once', () => {
    const bomb = zlibSync(new Uint8Array(40_000_000));
    expect(refused(png(8, 8, chunk('IDAT', bomb)))).toMatch(/hold more than its header says/);
  });

  it('of a colour profile in a PNG nothing is unpacked', () => {
    const rows = new Uint8Array(8 * (8 * 6 + 1));
    const profile = Uint8Array.from([65, 0, 0, ...zlibSync(new Uint8Array(40_000_000))]);
    expect(refused(png(8, 8, chunk('iCCP', profile), chunk('IDAT', zlibSync(rows))))).toBe('opened');
  });

  it('a PNG with too little, or with another sum, is damaged', () => {
    expect(refused(png(8, 8, chunk('IDAT', zlibSync(new Uint8Array(9)))))).toMatch(/hold 9 of 392 bytes/);
    const rows = zlibSync(new Uint8Array(8 * (8 * 6 + 1)));
    rows[rows.length - 1] ^= 1;
    expect(refused(png(8, 8, chunk('IDAT', rows)))).toMatch(/checksum is another/);
    expect(refused(png(8, 8))).toMatch(/holds no picture/);
    expect(refused(png(8000, 8000, chunk('IDAT', rows)))).toMatch(/cannot hold so large a picture/);
  });

  it('a TIFF without a directory, and one of few bytes that asks for gigabytes', () => {
    expect(refused(Uint8Array.from([0x49, 0x49, 42, 0, 0, 0, 0, 0]))).toMatch(/no directory/);
    const small = new Uint8Array(76);
    const view = new DataView(small.buffer);
    small.set([0x49, 0x49, 42, 0, 8]);
    view.setUint16(8, 5, true);
    [
      [256, 4, 1, 8000],
      [257, 4, 1, 8000],
      [258, 3, 1, 16],
      [262, 3, 1, 1],
      [273, 4, 900_000_000, 8],
    ].forEach(([tag, type, count, value], n) => {
      view.setUint16(10 + 12 * n, tag, true);
      view.setUint16(12 + 12 * n, type, true);
      view.setUint32(14 + 12 * n, count, true);
      view.setUint32(18 + 12 * n, value, true);
    });
    expect(refused(small)).toMatch(/field 273: It is said to be longer than the file/);
    view.setUint32(14 + 12 * 4, 1, true);
    expect(refused(small)).toMatch(/8000 x 8000 cannot come out of 76 bytes/);
  });
});

describe('a JPEG of few bytes', () => {
  it('that says it is large is refused before it is unpacked', () => {
    const file = Uint8Array.from(
      encodeJpeg({ width: 16, height: 8, data: new Uint8Array(512).fill(90) }, 80).data,
    );
    expect(refused(file)).toBe('opened');
    const frame = file.findIndex((byte, i) => byte === 0xff && file[i + 1] === 0xc0);
    file.set([0x1f, 0x40, 0x1f, 0x40], frame + 5);
    expect(refused(file)).toMatch(/8000 x 8000 cannot come out of \d+ bytes/);
  });
});

describe('samples of a PNG, as the general library reads them', () => {
  const data = (depth: 8 | 16, count: number) =>
    new (depth === 8 ? Uint8Array : Uint16Array)(count).map((_, i) => (i * 2654435761) >>> (32 - depth));

  it.each([
    [8, 1],
    [8, 3],
    [8, 4],
    [16, 1],
    [16, 3],
    [16, 4],
  ] as const)('%i bit, %i channels', (depth, channels) => {
    const file = encode({ width: 37, height: 23, depth, channels, data: data(depth, 37 * 23 * channels) });
    const theirs = decode(file).data;
    const parts: Uint8Array[] = [];
    const view = new DataView(file.buffer, file.byteOffset);
    for (let at = 8; at < file.length; at += 12 + view.getUint32(at))
      if (String.fromCharCode(...file.subarray(at + 4, at + 8)) === 'IDAT')
        parts.push(file.subarray(at + 8, at + 8 + view.getUint32(at)));
    expect(pngSamples(parts, { width: 37, height: 23, depth, channels, interlaced: false })).toEqual(theirs);
  });

  const hasFfmpeg = spawnSync('ffmpeg', ['-version']).status === 0;
  it.skipIf(!hasFfmpeg)('every filter, and Adam7, as ffmpeg writes them', () => {
    const folder = mkdtempSync(join(tmpdir(), 'candelum-png-'));
    const picture = ['-f', 'lavfi', '-i', 'testsrc2=s=61x43:d=0.04:r=25,format=rgb48be', '-frames:v', '1'];
    const raw = spawnSync('ffmpeg', [
      '-v',
      'error',
      ...picture,
      '-f',
      'rawvideo',
      '-pix_fmt',
      'rgb48le',
      '-',
    ]).stdout;
    const wanted = new Uint16Array(raw.buffer.slice(raw.byteOffset, raw.byteOffset + raw.length));
    for (const filter of ['none', 'sub', 'up', 'avg', 'paeth', 'mixed'])
      for (const dct of [[], ['-flags', '+ildct']]) {
        const file = join(folder, 'x.png');
        spawnSync('ffmpeg', ['-v', 'error', '-y', ...picture, '-pred', filter, ...dct, file]);
        const bytes = new Uint8Array(readFileSync(file));
        expect(bytes[28]).toBe(dct.length > 0 ? 1 : 0);
        const opened = openFrame(bytes, { range: 'full', reading: 'full16' });
        if (!opened.ok) throw new Error(opened.reason);
        const { r, g, b } = opened.value.frame;
        const found = Uint16Array.from(
          { length: wanted.length },
          (_, i) => [r, g, b][i % 3][Math.floor(i / 3)],
        );
        expect(found).toEqual(wanted);
      }
    rmSync(folder, { recursive: true });
  });
});

describe('LUTs with numbers that are none', () => {
  const rows = (first: string) => `LUT_1D_SIZE 2\n${first} 0 0\n1 1 1\n`;
  it.each([
    ['a row beyond a 32-bit float', rows('3.5e38'), /line 2: A row needs three finite numbers/],
    ['a domain beyond it', `DOMAIN_MAX 1e39 1 1\n${rows('0')}`, /line 1: The domain needs three finite/],
    [
      'a bit depth that is none',
      clf('<Matrix inBitDepth="9i"><Array dim="3 3">1 0 0 0 1 0 0 0 1</Array></Matrix>'),
      /inBitDepth is “9i”; 8i, 10i/,
    ],
    [
      'a half that is no number',
      clf('<LUT1D rawHalfs="true"><Array dim="2 1">0 31744</Array></LUT1D>'),
      /LUT1D row 2.*not a finite number/,
    ],
    [
      'an empty end of a range',
      clf('<Range><minInValue></minInValue><maxInValue>1</maxInValue></Range>'),
      /Range needs finite numbers/,
    ],
    [
      'a line without a slope',
      clf('<Log style="cameraLinToLog"><LogParams linSideBreak="0" linSideOffset="0"/></Log>'),
      /line under the break has no slope/,
    ],
    [
      'steps that run off together',
      clf('<Log style="antiLog10"/><Log style="antiLog10"/><Log style="antiLog10"/>'),
      /comes to no number/,
    ],
    [
      'a curve of an exponent under 1',
      clf('<Exponent style="monCurveFwd"><ExponentParams exponent="0.5" offset="0.1"/></Exponent>'),
      /exponent of 1 or more/,
    ],
  ])('%s', (_, text, says) => {
    expect(lutSays(text)).toMatch(says);
  });

  it('a curve for a profile that comes to no number', () => {
    const result = parseClf(clf('<Log style="antiLog10"/><Log style="antiLog10"/><Log style="antiLog10"/>'));
    expect(result).toMatchObject({ ok: false, reason: expect.stringMatching(/come to no number/) });
  });

  // Common LUT Format, S-2014-006 clause 5.10: the line that an exponent of 1 or an offset of 0 leaves.
  it('a curve without an exponent or an offset is what it is in the limit', () => {
    const curve = (style: string, exponent: number, offset: number) =>
      clf(
        `<Exponent style="${style}"><ExponentParams exponent="${exponent}" offset="${offset}"/></Exponent>`,
      );
    for (const v of [0, 0.18, 1]) {
      expect(answer(curve('monCurveFwd', 1, 0), v)).toBeCloseTo(v, 12);
      expect(answer(curve('monCurveRev', 1, 0), v)).toBeCloseTo(v, 12);
      expect(answer(curve('monCurveFwd', 2.4, 0), v)).toBeCloseTo(v ** 2.4, 12);
      expect(answer(curve('monCurveRev', 2.4, 0), v)).toBeCloseTo(v ** (1 / 2.4), 12);
      expect(answer(curve('monCurveFwd', 2.4, 1e-9), v)).toBeCloseTo(v ** 2.4, 6);
    }
  });
});

describe('texts that would take long', () => {
  it.each([
    ['signs that open nothing', `<ProcessList ${'<'.repeat(100_000)}`, /is not closed/],
    ['tags in each other', `<ProcessList>${'<a>'.repeat(5000)}`, /nested more than 100 deep/],
    [
      'attributes without end',
      `<ProcessList ${Array.from({ length: 5000 }, (_, i) => `a${i}="1"`).join(' ')}/>`,
      /longer than 20000 letters/,
    ],
    ['tags without end', `<ProcessList>${'<a/>'.repeat(20_000)}</ProcessList>`, /more than 10000 tags/],
    ['a tag in a tag', '<ProcessList id="a" <b>></ProcessList>', /inside of another/],
    ['blank lines', `LUT_3D_SIZE 2\n${'\n'.repeat(4_400_000)}`, /More than \d+ lines/],
  ])('%s', (_, text, says) => {
    expect(lutSays(text)).toMatch(says);
  });

  it('but what stands in a comment is no tag', () => {
    expect(
      lutSays(clf('<!-- <<a> --><Range><minInValue>0</minInValue><maxInValue>1</maxInValue></Range>')),
    ).toBe('opened');
  });
});
