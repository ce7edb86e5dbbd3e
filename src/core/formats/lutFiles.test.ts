import { describe, expect, it } from 'vitest';
import { sampleLattice } from '../lut/lattice.ts';
import { UNIT_DOMAIN } from '../lut/lut.ts';
import type { LutNode } from '../lut/node.ts';
import { NEUTRAL_CDL } from '../lut/cdl.ts';
import { openLut } from './openLut.ts';
import { LUT_FORMAT_IDS, type LutFormatId } from './lutFormats.ts';
import { LUT_WRITERS } from './writeLut.ts';

const words = {
  id: 'furnace',
  title: 'Furnace mouth, pull -1',
  comments: ['profile wide log', 'pull 1 stop', 'gamut BT.2020 to BT.709', 'range legal'],
  input: 'wide log',
  output: 'BT.1886',
};
const cube: LutNode = {
  kind: 'cube',
  domain: UNIT_DOMAIN,
  lattice: sampleLattice(3, ([r, g, b]) => [b, r * g, 1 - g]),
};
const ramp = Float32Array.from({ length: 9 }, (_, i) => (i / 8) ** 2);
const curves: LutNode = { kind: 'curves', domain: UNIT_DOMAIN, curves: [ramp, ramp, ramp] };
const cdl: LutNode = { kind: 'cdl', cdl: { ...NEUTRAL_CDL, offset: [0.1, 0.1, 0.1] }, style: 'held' };

describe('LUT files', () => {
  it.each<[LutFormatId, readonly LutNode[]]>([
    ['cube', [cube]],
    ['cube1d', [curves]],
    ['clf', [curves, cube, cdl]],
    ['cc', [cdl]],
    ['ccc', [cdl]],
  ])('%s is opened by what it holds, and says profile, pull, gamut and range', (format, nodes) => {
    const text = LUT_WRITERS[format](nodes, words);
    if (!text.ok) throw new Error(text.reason);
    const file = openLut(text.value);
    if (!file.ok) throw new Error(file.reason);
    expect(file.value.nodes).toEqual(
      nodes.map((node) =>
        node.kind === 'cube' && format === 'clf' ? { ...node, interpolation: 'tetrahedral' } : node,
      ),
    );
    const said = [file.value.title, ...file.value.comments].join('\n');
    for (const word of words.comments) expect(said).toContain(word);
  });

  it('say what they are in words', () => {
    const wide = { ...cube, domain: { min: [0, 0, 0], max: [2, 2, 2] } } as LutNode;
    const text = LUT_WRITERS.cube([wide], words);
    const file = openLut(text.ok ? text.value : '');
    expect(file.ok && file.value.says).toBe('.cube: cube of 3 points a side, domain 0 to 2');
  });

  it('each format says what it cannot hold', () => {
    const refused = LUT_FORMAT_IDS.map((id) => {
      const nodes =
        id === 'clf'
          ? [{ kind: 'function', name: 'Log', channels: [Number, Number, Number] } as LutNode]
          : [curves, cube];
      return LUT_WRITERS[id](nodes, words);
    });
    for (const one of refused) expect(one).toMatchObject({ ok: false, reason: expect.stringMatching(/./) });
  });

  it.each(['', 'hello', '<svg/>', '{"a":1}', '0 0 0\n1 1 1'])('%j is none', (text) => {
    expect(openLut(text)).toMatchObject({
      ok: false,
      where: 'file',
      reason: expect.stringContaining('.cube'),
    });
  });
});
