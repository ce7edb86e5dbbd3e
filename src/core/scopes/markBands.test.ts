import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { writeCube } from '../formats/cube.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import type { Triple } from '../maths/matrix.ts';
import { cubeScale } from '../lut/cubeScale.ts';
import { compileMarks, edgeLosses, fittedBands, type Marks } from '../lut/marks.ts';
import { plannedBands, stopBands } from './markBands.ts';
import { monitoringRecipe } from '../lut/monitoring.ts';
import { sampleLattice } from '../lut/lattice.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const profile = ARCHETYPES.wideLog;
const wide = compileProfile(profile);
const planned: Marks = {
  profile,
  picture: monitoringRecipe({ profile, pullStops: 0.67 }),
  bands: plannedBands({
    placement: 0.67,
    faces: [{ name: 'Ana', stops: 2.2 }],
    clipStops: wide.clipStops,
    floorStops: -6,
  }),
};
const stops: Marks = { profile, bands: stopBands(wide.clipStops) };
const neutral = (over: number): Triple => [wide.signalAt(over), wide.signalAt(over), wide.signalAt(over)];
const colourOf = (marks: Marks, id: string) => marks.bands.find((band) => band.id === id)!.colour;

describe('a LUT that paints tones', () => {
  it.each([
    [0.67, 'card'],
    [0.52, 'card'],
    [2.2, 'face 1'],
    [2.5, 'face 1'],
    [6, 'clip'],
    [-7, 'floor'],
  ])('%f stops over grey is %s', (over, id) => {
    expect(compileMarks(planned)(neutral(over))).toEqual(colourOf(planned, id));
  });

  it.each([0, 1.2, 4, -3])('%f stops lies in no band and is the picture', (over) => {
    const painted = compileMarks(planned)(neutral(over));
    expect(planned.bands.map(({ colour }) => colour)).not.toContainEqual(painted);
    expect(painted[0]).toBeCloseTo(painted[1], 9);
  });

  it('one channel at the clip is painted as clipped, whatever the luma', () => {
    const blue: Triple = [0.4, 0.4, wide.clipSignal];
    expect(compileMarks(planned)(blue)).toEqual(colourOf(planned, 'clip'));
    expect(compileMarks(planned)([0.4, 0.4, 0.6])).not.toEqual(colourOf(planned, 'clip'));
  });

  it('shows every stop in a colour of its own, light and dark by turns', () => {
    const shown = compileMarks(stops);
    const seen = Array.from({ length: 14 }, (_, i) => shown(neutral(-7.5 + i)));
    expect(new Set(seen.map((rgb) => rgb.join())).size).toBe(14);
    for (let over = -7; over < 6; over += 1)
      expect(shown(neutral(over + 0.01))).not.toEqual(shown(neutral(over - 0.01)));
  });
});

describe('what the points lose', () => {
  const losses = (marks: Marks, size: number) => edgeLosses(marks, size, 'code', coding);
  const of = (marks: Marks, size: number, id: string) =>
    losses(marks, size).find((edge) => edge.id === id)?.stops;

  it('is less with more of them, and a band that does not show is said to', () => {
    expect(of(planned, 17, 'card')).toBeUndefined();
    expect(of(planned, 33, 'card')).toBeGreaterThan(of(planned, 65, 'card') ?? 9);
    expect(of(planned, 65, 'card')).toBeLessThan(0.12);
    expect(of(stops, 33, 'stop 0')).toBeLessThan(0.3);
  });

  it('the clip always shows: its band begins at the point before, and that is counted', () => {
    for (const size of [17, 33, 65] as const) {
      expect(of(planned, size, 'clip')).toBeDefined();
      const fitted = fittedBands(planned, size, 'code', coding).bands[0];
      expect(fitted.from).toBeLessThan(wide.clipStops - 0.02);
    }
    expect(of(planned, 65, 'clip')).toBeLessThan(of(planned, 17, 'clip') ?? 0);
  });
});

// The written cube in other people's hands: a ramp through Debian's OpenColorIO tools and ffmpeg.
const has = (command: string) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;
const ocio = has('ociochecklut');
const ffmpeg = has('ffmpeg');
if (process.env.CI && !(ocio && ffmpeg)) throw new Error('CI needs opencolorio-tools and ffmpeg');

describe.each([33, 65])('on a ramp, %i points', (size) => {
  const scale = cubeScale('code', coding);
  const fitted = compileMarks(fittedBands(stops, size, 'code', coding));
  const lattice = sampleLattice(size, ([r, g, b]) =>
    fitted([scale.toSignal(r), scale.toSignal(g), scale.toSignal(b)]),
  );
  const file = join(mkdtempSync(join(tmpdir(), 'candelum-marks-')), 'stops.cube');
  writeFileSync(file, writeCube(lattice, { title: 'stops', comments: [] }));
  // The middle of each whole stop from −4 up, where the points lie close enough.
  const middles = Array.from({ length: 9 }, (_, i) => -3.5 + i);
  const codes = middles.map((over) => scale.fromSignal(wide.signalAt(over)));

  /** The band whose colour a painted one is nearest to. */
  const bandOf = (rgb: readonly number[]) =>
    stops.bands.reduce((a, b) => {
      const off = ({ colour }: (typeof stops.bands)[number]) =>
        Math.hypot(...colour.map((v, c) => v - rgb[c]));
      return off(b) < off(a) ? b : a;
    }).id;
  const wanted = middles.map((over) => `stop ${Math.floor(over)}`);

  it.skipIf(!ocio)('OpenColorIO paints every stop within its band', () => {
    const painted = codes.map((code) => {
      const out = execFileSync('ociochecklut', [file, ...Array(3).fill(code.toFixed(9))], {
        encoding: 'utf8',
      });
      return (out.trim().split('\n').at(-1) ?? '').trim().split(/\s+/).map(Number);
    });
    expect(painted.map(bandOf)).toEqual(wanted);
  });

  it.skipIf(!ffmpeg)('ffmpeg paints every stop within its band', () => {
    const planes = Buffer.alloc(2 * 3 * codes.length);
    codes.forEach((code, i) => {
      for (let c = 0; c < 3; c += 1) planes.writeUInt16LE(Math.round(65535 * code), 2 * (3 * i + c));
    });
    const run = spawnSync(
      'ffmpeg',
      [
        ...['-v', 'error', '-f', 'rawvideo', '-pix_fmt', 'rgb48le', '-s', `${codes.length}x1`, '-i', '-'],
        ...['-vf', `lut3d=file=${file}:interp=tetrahedral`, '-pix_fmt', 'rgb48le', '-f', 'rawvideo', '-'],
      ],
      { input: planes },
    );
    expect(run.stderr.toString()).toBe('');
    const painted = codes.map((_, i) =>
      [0, 1, 2].map((c) => run.stdout.readUInt16LE(2 * (3 * i + c)) / 65535),
    );
    expect(painted.map(bandOf)).toEqual(wanted);
  });
});
