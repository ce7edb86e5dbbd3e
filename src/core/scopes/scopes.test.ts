import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { compileMonitoring } from '../lut/monitoring.ts';
import { ARCHETYPES, compileProfile, stopsByCode } from '../profile/index.ts';
import { seededRandom } from '../random.ts';
import { LUMA } from '../signal/luma.ts';
import { codeToSignal } from '../signal/scale.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { boxBlur, drawContours } from './contours.ts';
import { distributionQuantile, stopsDistribution } from './distribution.ts';
import { falseColourTable } from './falseColour.ts';
import { lumaPlane } from './luma.ts';
import { PLAIN } from '../kernels/plain.ts';
import { drawMonitor, VIEW_PAINTERS } from '../kernels/picture.ts';
import { rampBytes, RAMPS, type RampId } from './ramp.ts';
import { shrink } from './shrink.ts';
import { histogramOf, waveform } from './waveform.ts';
import { waveformPicture } from './waveformPicture.ts';
import { thin, thinned } from './thin.ts';
import { drawZebra, RANGE_ZEBRA, WARNING_ZEBRA, zebraBand, zebraTable } from './zebra.ts';

const noise = (width: number, height: number, bitDepth: number, seed = 7): Frame => {
  const random = seededRandom(seed);
  const plane = () =>
    Uint16Array.from({ length: width * height }, () => Math.floor(random() * 2 ** bitDepth));
  return makeFrame({ width, height, bitDepth, range: 'legal', r: plane(), g: plane(), b: plane() });
};
const flat = (width: number, height: number, code: number, bitDepth = 10): Frame => {
  const plane = new Uint16Array(width * height).fill(code);
  return makeFrame({ width, height, bitDepth, range: 'legal', r: plane, g: plane, b: plane });
};

describe('luma', () => {
  it('is within a code of the weighted sum, and exact on neutrals', () => {
    for (const bitDepth of [8, 10, 16]) {
      const frame = noise(40, 30, bitDepth);
      const luma = lumaPlane(frame, LUMA.bt709);
      luma.forEach((y, i) => {
        const exact = 0.2126 * frame.r[i] + 0.7152 * frame.g[i] + 0.0722 * frame.b[i];
        expect(Math.abs(y - exact)).toBeLessThan(0.5 + 2 ** bitDepth / 2 ** 13);
      });
    }
    expect(lumaPlane(flat(3, 3, 777), LUMA.bt709)).toEqual(new Uint16Array(9).fill(777));
  });
});

describe('waveform', () => {
  it.each([
    [100, 40, 8, 100],
    [130, 30, 10, 64],
    [130, 30, 16, 7],
  ])('%ix%i at %i bit in %i columns counts what a plain loop counts', (width, height, bitDepth, columns) => {
    const { r: plane } = noise(width, height, bitDepth);
    const scope = waveform(plane, width, bitDepth, columns);
    const plain = new Map<string, number>();
    plane.forEach((code, i) => {
      const key = `${Math.floor(((i % width) * columns) / width)} ${code >> Math.max(0, bitDepth - 10)}`;
      plain.set(key, (plain.get(key) ?? 0) + 1);
    });
    let total = 0;
    for (let column = 0; column < columns; column += 1) {
      for (let level = 0; level < scope.levels; level += 1) {
        const count = scope.counts[column * scope.stride + level];
        total += count;
        expect(count).toBe(plain.get(`${column} ${level}`) ?? 0);
      }
    }
    expect(total).toBe(width * height);
    expect(histogramOf(scope).reduce((sum, n) => sum + n, 0)).toBe(width * height);
  });

  it('refuses what would overflow or has no columns', () => {
    expect(() => waveform(new Uint16Array(10), 10, 8, 0)).toThrow(RangeError);
    expect(() => waveform(new Uint16Array(70_000), 10, 8, 1)).toThrow(/too many rows/);
  });

  it('is drawn at the height of its level', () => {
    const scope = waveform(new Uint16Array(50).fill(512), 10, 10, 10);
    const rgba = waveformPicture(scope, {
      height: 100,
      colourOf: () => [9, 8, 7],
      placeOfLevel: (level) => level / 1023,
    });
    const rows = Array.from({ length: 100 }, (_, y) => rgba[4 * (y * 10) + 3]).flatMap((alpha, y) =>
      alpha > 0 ? [y] : [],
    );
    expect(rows).toEqual([49]);
  });
});

