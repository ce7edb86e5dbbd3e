import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sampleLattice } from '../lut/lattice.ts';
import { parseCube, writeCube } from './cube.ts';

const text = { title: 'wide log to BT.1886, pull -1', comments: ['one', 'two\nlines'] };
const lattice = sampleLattice(3, ([r, g, b]) => [r * 0.9, g * g, b + 0.01]);
const written = writeCube(lattice, text);
const parsed = (source: string) => {
  const result = parseCube(source);
  if (!result.ok) throw new Error(`${result.where}: ${result.reason}`);
  return result.value;
};

describe('.cube', () => {
  it('comes back as it was written, red fastest', () => {
    const back = parsed(written);
    expect(back.size).toBe(3);
    expect(back.title).toBe(text.title);
    expect(back.comments).toEqual(['one', 'two lines']);
    back.data.forEach((v, i) => expect(v).toBeCloseTo(lattice.data[i], 6));
    expect(written.split('\n')[6]).toBe('0.000000 0.000000 0.010000');
    expect(written.split('\n')[7]).toBe('0.450000 0.000000 0.010000');
  });

  it('writes what it read, to the letter', () =>
    expect(writeCube(parsed(written), parsed(written))).toBe(written));

  it('tolerates CRLF, blank lines, tabs, exponents and comments anywhere', () => {
    const odd = written
      .replace('0.450000 0.000000', '4.5e-1\t0')
      .replaceAll('\n', '\r\n')
      .replace('DOMAIN_MIN', '\r\n# a word\r\nDOMAIN_MIN');
    expect(parsed(odd).data[3]).toBeCloseTo(0.45, 6);
  });

  it.each([
    [
      'a row short',
      written.trimEnd().split('\n').slice(0, -1).join('\n'),
      'end of file',
      /26 rows, but LUT_3D_SIZE 3 asks for 27/,
    ],
    ['a row too many', `${written}0 0 0\n`, 'line 34', /More rows than the 27/],
    ['no number', written.replace('0.450000', 'NaN'), 'line 8', /three finite numbers/],
    ['two numbers', written.replace('0.450000 ', ''), 'line 8', /three finite numbers/],
    ['size 1', written.replace('SIZE 3', 'SIZE 1'), 'line 4', /from 2 to 129/],
    ['size 257', written.replace('SIZE 3', 'SIZE 257'), 'line 4', /from 2 to 129/],
    ['1D', 'LUT_1D_SIZE 2\n0 0 0\n1 1 1\n', 'line 1', /not a keyword of a 3D cube/],
    ['another domain', written.replace('DOMAIN_MAX 1.0', 'DOMAIN_MAX 4.0'), 'line 6', /domain of 0 to 1/],
    ['rows first', '0 0 0\nLUT_3D_SIZE 2\n', 'line 1', /before LUT_3D_SIZE/],
    ['nothing', '# only a word\n', 'file', /No LUT_3D_SIZE/],
  ])('%s is named by its line', (_, source, where, reason) => {
    const result = parseCube(source);
    expect(result.ok).toBe(false);
    if (result.ok) return;
    expect(result.where).toBe(where);
    expect(result.reason).toMatch(reason);
  });

  it('never throws on any text', () => {
    fc.assert(
      fc.property(fc.string(), (noise) => {
        expect(typeof parseCube(`LUT_3D_SIZE 2\n${noise}`).ok).toBe('boolean');
      }),
    );
  });
});
