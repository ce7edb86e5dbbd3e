import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sampleLattice } from '../lut/lattice.ts';
import { compileLut, UNIT_DOMAIN, type Lut } from '../lut/lut.ts';
import { parseCubeFile, writeCube, writeCubeFile } from './cube.ts';

const text = { title: 'wide log to BT.1886, pull -1', comments: ['one', 'two\nlines'] };
const lattice = sampleLattice(3, ([r, g, b]) => [r * 0.9, g * g, b + 0.01]);
const written = writeCube(lattice, text);
const parsed = (source: string) => {
  const result = parseCubeFile(source);
  if (!result.ok) throw new Error(`${result.where}: ${result.reason}`);
  return result.value;
};
const dataOf = ({ lut }: { lut: Lut }) => (lut.kind === 'cube' ? lut.lattice.data : lut.curves[0]);

// Values that LUTs hold: inside and a little outside of 0..1, tiny ones and exact zeros among them.
const value = fc.oneof(
  fc.float({ min: Math.fround(-0.5), max: 2, noNaN: true }).map((v) => (Math.abs(v) < 1e-11 ? 0 : v)),
  fc.float({ min: Math.fround(1e-11), max: Math.fround(1e-3), noNaN: true }),
  fc.constant(0),
);
const bound = fc.double({ min: -2, max: 0.4, noNaN: true }).map((v) => Math.round(1e6 * v) / 1e6 + 0);
const domain = fc
  .tuple(bound, bound, bound, fc.double({ min: 0.1, max: 20, noNaN: true }))
  .map(([a, b, c, span]) => ({
    min: [a, b, c].map((v) => v) as unknown as [number, number, number],
    max: [a, b, c].map((v) => v + span) as unknown as [number, number, number],
  }));
const cubes = fc.record({
  kind: fc.constant('cube' as const),
  domain,
  lattice: fc
    .integer({ min: 2, max: 4 })
    .chain((size) =>
      fc
        .array(value, { minLength: 3 * size ** 3, maxLength: 3 * size ** 3 })
        .map((data) => ({ size, data: Float32Array.from(data) })),
    ),
});
const curves = fc.record({
  kind: fc.constant('curves' as const),
  domain,
  curves: fc
    .array(fc.tuple(value, value, value), { minLength: 2, maxLength: 40 })
    .map((rows) => [0, 1, 2].map((c) => Float32Array.from(rows, (one) => one[c])))
    .map(([r, g, b]) => [r, g, b] as const),
});

