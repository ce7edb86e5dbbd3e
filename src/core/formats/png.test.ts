import { encode } from 'fast-png';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { detectReading, SAMPLE_READING_IDS, SAMPLE_READINGS } from '../frame/codes.ts';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { openPng, writePng, writeRgbaPng } from './png.ts';

const options = { range: 'legal' } as const;
const ramp = (bitDepth: number, width = 64, height = 16): Frame => {
  const top = 2 ** bitDepth;
  const plane = (k: number) => Uint16Array.from({ length: width * height }, (_, i) => (i * k + 5) % top);
  return makeFrame({ width, height, bitDepth, range: 'legal', r: plane(1), g: plane(3), b: plane(7) });
};
const open = (bytes: Uint8Array) => {
  const result = openPng(bytes, options);
  if (!result.ok) throw new Error(`${result.where}: ${result.reason}`);
  return result.value;
};
const refusal = (bytes: Uint8Array) => {
  const result = openPng(bytes, options);
  if (result.ok) throw new Error('opened');
  return result;
};

describe('frames through PNG', () => {
  it.each([8, 10, 16])('%i-bit codes come back as they went', (bitDepth) => {
    const frame = ramp(bitDepth, bitDepth === 16 ? 256 : 64, bitDepth === 16 ? 64 : 16);
    const { frame: back } = open(writePng(frame));
    expect(back.bitDepth).toBe(bitDepth);
    expect(back.r).toEqual(frame.r);
    expect(back.g).toEqual(frame.g);
    expect(back.b).toEqual(frame.b);
  });

  it.each(['codes10', 'shifted10', 'repeated10', 'scaled10'] as const)(
    'recognises 10-bit codes written as %s',
    (id) => {
      const { r, g, b, width, height } = ramp(10);
      const data = new Uint16Array(width * height * 3);
      [r, g, b].forEach((plane, c) =>
        plane.forEach((code, i) => (data[3 * i + c] = SAMPLE_READINGS[id].toSample(code))),
      );
      const opened = open(encode({ width, height, data, depth: 16, channels: 3 }));
      expect(opened.reading).toBe(id);
      expect(opened.frame.bitDepth).toBe(10);
      expect(opened.frame.g).toEqual(g);
      expect(opened.evidence.length).toBeGreaterThan(10);
    },
  );

  it('takes true 16-bit samples as 16 bit, and reads another way when told', () => {
    const bytes = writePng(ramp(16, 256, 64));
    expect(open(bytes).reading).toBe('full16');
    const told = openPng(bytes, { range: 'full', reading: 'shifted10' });
    if (!told.ok) throw new Error(told.reason);
    expect(told.value.frame.bitDepth).toBe(10);
    expect(told.value.frame.range).toBe('full');
    expect(told.value.evidence).toBe('set by hand');
  });

  it('opens grey as three equal planes and leaves alpha aside', () => {
    const grey = open(
      encode({ width: 2, height: 1, data: new Uint8Array([16, 235]), depth: 8, channels: 1 }),
    );
    expect([...grey.frame.r, ...grey.frame.b]).toEqual([16, 235, 16, 235]);
    const alpha = encode({
      width: 1,
      height: 1,
      data: new Uint16Array([64, 512, 940, 65535]),
      depth: 16,
      channels: 4,
    });
    expect(open(alpha).reading).toBe('codes10');
    expect(open(alpha).frame.b[0]).toBe(940);
  });

  it('writes thumbnails that open', () => {
    const png = writeRgbaPng(2, 1, new Uint8ClampedArray([1, 2, 3, 255, 4, 5, 6, 255]));
    expect([...open(png).frame.r]).toEqual([1, 4]);
  });
});

describe('sample readings', () => {
  it.each(SAMPLE_READING_IDS)('%s: every code survives', (id) => {
    const { toSample, toCode, bitDepth } = SAMPLE_READINGS[id];
    for (let code = 0; code < 2 ** Math.min(bitDepth, 10); code += 1)
      expect(toCode(toSample(code))).toBe(code);
  });
  it('calls a nearly black 16-bit picture 10-bit, which is why it can be set by hand', () => {
    expect(detectReading(new Uint16Array([0, 3, 900]))).toBe('codes10');
  });
});

describe('bad files get one sentence and cost nothing', () => {
  const good = writePng(ramp(10));
  const patched = (at: number, bytes: number[]) => {
    const copy = good.slice();
    copy.set(bytes, at);
    return copy;
  };

  it.each([
    ['empty', new Uint8Array(0), 'byte 0', /empty/],
    [
      'a text file renamed',
      new TextEncoder().encode('placement, iso\n1, 800\n'.repeat(9)),
      'byte 0',
      /text file/,
    ],
    [
      'not a PNG',
      new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3, 4, 0, 200]),
      'byte 0',
      /signature is missing/,
    ],
    ['cut in the header', good.slice(0, 20), 'byte 20', /inside its header/],
    ['cut in the picture', good.slice(0, good.length - 40), `byte ${good.length - 40}`, /cut short/],
    ['zero size', patched(16, [0, 0, 0, 0]), 'byte 16', /nothing to judge/],
    ['too large', patched(16, [0, 1, 0, 0, 0, 1, 0, 0]), 'byte 16', /65536 x 65536; up to 64 million/],
    ['a palette', patched(25, [3]), 'byte 25', /palette/],
    ['four bits', patched(24, [4]), 'byte 24', /4-bit samples/],
  ])('%s', (_, bytes, where, reason) => {
    const result = refusal(bytes);
    expect(result.where).toBe(where);
    expect(result.reason).toMatch(reason);
    expect(result.reason.split('. ').length).toBe(1);
  });

  it('a damaged picture is told from a cut one', () => {
    const broken = good.slice();
    broken[good.length - 30] ^= 0xff;
    expect(refusal(broken)).toMatchObject({ where: 'picture data' });
  });

  it('never throws, whatever bytes are flipped', () => {
    fc.assert(
      fc.property(fc.nat(good.length - 1), fc.nat(255), (at, value) => {
        const result = openPng(patched(at, [value]), options);
        expect(typeof result.ok).toBe('boolean');
      }),
      { numRuns: 300 },
    );
  });

  it('refuses planes that do not fit the size', () => {
    expect(() => makeFrame({ ...ramp(8), width: 3 })).toThrow(RangeError);
  });
});
