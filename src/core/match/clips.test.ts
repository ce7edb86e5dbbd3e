import { execFileSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { compileCorrection } from '../correction/compile.ts';
import { operationOf, type Correction, type Operation } from '../correction/operations.ts';
import { makeFrame, type Frame } from '../frame/frame.ts';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPES, compileProfile, type ProfileData } from '../profile/index.ts';
import { BOARD_PATCHES } from '../scene/board.ts';
import { tangentLog } from '../transfer/log.ts';
import { codeToSignal, quantise } from '../signal/scale.ts';
import { correctionCdl, onCodes } from './asCdl.ts';
import { clipToHero, nudged, pasted, type ClipLight } from './clipCorrection.ts';
import { measurePatchLight, readByProfile } from './measurePatches.ts';
import type { MatchPatch } from './patches.ts';
import { solveMatch } from './solveMatch.ts';
import { tonesOf } from './tones.ts';

const DIAL = { kelvin: 5600, tint: 0 } as const;
const TEN = { bitDepth: 10, range: 'legal' } as const;

const PROFILE = ARCHETYPES.wideLog;
/** A picture of patches in a profile's codes, in squares of 16. */
const pictureOf = (lights: readonly Triple[]): Frame => {
  const { transfer } = compileProfile(PROFILE);
  const [width, height] = [16 * lights.length, 16];
  const planes = [0, 1, 2].map((c) =>
    Uint16Array.from({ length: width * height }, (_, i) =>
      quantise(transfer.encode(lights[Math.floor((i % width) / 16)][c]), TEN),
    ),
  );
  return makeFrame({ ...TEN, width, height, r: planes[0], g: planes[1], b: planes[2] });
};
const squares = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ x: 16 * i + 2, y: 2, width: 12, height: 12 }));

