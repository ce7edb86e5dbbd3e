import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, describe, expect, it } from 'vitest';
import type { Triple } from '../maths/matrix.ts';
import { compileCdl, NEUTRAL_CDL, type Cdl } from '../lut/cdl.ts';
import { parseCdl, writeCc, writeCcc, type NamedCdl } from './cdl.ts';

// A negative zero is no other correction than zero.
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true }).map((v) => v + 0);
const triple = (one: fc.Arbitrary<number>) => fc.tuple(one, one, one);
const cdls: fc.Arbitrary<Cdl> = fc.record({
  slope: triple(number(0, 4)),
  offset: triple(number(-1, 1)),
  power: triple(number(0.1, 4)),
  saturation: number(0, 4),
});
const words = fc.stringMatching(/^[a-zA-Z0-9 <>&"'_+.-]{1,20}$/).map((text) => text.trim() || 'a');
const named: fc.Arbitrary<NamedCdl> = fc.record({
  id: words,
  descriptions: fc.array(words, { maxLength: 3 }),
  cdl: cdls,
});
const rgbs = triple(number(-0.2, 1.2));

const parsed = (text: string) => {
  const found = parseCdl(text);
  if (!found.ok) throw new Error(`${found.where}: ${found.reason}`);
  return found.value;
};

describe('a CDL', () => {
  it('is slope, offset, power, then saturation: by hand', () => {
    const cdl: Cdl = { slope: [2, 1, 1], offset: [-0.1, 0.1, 0], power: [1, 2, 1], saturation: 1 };
    const [r, g, b] = compileCdl(cdl)([0.3, 0.4, 0.5]);
    expect(r).toBeCloseTo(0.5, 12);
    expect(g).toBeCloseTo(0.25, 12);
    expect(b).toBeCloseTo(0.5, 12);
    // Luma 0.2126 * 0.2 + 0.7152 * 0.4 + 0.0722 * 0.6 = 0.37192 (ASC CDL 1.2), everything drawn to it by half.
    const half = compileCdl({ ...NEUTRAL_CDL, saturation: 0.5 })([0.2, 0.4, 0.6]);
    expect(half[0]).toBeCloseTo(0.28596, 12);
    expect(half[2]).toBeCloseTo(0.48596, 12);
  });

  it('holds to 0..1 in its own style and goes on beyond in the free one, where a power leaves negatives alone', () => {
    fc.assert(
      fc.property(cdls, rgbs, (cdl, rgb) => {
        for (const v of compileCdl(cdl)(rgb)) {
          expect(v).toBeGreaterThanOrEqual(0);
          expect(v).toBeLessThanOrEqual(1);
        }
        for (const v of compileCdl(cdl, 'free')(rgb)) expect(Number.isFinite(v)).toBe(true);
      }),
    );
    expect(compileCdl({ ...NEUTRAL_CDL, power: [2, 2, 2] }, 'free')([-0.5, 2, 0])).toEqual([-0.5, 4, 0]);
  });

  it('neutral changes nothing', () => {
    fc.assert(
      fc.property(rgbs, (rgb) => {
        expect(compileCdl(NEUTRAL_CDL, 'free')(rgb)).toEqual(rgb);
      }),
    );
  });
});

describe('.cc and .ccc', () => {
  it('come back exactly as they were written, words with signs in them too', () => {
    fc.assert(
      fc.property(fc.array(named, { minLength: 1, maxLength: 4 }), (many) => {
        expect(parsed(writeCcc(many))).toEqual(many);
        expect(parsed(writeCc(many[0]))).toEqual([many[0]]);
      }),
    );
  });

  it('a decision list is read too; what a node leaves out is neutral', () => {
    const list = `<?xml version="1.0"?><ColorDecisionList xmlns="urn:ASC:CDL:v1.01"><ColorDecision>
      <ColorCorrection id="furnace 3"><SOPNode><Offset> 0.1	0  -2e-1 </Offset></SOPNode></ColorCorrection>
      </ColorDecision><ColorDecision>
      <ColorCorrection><SATNode><Saturation>0.5</Saturation></SATNode></ColorCorrection>
      </ColorDecision></ColorDecisionList>`;
    expect(parsed(list)).toEqual([
      { id: 'furnace 3', descriptions: [], cdl: { ...NEUTRAL_CDL, offset: [0.1, 0, -0.2] } },
      { id: '', descriptions: [], cdl: { ...NEUTRAL_CDL, saturation: 0.5 } },
    ]);
  });

  const good = writeCcc([
    { id: 'one', descriptions: [], cdl: NEUTRAL_CDL },
    { id: 'two', descriptions: [], cdl: NEUTRAL_CDL },
  ]);
  const second = (from: string, to: string) => {
    const at = good.lastIndexOf(from);
    return good.slice(0, at) + to + good.slice(at + from.length);
  };
  it.each([
    [
      'a slope below 0',
      second('1 1 1</Slope>', '1 -1 1</Slope>'),
      'ColorCorrection “two”',
      /slope must be 0 or more/,
    ],
    ['power 0', second('1 1 1</Power>', '1 0 1</Power>'), 'ColorCorrection “two”', /power must be above 0/],
    ['no number', second('0 0 0</Offset>', '0 NaN 0</Offset>'), 'ColorCorrection “two”', /not finite/],
    ['two numbers', second('0 0 0</Offset>', '0 0</Offset>'), 'ColorCorrection “two”', /three numbers each/],
    [
      'negative saturation',
      second('1</Saturation>', '-1</Saturation>'),
      'ColorCorrection “two”',
      /saturation must be/,
    ],
    [
      'an empty node',
      '<ColorCorrection id="x"></ColorCorrection>',
      'ColorCorrection “x”',
      /neither a SOPNode/,
    ],
    ['another file', '<ProcessList></ProcessList>', 'file', /not an ASC CDL file/],
    ['unsound', '<ColorCorrection><SOPNode></ColorCorrection>', 'file', /not sound XML/],
    ['no XML', 'LUT_3D_SIZE 2', 'file', /not (sound XML|an ASC CDL file)/],
    ['nested without end', '<a>'.repeat(500) + '</a>'.repeat(500), 'file', /nested/i],
  ])('%s is named', (_, text, where, reason) => {
    const found = parseCdl(text);
    expect(found.ok).toBe(false);
    if (found.ok) return;
    expect(found.where).toBe(where);
    expect(found.reason).toMatch(reason);
  });

  it('entities that a file declares are not expanded', () => {
    const bomb = `<!DOCTYPE c [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;">]>
      <ColorCorrection id="&b;"><SatNode><Saturation>1</Saturation></SatNode></ColorCorrection>`;
    const found = parseCdl(bomb);
    if (found.ok) expect(found.value[0].id).toBe('&b;');
    else expect(found.reason).toMatch(/not sound XML/);
  });
});

// Read and applied by Debian's OpenColorIO tools, which leave values beyond 0..1 as they are when a file of
// this kind is used.
const ocio = spawnSync('sh', ['-c', 'command -v ociochecklut']).status === 0;
if (process.env.CI && !ocio) throw new Error('CI needs opencolorio-tools');

describe.skipIf(!ocio)('in other hands', () => {
  const folder = mkdtempSync(join(tmpdir(), 'candelum-cdl-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  const checklut = (file: string, rgb: Triple) => {
    const done = spawnSync('ociochecklut', [file, ...rgb.map((v) => v.toFixed(7))], { encoding: 'utf8' });
    return (done.stdout.trim().split('\n').at(-1) ?? '').trim().split(/\s+/).map(Number);
  };

  it.each([
    ['a balance', { slope: [1.2, 1, 0.85], offset: [0, 0, 0], power: [1, 1, 1], saturation: 1 }],
    [
      'a pull in log',
      { slope: [1, 1, 1], offset: [-0.073, -0.073, -0.073], power: [1, 1, 1], saturation: 1 },
    ],
    [
      'all of it',
      { slope: [1.1, 0.95, 1.02], offset: [0.02, -0.01, 0.015], power: [0.9, 1.15, 1.05], saturation: 1.25 },
    ],
  ] as const)('%s: OpenColorIO agrees within 1e-5', (name, cdl) => {
    const file = join(folder, `${name.replaceAll(' ', '-')}.cc`);
    writeFileSync(file, writeCc({ id: name, descriptions: ['pull and balance'], cdl }));
    const ours = compileCdl(cdl, 'free');
    for (const rgb of [
      [0.1, 0.4, 0.9],
      [0.5, 0.5, 0.5],
      [0.95, 0.2, 0.3],
      [0.3, 0.31, 0.29],
    ] as const) {
      const theirs = checklut(file, rgb);
      expect(theirs).toHaveLength(3);
      ours(rgb).forEach((v, c) => expect(Math.abs(theirs[c] - v)).toBeLessThan(1e-5));
    }
  });
});
