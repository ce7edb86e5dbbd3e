import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { byFfmpeg, byOcio, has, worstOf } from '../fixtures/otherHands.ts';
import { writeCc } from '../formats/cdl.ts';
import { writeCube } from '../formats/cube.ts';
import { compileCdl } from '../lut/cdl.ts';
import { onScale } from '../lut/cubeScale.ts';
import { sampleLattice, tetrahedral, type Lattice } from '../lut/lattice.ts';
import { monitoringRecipe } from '../lut/monitoring.ts';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPES } from '../profile/index.ts';
import { seededRandom } from '../random.ts';
import { compileGrade } from './compileGrade.ts';
import { gradeCdl } from './gradeCdl.ts';
import { newRow } from './rows/rowKinds.ts';
import type { Grade, GradeRow } from './rows/types.ts';

// A trial grade as a file, read by other people's code: Debian's OpenColorIO tools and ffmpeg.
const ocio = has('ociochecklut');
const ffmpeg = has('ffmpeg');
if (process.env.CI && !(ocio && ffmpeg)) throw new Error('CI needs opencolorio-tools and ffmpeg');

const TEN_BIT = 1 / 1023;
const SIZE = 33;
const coding = { bitDepth: 10, range: 'legal' } as const;
const grade: Grade = {
  recipe: monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 0 }),
  dial: { kelvin: 5600, tint: 0 },
  floorStops: -5,
  rows: [
    { ...newRow('exposure'), values: { stops: -1 } },
    { ...newRow('balance'), values: { mired: 25, tint: -3 } },
    { ...newRow('points'), values: { black: 0.001, white: 1.1 } },
    { ...newRow('contrast'), values: { slope: 1.15, ends: 3 } },
    { ...newRow('skin'), values: { hue: 140, width: 40, soft: 25, stops: 0.25, turn: 4 } },
    { ...newRow('saturation'), values: { amount: 1.1 } },
  ],
};
const { run } = compileGrade(grade);
const meant = onScale(run, 'code', coding);
const random = seededRandom(19);
const pick = () => Math.floor(random() * SIZE) / (SIZE - 1);
const onPoints = Array.from({ length: 60 }, (): Triple => [pick(), pick(), pick()]);
/** Colours that cameras record, between the points: near grey, as pictures are. */
const between = Array.from({ length: 60 }, (): Triple => {
  const v = 0.15 + 0.6 * random();
  return [v + 0.1 * (random() - 0.5), v + 0.1 * (random() - 0.5), v + 0.1 * (random() - 0.5)];
});

describe('a trial grade in other hands', () => {
  let folder = '';
  let file = '';
  let lattice: Lattice;
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'candelum-grade-'));
    file = join(folder, 'graded.cube');
    lattice = sampleLattice(SIZE, meant);
    writeFileSync(file, writeCube(lattice, { title: 'graded', comments: [] }));
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it.skipIf(!ocio)('OpenColorIO gives the graded picture within a 10-bit code on the points', () => {
    expect(worstOf(byOcio(file, onPoints), onPoints.map(meant))).toBeLessThan(TEN_BIT);
  });

  it.skipIf(!ffmpeg)('ffmpeg gives the graded picture within a 10-bit code on the points', () => {
    expect(worstOf(byFfmpeg(file, onPoints, 'tetrahedral'), onPoints.map(meant))).toBeLessThan(TEN_BIT);
  });

  it.skipIf(!ocio || !ffmpeg)(
    'between the points both give what the lattice gives: the loss that is stated',
    () => {
      const ours = between.map((rgb) => tetrahedral(lattice, rgb));
      expect(worstOf(byOcio(file, between), ours)).toBeLessThan(TEN_BIT);
      expect(worstOf(byFfmpeg(file, between, 'tetrahedral'), ours)).toBeLessThan(TEN_BIT);
      // And the lattice does lose something: agreeing with it is not agreeing with the grade.
      expect(worstOf(ours, between.map(meant))).toBeGreaterThan(TEN_BIT / 4);
    },
  );

  it.skipIf(!ocio)('OpenColorIO gives the CDL’s rows on the code, unclamped, within a 10-bit code', () => {
    const rows: readonly GradeRow[] = [
      { ...newRow('exposure'), values: { stops: -1, offset: 1 } },
      { ...newRow('contrast'), values: { slope: 1.2, ends: 0 } },
      { ...newRow('saturation'), side: 'before', values: { amount: 1.2 } },
    ];
    const { cdl } = gradeCdl({ ...grade, rows }, 'code', coding);
    const cc = join(folder, 'graded.cc');
    writeFileSync(cc, writeCc({ id: 'graded', cdl, descriptions: [] }));
    // OpenColorIO's CDL does not clamp unless the ASC style is asked for.
    expect(worstOf(byOcio(cc, between), between.map(compileCdl(cdl, 'free')))).toBeLessThan(TEN_BIT);
  });
});