const has = (tool: string) => {
  try {
    execFileSync(tool, ['-version'], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
};
const ffmpeg = has('ffmpeg');
if (process.env.CI && !ffmpeg) throw new Error('CI needs ffmpeg');

describe('a known correction on real codes', () => {
  // Inside the recording's own primaries, from three stops under grey to three over it.
  const lights = BOARD_PATCHES.filter(({ kind }) => kind !== 'trap').map(({ reflectance }) => reflectance);

  it.skipIf(!ffmpeg).each([
    ['gains of light: offsets in log', 1, [22, -9, 14], 1],
    ['a CDL of offset, slope and saturation', 1.06, [8, -20, 5], 0.9],
  ] as const)(
    'ffmpeg puts on %s, and the match takes it off within a code of 1023',
    (_, slope, offset, sat) => {
      const hero = pictureOf(lights);
      const raw = Buffer.alloc(hero.r.length * 6);
      // ffmpeg's planar order: green, blue, red.
      [hero.g, hero.b, hero.r].forEach((plane, p) =>
        plane.forEach((code, i) => raw.writeUInt16LE(code, 2 * (p * plane.length + i))),
      );
      const { kr, kg, kb } = { kr: 0.2126, kg: 0.7152, kb: 0.0722 };
      const moved = (channel: string, o: number) => `(${slope}*${channel}(X,Y)+${o})`;
      const all = [moved('r', offset[0]), moved('g', offset[1]), moved('b', offset[2])];
      const luma = `(${kr}*${all[0]}+${kg}*${all[1]}+${kb}*${all[2]})`;
      const channel = (v: string) => `round(${luma}+${sat}*(${v}-${luma}))`;
      const filter = `geq=r='${channel(all[0])}':g='${channel(all[1])}':b='${channel(all[2])}'`;
      const size = `${hero.width}x${hero.height}`;
      const format = ['-f', 'rawvideo', '-pix_fmt', 'gbrp10le'];
      const out = execFileSync(
        'ffmpeg',
        ['-v', 'error', ...format, '-s', size, '-i', '-', '-vf', filter, ...format, '-'],
        { input: raw, maxBuffer: 1 << 28 },
      );
      const plane = (p: number) =>
        Uint16Array.from({ length: hero.r.length }, (_unused, i) =>
          out.readUInt16LE(2 * (p * hero.r.length + i)),
        );
      const camera = makeFrame({ ...hero, g: plane(0), b: plane(1), r: plane(2) });
      expect(camera.r).not.toEqual(hero.r);
      const reading = readByProfile(PROFILE, TEN);
      const patches = squares(lights.length).map((rect, i): MatchPatch => ({
        name: `${i}`,
        kind: 'colour',
        from: measurePatchLight(camera, rect, reading, PROFILE.gamut),
        hero: measurePatchLight(hero, rect, reading, PROFILE.gamut),
      }));
      const space = { primaries: PROFILE.gamut, bend: PROFILE.curve, level: 0, dial: DIAL };
      const { correction } = solveMatch(patches, space, ['contrast', 'saturation', 'black']);
      const run = onCodes(correction, PROFILE);
      const worst = squares(lights.length).map(({ x }) => {
        const at = 3 * hero.width + x + 3;
        const back = run(
          [camera.r, camera.g, camera.b].map((p) => codeToSignal(p[at], TEN)) as unknown as Triple,
        );
        return Math.max(...[hero.r, hero.g, hero.b].map((p, c) => Math.abs(quantise(back[c], TEN) - p[at])));
      });
      expect(Math.max(...worst)).toBeLessThanOrEqual(1);
    },
    60_000,
  );
});

describe('as a CDL', () => {
  const own = (...operations: Operation[]): Correction => ({
    primaries: PROFILE.gamut,
    bend: PROFILE.curve,
    operations,
  });

  it('in log, light and balance are offsets; contrast a slope; saturation itself', () => {
    const found = correctionCdl(
      own(
        { kind: 'contrast', slope: 1.1 },
        { kind: 'saturation', amount: 0.9 },
        { kind: 'exposure', stops: 0.5 },
        { kind: 'balance', mired: 8, tint: 2, about: DIAL },
      ),
      PROFILE,
      'code',
      TEN,
    );
    expect(found.cdl.slope.every((v) => Math.abs(v - 1.1) < 0.06)).toBe(true);
    expect(found.cdl.saturation).toBe(0.9);
    expect(found.worstCodes).toBeLessThan(12);
  });

  it('a gain alone is an offset, a matrix is told to need a LUT', () => {
    // A log without a toe: c log10 2 a stop on the signal is what a gain is there.
    const pure: ProfileData = {
      ...PROFILE,
      curve: { kind: 'log', coefficients: tangentLog(1e-6, 1e-4, 0.25, 0.57) },
      clipStops: 6,
    };
    const light = { kind: 'exposure', stops: -0.5 } as const;
    const gain = correctionCdl({ primaries: pure.gamut, operations: [light] }, pure, 'code', TEN);
    expect(gain.cdl.slope[0]).toBeCloseTo(1, 4);
    expect(gain.cdl.offset[1]).toBeCloseTo((-0.5 * 0.25 * Math.log10(2) * 876) / 1023, 4);
    expect(gain.exactFrom).toBeLessThan(-2);
    // With a toe it bends in the dark, and the figure says by how much.
    const toe = correctionCdl(own(light), PROFILE, 'code', TEN);
    expect(toe.worstCodes).toBeGreaterThan(1);
    expect(toe.worstCodes).toBeLessThan(12);
    const matrix = [1.2, -0.1, -0.1, 0, 1, 0, 0, -0.2, 1.2] as const;
    const mixed = correctionCdl(own({ kind: 'matrix', matrix }), PROFILE, 'code', TEN);
    expect(mixed.exactFrom).toBeUndefined();
    expect(mixed.worstCodes).toBeGreaterThan(5);
  });
});

describe('clips to the hero', () => {
  const reading = readByProfile(PROFILE, TEN);
  const clipLight = compileProfile(PROFILE).transfer.decode(compileProfile(PROFILE).clipSignal);
  const lights = BOARD_PATCHES.map(({ reflectance }) => reflectance);
  const through = (correction: Correction, marks: boolean): ClipLight => {
    const frame = pictureOf(lights.map(compileCorrection(correction, PROFILE.gamut).undo));
    const rects = squares(lights.length);
    return {
      marks: marks
        ? [
            { name: 'card', kind: 'card', ...measurePatchLight(frame, rects[0], reading, PROFILE.gamut) },
            { name: 'Ana', kind: 'skin', ...measurePatchLight(frame, rects[20], reading, PROFILE.gamut) },
          ]
        : [],
      tones: tonesOf(frame, reading, PROFILE.gamut),
      clip: clipLight,
    };
  };
  const space = { primaries: PROFILE.gamut, bend: PROFILE.curve, level: 0, dial: DIAL };
  const off: Correction = {
    primaries: PROFILE.gamut,
    operations: [
      { kind: 'exposure', stops: 0.6 },
      { kind: 'balance', mired: -20, tint: 3, about: DIAL },
    ],
  };
  const none: Correction = { primaries: PROFILE.gamut, operations: [] };

  it.each([true, false])('finds what a clip is off, marked: %s', (isMarked) => {
    const found = clipToHero(through(off, isMarked), through(none, isMarked), space);
    expect(found.by).toBe(isMarked ? 'marks' : 'estimate');
    expect(operationOf(found.correction, 'exposure')?.stops).toBeCloseTo(0.6, 1);
    expect(Math.abs((operationOf(found.correction, 'balance')?.mired ?? 0) + 20)).toBeLessThan(3);
    expect(found.correction.operations).toHaveLength(2);
  });

  it('is nudged by hand, and pasted in parts', () => {
    const more = nudged(off, { stops: 1 / 3, mired: 5 }, DIAL);
    expect(operationOf(more, 'exposure')?.stops).toBeCloseTo(0.6 + 1 / 3, 9);
    expect(operationOf(more, 'balance')?.mired).toBe(-15);
    expect(nudged(none, {}, DIAL)).toBe(none);
    const only = pasted(more, none, ['exposure']);
    expect(operationOf(only, 'exposure')).toBeUndefined();
    expect(operationOf(only, 'balance')?.mired).toBe(-15);
    expect(operationOf(pasted(none, more, ['balance']), 'balance')?.mired).toBe(-15);
  });
});
