import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Triple } from '../maths/matrix.ts';
import { tetrahedral, trilinear } from '../lut/lattice.ts';
import { monitoringRecipe } from '../lut/monitoring.ts';
import { recipeLattice } from '../lut/recipeLattice.ts';
import { ARCHETYPES } from '../profile/index.ts';
import { seededRandom } from '../random.ts';
import { compileLut, UNIT_DOMAIN, type Lut } from '../lut/lut.ts';
import { writeCube, writeCubeFile } from './cube.ts';

// The exported cube, read by other people's code: Debian's OpenColorIO tools and ffmpeg.
const has = (command: string) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;
const ocio = has('ociochecklut');
const ffmpeg = has('ffmpeg');
if (process.env.CI && !(ocio && ffmpeg)) throw new Error('CI needs opencolorio-tools and ffmpeg');

const SIZE = 33;
const TEN_BIT = 1 / 1023;
const coding = { bitDepth: 10, range: 'legal' } as const;
const lattice = recipeLattice(
  monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 1 }),
  'code',
  coding,
  SIZE,
);

const random = seededRandom(33);
const pick = (n: number) => Math.floor(random() * n);
const onLattice = Array.from({ length: 80 }, (): Triple => [
  pick(SIZE) / 32,
  pick(SIZE) / 32,
  pick(SIZE) / 32,
]);
const between = Array.from({ length: 80 }, (): Triple => [random(), random(), random()]);

const worst = (got: readonly (readonly number[])[], wanted: readonly Triple[]) =>
  Math.max(...got.flatMap((rgb, i) => rgb.map((v, c) => Math.abs(v - wanted[i][c]))));

describe('the exported cube in other hands', () => {
  let folder = '';
  let file = '';
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'candelum-cube-'));
    file = join(folder, 'monitor.cube');
    writeFileSync(file, writeCube(lattice, { title: 'wide log to BT.1886, pull -1', comments: [] }));
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  const byOcio = (triples: readonly Triple[]) =>
    triples.map((rgb) => {
      const out = execFileSync('ociochecklut', [file, ...rgb.map((v) => v.toFixed(9))], { encoding: 'utf8' });
      const numbers = out.trim().split('\n').at(-1)?.trim().split(/\s+/).map(Number) ?? [];
      expect(numbers).toHaveLength(3);
      return numbers;
    });

  // ociochecklut asks for OpenColorIO's best interpolation, which is tetrahedral.
  it.skipIf(!ocio)(
    'OpenColorIO agrees within a 10-bit code at 80 lattice points and 80 between them',
    { timeout: 120_000 },
    () => {
      expect(
        worst(
          byOcio(onLattice),
          onLattice.map((rgb) => tetrahedral(lattice, rgb)),
        ),
      ).toBeLessThan(TEN_BIT / 10);
      expect(
        worst(
          byOcio(between),
          between.map((rgb) => tetrahedral(lattice, rgb)),
        ),
      ).toBeLessThan(TEN_BIT);
    },
  );

  const byFfmpeg = (triples: readonly Triple[], interpolation: string, filter = 'lut3d') => {
    // Planar 32-bit float keeps the whole precision: G, B, R planes.
    const planes = [1, 2, 0].map((c) => Float32Array.from(triples, (rgb) => rgb[c]));
    const input = Buffer.concat(planes.map((plane) => Buffer.from(plane.buffer)));
    const size = `${triples.length}x1`;
    const raw = ['-f', 'rawvideo', '-pix_fmt', 'gbrpf32le', '-s', size];
    const out = execFileSync(
      'ffmpeg',
      [
        '-v',
        'error',
        ...raw,
        '-i',
        '-',
        '-vf',
        `${filter}=file=${file}:interp=${interpolation}`,
        ...raw,
        '-',
      ],
      { input },
    );
    const floats = new Float32Array(out.buffer.slice(out.byteOffset, out.byteOffset + out.byteLength));
    const n = triples.length;
    return triples.map((_, i) => [floats[2 * n + i], floats[i], floats[n + i]]);
  };

  it.skipIf(!ffmpeg)('ffmpeg agrees within a 10-bit code, tetrahedral and trilinear', () => {
    const tetra = (rgb: Triple) => tetrahedral(lattice, rgb);
    const linear = (rgb: Triple) => trilinear(lattice, rgb);
    expect(worst(byFfmpeg(onLattice, 'tetrahedral'), onLattice.map(tetra))).toBeLessThan(TEN_BIT / 10);
    expect(worst(byFfmpeg(between, 'tetrahedral'), between.map(tetra))).toBeLessThan(TEN_BIT);
    expect(worst(byFfmpeg(between, 'trilinear'), between.map(linear))).toBeLessThan(TEN_BIT);
  });

  it.skipIf(!ocio || !ffmpeg)('a 1D cube is read alike by both, within 1e-5', () => {
    const curve = (power: number) => Float32Array.from({ length: 4096 }, (_, i) => (i / 4095) ** power);
    const lut: Lut = { kind: 'curves', domain: UNIT_DOMAIN, curves: [curve(0.45), curve(1), curve(2.2)] };
    const solid = file;
    file = join(folder, 'curves.cube');
    writeFileSync(file, writeCubeFile(lut, { title: 'curves', comments: [] }));
    const some = between.slice(0, 60);
    const wanted = some.map((rgb) => compileLut(lut)(rgb));
    expect(worst(byOcio(some), wanted)).toBeLessThan(1e-5);
    expect(worst(byFfmpeg(some, 'linear', 'lut1d'), wanted)).toBeLessThan(1e-5);
    file = solid;
  });

  it('tells the two interpolations apart, so that agreeing means something', () => {
    const tetra = between.map((rgb) => tetrahedral(lattice, rgb));
    expect(
      worst(
        between.map((rgb) => trilinear(lattice, rgb)),
        tetra,
      ),
    ).toBeGreaterThan(TEN_BIT);
  });
});
