import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { gamutMatrix } from '../colour/gamut.ts';
import type { Matrix3, Triple } from '../maths/matrix.ts';
import type { Cdl } from '../lut/cdl.ts';
import { compileNodes, type LutNode } from '../lut/node.ts';
import { sampleLattice } from '../lut/lattice.ts';
import { UNIT_DOMAIN } from '../lut/lut.ts';
import { monitoringRecipe } from '../lut/monitoring.ts';
import { recipeLattice } from '../lut/recipeLattice.ts';
import { ARCHETYPES } from '../profile/index.ts';
import { seededRandom } from '../random.ts';
import { parseClfFile, writeClfMatrix } from './clf.ts';
import { writeClf, type ClfWords, type WrittenNode } from './clfWrite.ts';
import { writeCubeFile } from './cube.ts';

const has = (command: string) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;
const ocio = has('ociochecklut') && has('ociomakeclf');
if (process.env.CI && !ocio) throw new Error('CI needs opencolorio-tools');

const words: ClfWords = {
  id: 'test',
  title: 'Salt & Fire <furnace> "pull -1"',
  descriptions: ['wide log, pull -1', 'legal range'],
  input: 'wide log',
  output: 'BT.709, BT.1886',
};

const opened = (text: string) => {
  const file = parseClfFile(text);
  if (!file.ok) throw new Error(`${file.where}: ${file.reason}`);
  return file.value;
};

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true }).map((v) => v + 0);
const triple = (one: fc.Arbitrary<number>) => fc.tuple(one, one, one);
const float = fc.float({ min: -4, max: 4, noNaN: true }).map((v) => v + 0);
const matrixNode: fc.Arbitrary<WrittenNode> = fc.record({
  kind: fc.constant('matrix' as const),
  matrix: fc.array(number(-3, 3), { minLength: 9, maxLength: 9 }) as unknown as fc.Arbitrary<Matrix3>,
  offset: triple(number(-1, 1)),
});
const cdlNode: fc.Arbitrary<WrittenNode> = fc.record({
  kind: fc.constant('cdl' as const),
  cdl: fc.record({
    slope: triple(number(0, 4)),
    offset: triple(number(-1, 1)),
    power: triple(number(0.1, 4)),
    saturation: number(0, 4),
  }) as fc.Arbitrary<Cdl>,
  style: fc.constantFrom('held' as const, 'free' as const),
});
const curvesNode: fc.Arbitrary<WrittenNode> = fc
  .array(triple(float), { minLength: 2, maxLength: 20 })
  .map((rows) => ({
    kind: 'curves',
    domain: UNIT_DOMAIN,
    curves: [0, 1, 2].map((c) => Float32Array.from(rows, (row) => row[c])) as unknown as [
      Float32Array,
      Float32Array,
      Float32Array,
    ],
  }));
const cubeNode: fc.Arbitrary<WrittenNode> = fc
  .tuple(
    fc.array(float, { minLength: 81, maxLength: 81 }),
    fc.constantFrom('tetrahedral' as const, 'trilinear' as const),
  )
  .map(([data, interpolation]) => ({
    kind: 'cube',
    domain: UNIT_DOMAIN,
    lattice: { size: 3, data: Float32Array.from(data) },
    interpolation,
  }));
const rangeNode: fc.Arbitrary<WrittenNode> = fc.constantFrom<WrittenNode>(
  { kind: 'range', minIn: 0.1, maxIn: 0.9, minOut: 0, maxOut: 1, held: true },
  { kind: 'range', minIn: 0, minOut: 0, held: true },
  { kind: 'range', minIn: -1, maxIn: 2, minOut: 0.25, maxOut: 0.5, held: false },
);
const chain = fc.array(fc.oneof(matrixNode, cdlNode, curvesNode, cubeNode, rangeNode), {
  minLength: 1,
  maxLength: 5,
});

describe('CLF chains', () => {
  it('come back exactly as they were written, words too', () => {
    fc.assert(
      fc.property(chain, (nodes) => {
        const file = opened(writeClf(nodes, words));
        expect(file.nodes).toEqual(nodes);
        expect(file).toMatchObject({
          title: words.title,
          descriptions: words.descriptions,
          input: 'wide log',
        });
      }),
    );
  });

  it('bring a domain that is not 0..1 to it', () => {
    const wide: LutNode = {
      kind: 'cube',
      domain: { min: [-0.1, 0, 0.2], max: [1.1, 2, 0.8] },
      lattice: sampleLattice(3, ([r, g, b]) => [r * r, g, 1 - b]),
    };
    const back = compileNodes(opened(writeClf([wide], words)).nodes);
    const exact = compileNodes([wide]);
    fc.assert(
      fc.property(triple(number(-0.5, 2.5)), (rgb) => {
        back(rgb).forEach((v, c) => expect(v).toBeCloseTo(exact(rgb)[c], 9));
      }),
    );
  });

  it('read integer depths, offsets and parameters a channel', () => {
    const { nodes } = opened(`<?xml version="1.0"?><ProcessList id="a" compCLFversion="3">
      <Matrix inBitDepth="10i" outBitDepth="12i"><Array dim="3 4">4 0 0 4095  0 2 0 0  0 0 4 0</Array></Matrix>
      <Log inBitDepth="32f" outBitDepth="32f" style="log10"/>
      <Exponent inBitDepth="32f" outBitDepth="32f" style="basicFwd">
        <ExponentParams channel="R" exponent="2"/><ExponentParams exponent="3"/></Exponent>
      <LUT1D inBitDepth="32f" outBitDepth="8i"><Array dim="2 1">0 255</Array></LUT1D></ProcessList>`);
    const [matrix, , exponent, curve] = nodes;
    // 1023/4095 of 4, and an offset of the whole range.
    expect(compileNodes([matrix])([0.5, 1, 0])).toEqual([
      expect.closeTo(1 + (0.5 * 4 * 1023) / 4095, 12),
      expect.closeTo((2 * 1023) / 4095, 12),
      0,
    ]);
    expect(compileNodes([exponent])([0.5, 0.5, 0.5])).toEqual([0.25, 0.125, 0.125]);
    expect(compileNodes([curve])([0.25, 0.5, 2])).toEqual([0.25, 0.5, 1]);
  });
});

