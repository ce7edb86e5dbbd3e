import ColorSpace from 'colorjs.io/src/ColorSpace.js';
import 'colorjs.io/src/spaces/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bt1886For, HLG_DIFFUSE_WHITE_SIGNAL, hlgOotfNeutral, TRANSFERS, type TransferId } from './index.ts';

const ids = Object.keys(TRANSFERS) as TransferId[];

describe.each(ids)('%s', (id) => {
  const { encode, decode, domain } = TRANSFERS[id];
  const light = fc.double({ min: domain[0], max: domain[1], noNaN: true });

  it('decodes what it encodes over its whole domain', () => {
    fc.assert(
      fc.property(light, (x) => {
        const tolerance = 1e-7 * Math.max(1, Math.abs(x));
        expect(Math.abs(decode(encode(x)) - x)).toBeLessThanOrEqual(tolerance);
      }),
      { numRuns: 400 },
    );
  });

  it('never falls', () => {
    fc.assert(
      fc.property(light, light, (a, b) => {
        expect(encode(Math.max(a, b))).toBeGreaterThanOrEqual(encode(Math.min(a, b)) - 1e-12);
      }),
    );
  });

  it('names its standard', () => expect(TRANSFERS[id].source.length).toBeGreaterThan(5));
});

describe('published values', () => {
  it('BT.709: 18 % grey at 0.409, white at 1 (ITU-R BT.709-6, table 1.2)', () => {
    expect(TRANSFERS.bt709.encode(0.18)).toBeCloseTo(0.409, 3);
    expect(TRANSFERS.bt709.encode(1)).toBeCloseTo(1, 12);
    expect(TRANSFERS.bt709.encode(0.018)).toBeCloseTo(0.081, 3);
  });

  it('ACEScct: 18 % grey at 0.4135884, the cut at 0.155251 (ACES S-2016-001, clause 4.4)', () => {
    expect(TRANSFERS.acescct.encode(0.18)).toBeCloseTo(0.4135884, 7);
    expect(TRANSFERS.acescct.encode(0.0078125)).toBeCloseTo(0.155251141552511, 12);
    expect(TRANSFERS.acescct.encode(0)).toBeCloseTo(0.0729055341958355, 12);
  });

  it('ACEScc: 0 at -0.3584, 18 % grey as ACEScct (ACES S-2014-003, clause 4.4)', () => {
    expect(TRANSFERS.acescc.encode(0)).toBeCloseTo(-0.3584474886, 9);
    expect(TRANSFERS.acescc.encode(0.18)).toBeCloseTo(0.4135884, 7);
    expect(TRANSFERS.acescc.encode(2 ** -15)).toBeCloseTo((9.72 - 15) / 17.52, 12);
  });

  it('sRGB: 0.5 light at 0.735357, the join at 0.04045 (IEC 61966-2-1, clause 5.2)', () => {
    expect(TRANSFERS.srgb.encode(0.5)).toBeCloseTo(0.735357, 6);
    expect(TRANSFERS.srgb.encode(0.0031308)).toBeCloseTo(0.04045, 5);
    expect(TRANSFERS.srgb.encode(-0.5)).toBeCloseTo(-0.735357, 6);
  });

  it('HLG: 1/12 at one half, peak at 1 (ITU-R BT.2100-2, table 5)', () => {
    expect(TRANSFERS.hlg.encode(1 / 12)).toBeCloseTo(0.5, 12);
    expect(TRANSFERS.hlg.encode(1)).toBeCloseTo(1, 6);
  });

  it('PQ: 100 cd/m2 at 0.5081, 10 000 at 1 (SMPTE ST 2084, clause 5.2)', () => {
    expect(TRANSFERS.pq.encode(100)).toBeCloseTo(0.50808, 4);
    expect(TRANSFERS.pq.encode(10_000)).toBeCloseTo(1, 12);
  });

  // ITU-R BT.2408-7 table 1, as quoted in the project's own notes from memory, to the whole percent.
  it.each([
    [203, 58],
    [162, 56],
    [26, 38],
  ])('PQ: %i cd/m2 reads %i %%', (light, percent) =>
    expect(Math.round(100 * TRANSFERS.pq.encode(light))).toBe(percent),
  );

  it('HLG: diffuse white at 75 % is 203 cd/m2 and grey 26 after the OOTF at 1000 (ITU-R BT.2408-7, table 1)', () => {
    const white = TRANSFERS.hlg.decode(HLG_DIFFUSE_WHITE_SIGNAL);
    expect(hlgOotfNeutral(white, 1000)).toBeCloseTo(203, 0);
    expect(hlgOotfNeutral(white * 0.18, 1000)).toBeCloseTo(26, 0);
    expect(Math.round(100 * TRANSFERS.hlg.encode(white * 0.18))).toBe(38);
  });

  it('BT.1886: with a black of 0.1 and white of 100 cd/m2, ends where it says (ITU-R BT.1886, annex 1)', () => {
    const display = bt1886For(100, 0.1);
    expect(display.decode(0)).toBeCloseTo(0.1, 9);
    expect(display.decode(1)).toBeCloseTo(100, 9);
    expect(display.encode(display.decode(0.4))).toBeCloseTo(0.4, 9);
    expect(TRANSFERS.bt1886.decode(0.5)).toBeCloseTo(0.5 ** 2.4, 12);
    expect(() => bt1886For(1, 1)).toThrow(RangeError);
  });
});

type Base = { fromBase: (rgb: number[]) => number[]; toBase: (rgb: number[]) => number[] };
const space = (id: string) => ColorSpace.get(id) as unknown as Base;

// colorjs.io, a general colour library: its PQ and HLG are relative to 203 cd/m2 diffuse white, its BT.2020 OETF has
// the constants to more digits (1.09929682680944), hence the wider tolerance there.
describe('against colorjs.io', () => {
  const samples = [0.0001, 0.002, 0.01, 0.05, 0.18, 0.4, 0.9, 1];
  it.each(samples)('sRGB at %f', (x) => {
    expect(TRANSFERS.srgb.encode(x)).toBeCloseTo(space('srgb').fromBase([x, x, x])[0], 6);
  });
  it.each(samples)('BT.709 OETF at %f', (x) => {
    expect(Math.abs(TRANSFERS.bt709.encode(x) - space('--rec2020-oetf').fromBase([x, x, x])[0])).toBeLessThan(
      4e-4,
    );
  });
  it.each(samples)('PQ at %f of diffuse white', (x) => {
    expect(TRANSFERS.pq.encode(203 * x)).toBeCloseTo(space('rec2100pq').fromBase([x, x, x])[0], 9);
  });
  it.each(samples)('HLG at %f of diffuse white', (x) => {
    // Its media white is 1/3.7743 of the peak.
    const ours = TRANSFERS.hlg.encode(x / 3.7743);
    expect(ours).toBeCloseTo(space('rec2100hlg').fromBase([x, x, x])[0], 9);
  });
  it.each(samples)('ACEScc at %f', (x) => {
    expect(TRANSFERS.acescc.encode(x)).toBeCloseTo(space('acescc').fromBase([x, x, x])[0], 9);
  });
});