describe('zebra', () => {
  const toCode = (level: number) => 64 + 8.76 * level;
  it('covers the level plus and minus its tolerance, or everything from it up', () => {
    const range = zebraBand(
      { kind: 'range', level: 50, tolerance: 2, exact: 50, costStops: 0, reach: 'within' },
      toCode,
      1023,
    );
    expect(range).toEqual({ from: Math.ceil(toCode(48)), to: Math.floor(toCode(52)) });
    const warning = zebraBand(
      { kind: 'lowerLimit', level: 90, exact: 90, costStops: 0, reach: 'within' },
      toCode,
      1023,
    );
    expect(warning).toEqual({ from: Math.ceil(toCode(90)), to: 1023 });
    const table = zebraTable(1024, [range], warning);
    expect([range.from - 1, range.from, range.to, range.to + 1].map((code) => table[code])).toEqual([
      0, 1, 1, 0,
    ]);
    expect([table[warning.from - 1], table[warning.from], table[1023]]).toEqual([
      0,
      WARNING_ZEBRA,
      WARNING_ZEBRA,
    ]);
  });

  it('lets the warning win and stays inside the table', () => {
    const table = zebraTable(256, [{ from: -5, to: 400 }], { from: 200, to: 400 });
    expect(table[0]).toBe(RANGE_ZEBRA);
    expect(table[255]).toBe(WARNING_ZEBRA);
  });

  it('stripes only what it covers, fine for the range and broad for the warning', () => {
    const width = 32;
    const luma = Uint16Array.from({ length: width * width }, (_, i) => (i % width < 16 ? 1 : 2));
    const striped = (code: number, table: Uint8Array) => {
      const pixels = new Uint32Array(luma.length).fill(7);
      drawZebra(pixels, luma, width, table);
      return pixels.filter((p, i) => luma[i] === code && p !== 7).length / (luma.length / 2);
    };
    expect(striped(1, zebraTable(4, [{ from: 1, to: 1 }]))).toBeCloseTo(3 / 8, 2);
    expect(striped(2, zebraTable(4, [{ from: 1, to: 1 }]))).toBe(0);
    expect(striped(2, zebraTable(4, [], { from: 2, to: 3 }))).toBeCloseTo(8 / 16, 2);
  });
});

describe('colour of stops', () => {
  it.each(Object.keys(RAMPS) as RampId[])('%s grows lighter from -8 to +8', (ramp) => {
    let last = -1;
    for (let stops = -8; stops <= 8; stops += 0.5) {
      const [r, g, b] = rampBytes(ramp, stops).map((v) => TRANSFERS.srgb.decode(v / 255));
      const y = 0.2126 * r + 0.7152 * g + 0.0722 * b;
      expect(y).toBeGreaterThan(last);
      last = y;
    }
    expect(rampBytes(ramp, -99)).toEqual(rampBytes(ramp, -8));
  });
  it('packs little-endian RGBA', () => {
    const [r, g, b] = rampBytes('viridis', 1);
    const bytes = new Uint8Array(falseColourTable(new Float32Array([1]), 'viridis').buffer);
    expect([...bytes]).toEqual([r, g, b, 255]);
  });
});

describe('contours', () => {
  const profile = compileProfile(ARCHETYPES.wideLog);
  const stops = stopsByCode(profile, 1024, (code) => codeToSignal(code, { bitDepth: 10, range: 'legal' }));
  const code = (over: number) => Math.round(64 + 876 * profile.signalAt(over));

  it('averages over the square', () => {
    const plane = new Uint16Array(49);
    plane[24] = 90;
    expect(boxBlur(plane, 7, 1)[24]).toBe(10);
    expect(boxBlur(plane, 7, 1)[0]).toBe(0);
    expect(boxBlur(new Uint16Array(49).fill(5), 7, 3)).toEqual(new Uint16Array(49).fill(5));
  });

  it('draws a line at each whole stop of a slope, the one at grey heavier', () => {
    const width = 400;
    const luma = Uint16Array.from({ length: width * 20 }, (_, i) => code(-2 + (4 * (i % width)) / width));
    const pixels = new Uint32Array(luma.length);
    drawContours(pixels, luma, width, stops);
    const row = pixels.subarray(10 * width, 11 * width);
    const lines = [...row].flatMap((p, x) => (p === 0xffffffff && row[x - 1] !== 0xffffffff ? [x] : []));
    expect(lines).toHaveLength(3);
    [-1, 0, 1].forEach((stop, n) => expect(Math.abs(lines[n] - ((stop + 2) / 4) * width)).toBeLessThan(6));
    const thick = [...row.subarray(190, 212)].filter((p) => p === 0xffffffff).length;
    expect(thick).toBeGreaterThanOrEqual(3);
  });

  it('draws nothing on a noisy tone that lies on a whole stop', () => {
    const random = seededRandom(3);
    const luma = Uint16Array.from({ length: 120 * 120 }, () => code(1) + Math.round((random() - 0.5) * 8));
    const pixels = new Uint32Array(luma.length);
    drawContours(pixels, luma, 120, stops);
    expect(pixels.every((p) => p === 0)).toBe(true);
  });
});

