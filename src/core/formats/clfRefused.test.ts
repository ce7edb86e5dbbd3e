import { describe, expect, it } from 'vitest';
import { parseClfFile } from './clf.ts';

describe('a CLF that cannot be read', () => {
  const list = (inner: string) => `<ProcessList id="a" compCLFversion="3">${inner}</ProcessList>`;
  const cube = (dim: string, values: string) =>
    list(`<LUT3D inBitDepth="32f" outBitDepth="32f"><Array dim="${dim}">${values}</Array></LUT3D>`);
  const entity = (i: number) => `<!ENTITY a${i} "${'&a;'.repeat(100)}">`;
  const bomb =
    '<!DOCTYPE a [<!ENTITY a ' +
    `"${'x'.repeat(1000)}">${Array.from({ length: 20 }, (_, i) => entity(i)).join('')}]>`;
  it.each([
    [
      'a bit depth in the fourth line',
      list(
        '\n<Info/>\n\n<Matrix inBitDepth="11i" outBitDepth="32f"><Array dim="3 3">1 0 0 0 1 0 0 0 1</Array></Matrix>',
      ),
      /Matrix, node 2, line 4/,
      /inBitDepth is “11i”/,
    ],
    ['an unknown node', list('<Twirl id="w1"/>'), /Twirl “w1”, node 1/, /kind of node/],
    [
      'a whole cube that is short',
      cube('2 2 2 3', '0 0 0'),
      /LUT3D, node 1/,
      /holds 3 numbers; its dim asks for 24/,
    ],
    ['a cube of one point', cube('1 1 1 3', '0 0 0'), /LUT3D/, /from 2 to 129/],
    ['a cube of 257 points', cube('257 257 257 3', '0'), /LUT3D/, /from 2 to 129/],
    ['a cube that is none', cube('2 3 2 3', '0'), /LUT3D/, /n n n 3/],
    ['no number', cube('2 2 2 3', `${'0 '.repeat(20)} nan 0 0 0`), /row 7/, /finite/],
    [
      'a matrix without numbers',
      list('<Matrix><Array dim="3 3">1 0 0</Array></Matrix>'),
      /Matrix, node 1/,
      /as many numbers/,
    ],
    [
      'a CDL that is none',
      list('<ASC_CDL style="Fwd"><SOPNode><Slope>1 1</Slope></SOPNode></ASC_CDL>'),
      /ASC_CDL/,
      /three numbers/,
    ],
    ['a CDL backwards', list('<ASC_CDL style="Rev"/>'), /ASC_CDL/, /Rev/],
    [
      'a range that falls',
      list(
        '<Range><minInValue>1</minInValue><maxInValue>0</maxInValue>' +
          '<minOutValue>0</minOutValue><maxOutValue>1</maxOutValue></Range>',
      ),
      /Range/,
      /must rise/,
    ],
    ['an empty list', list(''), /file/, /nothing to apply/],
    ['no CLF at all', '<svg/>', /file/, /ProcessList/],
    ['no XML at all', '<ProcessList', /file/, /XML/],
    [
      'entities that grow',
      `${bomb}${list('<Matrix><Array dim="3 3">&a19;</Array></Matrix>')}`,
      /Matrix|file/,
      /./,
    ],
  ])('%s is refused by its place', (_, text, where, reason) => {
    const file = parseClfFile(text);
    expect(file.ok).toBe(false);
    if (file.ok) return;
    expect(file.where).toMatch(where);
    expect(file.reason).toMatch(reason);
  });
});