describe('.cube', () => {
  it('comes back exactly as it was written, 1D and 3D, whatever its domain', () => {
    fc.assert(
      fc.property(fc.oneof(cubes, curves), (lut) => {
        const back = parsed(writeCubeFile(lut, text));
        expect(back.lut).toEqual(lut);
        expect(back.title).toBe(text.title);
        expect(back.comments).toEqual(['one', 'two lines']);
      }),
      { numRuns: 60 },
    );
  });

  it('is written red fastest, without exponents', () => {
    expect(written.split('\n')[6]).toBe('0 0 0.00999999978');
    expect(written.split('\n')[7]).toBe('0.449999988 0 0.00999999978');
    const tiny = sampleLattice(2, ([r]) => [r * 1e-7, 0, 0]);
    expect(writeCube(tiny, text)).not.toMatch(/\de[-+]?\d/);
  });

  it('writes what it read, to the letter', () => {
    const { lut, ...words } = parsed(written);
    expect(writeCubeFile(lut, words)).toBe(written);
  });

  it('tolerates CRLF, lone CR, blank lines, tabs, exponents and comments anywhere', () => {
    const odd = written
      .replace('0.449999988 0', '4.5e-1\t0')
      .replaceAll('\n', '\r\n')
      .replace('DOMAIN_MIN', '\r\n# a word\r\nDOMAIN_MIN');
    expect(dataOf(parsed(odd))[3]).toBeCloseTo(0.45, 6);
    expect(dataOf(parsed(written.replaceAll('\n', '\r')))[3]).toBeCloseTo(0.45, 6);
  });

  it('takes one range for all channels, as some programs write it', () => {
    const { lut } = parsed('LUT_1D_SIZE 2\nLUT_1D_INPUT_RANGE -0.5 4\n0 0 0\n1 1 1\n');
    expect(lut.domain).toEqual({ min: [-0.5, -0.5, -0.5], max: [4, 4, 4] });
    expect(compileLut(lut)([1.75, -2, 9])).toEqual([0.5, 0, 1]);
  });

  it('a 3D cube with a domain of its own is read through it', () => {
    const lut: Lut = {
      kind: 'cube',
      domain: { min: [0, 0, -1], max: [2, 1, 1] },
      lattice: sampleLattice(2, (rgb) => rgb),
    };
    for (const interpolation of ['tetrahedral', 'trilinear'] as const) {
      const [r, g, b] = compileLut(lut, interpolation)([1, 0.25, 0]);
      expect(r).toBeCloseTo(0.5, 6);
      expect(g).toBeCloseTo(0.25, 6);
      expect(b).toBeCloseTo(0.5, 6);
    }
  });

  const lines = written.trimEnd().split('\n');
  it.each([
    ['a row short', lines.slice(0, -1).join('\n'), 'end of file', /26 rows, but LUT_3D_SIZE 3 asks for 27/],
    ['a row too many', `${written}0 0 0\n`, 'line 34', /More rows than the 27/],
    ['no number', written.replace('0.449999988', 'NaN'), 'line 8', /three finite numbers/],
    ['a hexadecimal number', written.replace('0.449999988', '0x1'), 'line 8', /three finite numbers/],
    ['a hexadecimal size', 'LUT_1D_SIZE 0x2\n0 0 0\n1 1 1\n', 'line 1', /0x2; it must be a whole number/],
    ['a binary domain', 'LUT_1D_SIZE 2\nDOMAIN_MAX 0b1 0b1 0b1\n0 0 0\n1 1 1\n', 'line 2', /three finite/],
    ['infinity', written.replace('0.449999988', 'inf'), 'line 8', /three finite numbers/],
    ['two numbers', written.replace('0.449999988 ', ''), 'line 8', /three finite numbers/],
    ['size 1', written.replace('SIZE 3', 'SIZE 1'), 'line 4', /from 2 to 129/],
    ['size 257', written.replace('SIZE 3', 'SIZE 257'), 'line 4', /from 2 to 129/],
    ['a size that is none', written.replace('SIZE 3', 'SIZE many'), 'line 4', /from 2 to 129/],
    ['a curve of 70000', 'LUT_1D_SIZE 70000\n', 'line 1', /from 2 to 65536/],
    ['two sizes', written.replace('DOMAIN_MIN', 'LUT_1D_SIZE 2\nDOMAIN_MIN'), 'line 5', /bake them into one/],
    [
      'a domain backwards',
      written.replace('DOMAIN_MAX 1 1', 'DOMAIN_MAX 1 -4'),
      'domain',
      /from 0 to -4: it must rise/,
    ],
    [
      'a domain of words',
      written.replace('DOMAIN_MAX 1 1', 'DOMAIN_MAX one 1'),
      'line 6',
      /three finite numbers/,
    ],
    ['rows first', '0 0 0\nLUT_3D_SIZE 2\n', 'line 1', /before the size/],
    ['an unknown word', written.replace('TITLE', 'NAME'), 'line 3', /“NAME.* is not a keyword/],
    ['nothing', '# only a word\n', 'file', /No LUT_1D_SIZE or LUT_3D_SIZE/],
  ])('%s is named by its line', (_, source, where, reason) => {
    const result = parseCubeFile(source);
    expect(result.ok).toBe(false);
    if (result.ok) return;
    expect(result.where).toBe(where);
    expect(result.reason).toMatch(reason);
  });

  it('never throws on any text', () => {
    fc.assert(
      fc.property(fc.string(), (noise) => {
        expect(typeof parseCubeFile(`LUT_3D_SIZE 2\n${noise}`).ok).toBe('boolean');
        expect(typeof parseCubeFile(noise).ok).toBe('boolean');
      }),
    );
  });

  it('curves are read in straight lines, held to their domain, each channel its own', () => {
    const lut: Lut = {
      kind: 'curves',
      domain: UNIT_DOMAIN,
      curves: [Float32Array.of(0, 1, 1), Float32Array.of(0, 0.5), Float32Array.of(1, 0)],
    };
    expect(compileLut(lut)([0.25, 0.5, 0.25])).toEqual([0.5, 0.25, 0.75]);
    expect(compileLut(lut)([-1, 2, 2])).toEqual([0, 0.5, 0]);
  });
});
