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
import { byFfmpeg, byOcio, has, worstOf } from '../fixtures/otherHands.ts';
import { compileLut, UNIT_DOMAIN, type Lut } from '../lut/lut.ts';
import { writeCube, writeCubeFile } from './cube.ts';

// The exported cube, read by other people's code: Debian's OpenColorIO tools and ffmpeg.
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

describe('the exported cube in other hands', () => {
  let folder = '';
  let file = '';
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'candelum-cube-'));
    file = join(folder, 'monitor.cube');
    writeFileSync(file, writeCube(lattice, { title: 'wide log to BT.1886, pull -1', comments: [] }));
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  // ociochecklut asks for OpenColorIO's best interpolation, which is tetrahedral.
  it.skipIf(!ocio)(
    'OpenColorIO agrees within a 10-bit code at 80 lattice points and 80 between them',
    { timeout: 120_000 },
    () => {
      expect(
        worstOf(
          byOcio(file, onLattice),
          onLattice.map((rgb) => tetrahedral(lattice, rgb)),
        ),
      ).toBeLessThan(TEN_BIT / 10);
      expect(
        worstOf(
          byOcio(file, between),
          between.map((rgb) => tetrahedral(lattice, rgb)),
        ),
      ).toBeLessThan(TEN_BIT);
    },
  );

  it.skipIf(!ffmpeg)('ffmpeg agrees within a 10-bit code, tetrahedral and trilinear', () => {
    const tetra = (rgb: Triple) => tetrahedral(lattice, rgb);
    const linear = (rgb: Triple) => trilinear(lattice, rgb);
    expect(worstOf(byFfmpeg(file, onLattice, 'tetrahedral'), onLattice.map(tetra))).toBeLessThan(
      TEN_BIT / 10,
    );
    expect(worstOf(byFfmpeg(file, between, 'tetrahedral'), between.map(tetra))).toBeLessThan(TEN_BIT);
    expect(worstOf(byFfmpeg(file, between, 'trilinear'), between.map(linear))).toBeLessThan(TEN_BIT);
  });

  it.skipIf(!ocio || !ffmpeg)('a 1D cube is read alike by both, within 1e-5', () => {
    const curve = (power: number) => Float32Array.from({ length: 4096 }, (_, i) => (i / 4095) ** power);
    const lut: Lut = { kind: 'curves', domain: UNIT_DOMAIN, curves: [curve(0.45), curve(1), curve(2.2)] };
    const solid = file;
    file = join(folder, 'curves.cube');
    writeFileSync(file, writeCubeFile(lut, { title: 'curves', comments: [] }));
    const some = between.slice(0, 60);
    const wanted = some.map((rgb) => compileLut(lut)(rgb));
    expect(worstOf(byOcio(file, some), wanted)).toBeLessThan(1e-5);
    expect(worstOf(byFfmpeg(file, some, 'linear', 'lut1d'), wanted)).toBeLessThan(1e-5);
    file = solid;
  });

  it('tells the two interpolations apart, so that agreeing means something', () => {
    const tetra = between.map((rgb) => tetrahedral(lattice, rgb));
    expect(
      worstOf(
        between.map((rgb) => trilinear(lattice, rgb)),
        tetra,
      ),
    ).toBeGreaterThan(TEN_BIT);
  });
});