describe('distribution', () => {
  it('keeps the whole picture and finds its quantiles', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(500), { minLength: 64, maxLength: 64 }), (counts) => {
        fc.pre(counts.some((n) => n > 0));
        const { bins } = stopsDistribution(Uint32Array.from(counts), (level) => -6 + level / 6);
        expect(bins.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
      }),
    );
    const even = stopsDistribution(new Uint32Array(121).fill(10), (level) => -6 + level / 10);
    expect(distributionQuantile(even, 0.5)).toBeCloseTo(0, 0);
    expect(distributionQuantile(even, 0.995)).toBeGreaterThan(5.5);
  });
  it('holds tones with no light at its lower end', () => {
    const { bins } = stopsDistribution(new Uint32Array([5]), () => -Infinity);
    expect(bins[0].share).toBeCloseTo(1, 6);
  });
});

describe('pictures', () => {
  const bytes = (pixels: Uint32Array) => new Uint8Array(pixels.buffer);
  it('as recorded: legal black and white fill the bytes', () => {
    const plane = new Uint16Array([64, 502, 940, 1023]);
    const pixels = new Uint32Array(4);
    const frame = {
      width: 4,
      height: 1,
      bitDepth: 10,
      range: 'legal',
      r: plane,
      g: plane,
      b: plane,
    } as const;
    const monitoring = compileMonitoring({ profile: ARCHETYPES.wideLog, pullStops: 0 });
    VIEW_PAINTERS.recorded(PLAIN, pixels, {
      frame,
      luma: plane,
      monitoring,
      stopsOfCode: new Float32Array(1024),
      ramp: 'viridis',
    });
    expect([0, 4, 8, 12].map((at) => bytes(pixels)[at])).toEqual([0, 128, 255, 255]);
  });

  it.each(['wideLog', 'classicLog'] as const)(
    'monitor of %s is the transform, to a byte or two, by lattice or table',
    (id) => {
      const frame = noise(60, 40, 10);
      const monitoring = compileMonitoring({ profile: ARCHETYPES[id], pullStops: 1 });
      const pixels = new Uint32Array(60 * 40);
      drawMonitor(PLAIN, pixels, frame, monitoring);
      const screen = (v: number) => 255 * TRANSFERS.srgb.encode(TRANSFERS.bt1886.decode(v));
      let sum = 0;
      for (let i = 0; i < pixels.length; i += 1) {
        const exact = monitoring.rgb(
          [frame.r[i], frame.g[i], frame.b[i]].map((c) => codeToSignal(c, frame)) as [number, number, number],
        );
        exact.forEach((v, c) => {
          sum += Math.abs(bytes(pixels)[4 * i + c] - screen(v));
        });
      }
      expect(sum / (pixels.length * 3)).toBeLessThan(2);
      expect(bytes(pixels)[3]).toBe(255);
    },
  );

  it('shrinks by averaging and never enlarges', () => {
    const rgba = new Uint8ClampedArray([
      0, 0, 0, 255, 100, 100, 100, 255, 200, 200, 200, 255, 100, 100, 100, 255,
    ]);
    const small = shrink(rgba, 4, 1, 2);
    expect([small.width, small.height, small.rgba[0], small.rgba[4]]).toEqual([2, 1, 50, 150]);
    expect(shrink(rgba, 4, 1, 99).width).toBe(4);
  });
});

describe('a picture shown smaller', () => {
  const [width, height] = [7, 5];
  const plane = (k: number) => Uint16Array.from({ length: width * height }, (_, i) => 100 * k + i);
  const frame = {
    width,
    height,
    bitDepth: 10,
    range: 'legal',
    r: plane(1),
    g: plane(2),
    b: plane(3),
  } as const;

  it.each([2, 3, 9])('is each %i-th pixel of each row of as many', (every) => {
    for (const room of [new Uint8Array(0), new Uint8Array(1000)]) {
      const small = thinned(thin, frame, plane(4), every, room);
      expect(small.frame.width).toBe(Math.ceil(width / every));
      for (let y = 0, i = 0; y < height; y += every)
        for (let x = 0; x < width; x += every, i += 1) {
          expect(small.frame.r[i]).toBe(100 + y * width + x);
          expect(small.frame.b[i]).toBe(300 + y * width + x);
          expect(small.luma[i]).toBe(400 + y * width + x);
        }
      expect(small.luma).toHaveLength(small.frame.width * small.frame.height);
    }
  });

  it('is the picture itself at full size', () => {
    expect(thinned(thin, frame, plane(4), 1, new Uint8Array(0)).frame).toBe(frame);
  });
});