describe.skipIf(!ocio)('CLF in OpenColorIO’s hands', () => {
  let folder = '';
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'candelum-clf-'));
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  const random = seededRandom(2014);
  const triples = Array.from({ length: 60 }, (): Triple => [random(), random(), random()]);
  const throughOcio = (file: string) =>
    triples.map((rgb) => {
      const out = execFileSync('ociochecklut', [file, ...rgb.map((v) => v.toFixed(9))], { encoding: 'utf8' });
      return out.trim().split('\n').at(-1)?.trim().split(/\s+/).map(Number) ?? [];
    });
  const worst = (file: string, nodes: readonly LutNode[]) => {
    const run = compileNodes(nodes);
    return Math.max(
      ...throughOcio(file).flatMap((got, i) => {
        expect(got).toHaveLength(3);
        return got.map((v, c) => Math.abs(v - run(triples[i])[c]));
      }),
    );
  };

  const cdl: Cdl = {
    slope: [1.1, 0.9, 1.05],
    offset: [0.02, -0.01, 0.03],
    power: [0.9, 1.1, 1],
    saturation: 0.8,
  };
  const lattice = recipeLattice(
    monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 1 }),
    'signal',
    { bitDepth: 10, range: 'legal' },
    17,
  );
  const curve = (power: number) => Float32Array.from({ length: 64 }, (_, i) => (i / 63) ** power);
  const curves: WrittenNode = {
    kind: 'curves',
    domain: UNIT_DOMAIN,
    curves: [curve(0.5), curve(1.4), curve(2)],
  };
  const matrix: WrittenNode = {
    kind: 'matrix',
    matrix: gamutMatrix('bt2020', 'bt709'),
    offset: [0.01, 0, -0.02],
  };

  it.each<[string, readonly WrittenNode[], number]>([
    ['curves', [curves], 1e-5],
    ['a matrix', [matrix], 1e-5],
    ['a CDL, held', [{ kind: 'cdl', cdl, style: 'held' }], 1e-5],
    ['a CDL, free', [{ kind: 'cdl', cdl, style: 'free' }], 1e-5],
    [
      'a cube, tetrahedral',
      [{ kind: 'cube', domain: UNIT_DOMAIN, lattice, interpolation: 'tetrahedral' }],
      1 / 1023,
    ],
    [
      'a cube, trilinear',
      [{ kind: 'cube', domain: UNIT_DOMAIN, lattice, interpolation: 'trilinear' }],
      1 / 1023,
    ],
    [
      'a chain',
      [
        matrix,
        { kind: 'range', minIn: 0, maxIn: 1, minOut: 0, maxOut: 1, held: true },
        curves,
        { kind: 'cdl', cdl, style: 'held' },
      ],
      1e-5,
    ],
  ])('%s that we write is applied alike', (name, nodes, within) => {
    const file = join(folder, `${name.replace(/\W+/g, '-')}.clf`);
    writeFileSync(file, writeClf(nodes, words));
    expect(worst(file, nodes)).toBeLessThan(within);
  });

  it('a matrix alone, as a profile’s gamut is handed over', () => {
    const file = join(folder, 'gamut.clf');
    const rows = gamutMatrix('bt2020', 'bt709');
    writeFileSync(file, writeClfMatrix(rows, { id: 'g', name: 'g', input: 'a', output: 'b' }));
    expect(worst(file, [{ kind: 'matrix', matrix: rows, offset: [0, 0, 0] }])).toBeLessThan(1e-5);
  });

  it('what it writes we read: a cube and curves made into CLF by it', () => {
    const made = (name: string, text: string) => {
      const from = join(folder, `${name}.cube`);
      const to = join(folder, `${name}-theirs.clf`);
      writeFileSync(from, text);
      execFileSync('ociomakeclf', [from, to]);
      return { file: to, ...opened(readFileSync(to, 'utf8')) };
    };
    const cube = made(
      'solid',
      writeCubeFile({ kind: 'cube', domain: UNIT_DOMAIN, lattice }, { title: 'a', comments: [] }),
    );
    // It leaves the interpolation open, and then reads trilinearly at its default and tetrahedrally at its best.
    expect(worst(cube.file, cube.nodes)).toBeLessThan(1 / 1023);
    const flat = made('curves', writeCubeFile(curves, { title: 'b', comments: [] }));
    expect(worst(flat.file, flat.nodes)).toBeLessThan(1e-5);
  });
});
