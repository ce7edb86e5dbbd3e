import { describe, expect, it } from 'vitest';
import { apply, invert, multiply, type Matrix3, type Triple } from '../maths/matrix.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { gaussian, seededRandom } from '../random.ts';
import { BOARD_PATCHES } from '../scene/board.ts';
import { expose } from '../sensor/camera.ts';
import { settings, body, whiteFor } from '../sensor/fixtures/bodies.ts';
import { codeToSignal } from '../signal/scale.ts';
import { GAMUTS, gamutOf, rgbToXyz, type GamutId } from './gamut.ts';
import { deltaE2000, xyzToLab } from './lab.ts';
import { xyToXyz } from './chromaticity.ts';
import { readChart } from './chartCsv.ts';
import { gamutFromPatches, gamutOfMatrix, gamutThrough, type ChartPatch } from './gamutFromPatches.ts';

const D65 = xyToXyz([0.3127, 0.329]);
const TO_XYZ = rgbToXyz(GAMUTS.bt2020);

/** Our own board as a simulated camera films it: means over noisy pixels, decoded by its profile. */
const filmed = (gamut: GamutId): ChartPatch[] => {
  const profile = { ...ARCHETYPES.wideLog, gamut };
  const s = settings({ profile });
  const compiled = compileProfile(profile);
  const side = 24;
  return BOARD_PATCHES.map(({ name: id, reflectance: rgb }) => {
    const light = new Float32Array(3 * side * side);
    rgb.forEach((v, c) => light.fill(v * whiteFor(s), c * side * side, (c + 1) * side * side));
    const frame = expose({ width: side, height: side, rgb: light }, body, s, 5);
    const channel = (plane: ArrayLike<number>) => {
      const mean = Array.from(plane).reduce((sum, v) => sum + v, 0) / plane.length;
      return compiled.transfer.decode(codeToSignal(mean, frame));
    };
    return {
      name: id,
      rgb: [channel(frame.r), channel(frame.g), channel(frame.b)],
      xyz: apply(TO_XYZ, rgb as Triple),
    };
  });
};

const solved = (patches: readonly ChartPatch[]) => {
  const fit = gamutFromPatches(patches, D65, 'found');
  if (!fit.ok) throw new Error(fit.reason);
  return fit.value;
};

describe('a gamut from a chart', () => {
  it.each(['bt709', 'bt2020', 'p3d65'] as const)(
    'of a simulated camera in %s: held-out patches within 1.5',
    (id) => {
      const patches = filmed(id);
      const seen = patches.filter((_, i) => i % 3 !== 0);
      const unseen = patches.filter((_, i) => i % 3 === 0);
      const { gamut, leftOutMean } = solved(seen);
      expect(leftOutMean).toBeLessThan(1.5);
      const matrix = rgbToXyz(gamut);
      const off = unseen.map(({ rgb, xyz }) =>
        deltaE2000(xyzToLab(apply(matrix, rgb), D65), xyzToLab(xyz, D65)),
      );
      expect(off.reduce((sum, v) => sum + v, 0) / off.length).toBeLessThan(1.5);
    },
  );

  it('finds primaries again from exact patches, whatever exposure and balance were', () => {
    const back = invert(rgbToXyz(gamutOf('p3d65')));
    const patches = BOARD_PATCHES.map(({ name: id, reflectance: rgb }) => {
      const xyz = apply(TO_XYZ, rgb as Triple);
      const [r, g, b] = apply(back, xyz);
      return { name: id, rgb: [2.6 * r, 2.4 * g, 2.9 * b] as Triple, xyz };
    });
    const { gamut, mean } = solved(patches);
    for (const corner of ['red', 'green', 'blue', 'white'] as const)
      gamut[corner].forEach((v, i) => expect(v).toBeCloseTo(GAMUTS.p3d65[corner][i], 3));
    expect(mean).toBeLessThan(0.05);
  });

  it('says by a patch that it has not seen how far it can be trusted: noise shows there', () => {
    const normal = gaussian(seededRandom(4));
    const noisy = filmed('bt709').map((patch) => ({
      ...patch,
      rgb: patch.rgb.map((v) => v * (1 + 0.05 * normal())) as unknown as Triple,
    }));
    const { mean, leftOutMean } = solved(noisy);
    expect(leftOutMean).toBeGreaterThan(mean);
    expect(mean).toBeGreaterThan(1);
  });

  it.each<[string, readonly ChartPatch[], RegExp]>([
    ['too few', filmed('bt709').slice(0, 5), /5 patches; at least 6/],
    [
      'greys alone',
      Array.from({ length: 8 }, (_, i) => ({
        name: `grey ${i}`,
        rgb: [i + 1, i + 1, i + 1] as Triple,
        xyz: D65.map((v) => v * (i + 1)) as unknown as Triple,
      })),
      /do not span/,
    ],
    [
      'no neutral',
      filmed('bt709').map((patch) => ({
        ...patch,
        xyz: [patch.xyz[0] * 1.6, patch.xyz[1], patch.xyz[2]] as Triple,
      })),
      /No patch is neutral/,
    ],
    [
      'no number',
      filmed('bt709').map((patch, i) => (i === 3 ? { ...patch, rgb: [Number.NaN, 0, 0] as Triple } : patch)),
      /no number/,
    ],
  ])('%s is refused in a sentence', (_, patches, reason) => {
    const fit = gamutFromPatches(patches, D65, 'x');
    expect(fit.ok).toBe(false);
    if (!fit.ok) expect(fit.reason).toMatch(reason);
  });
});

describe('a 3 x 3', () => {
  it('to XYZ is the gamut whose matrix it is', () => {
    const gamut = gamutOfMatrix(rgbToXyz(GAMUTS.bt2020), 'm');
    if (!gamut.ok) throw new Error(gamut.reason);
    gamut.value.green.forEach((v, i) => expect(v).toBeCloseTo(GAMUTS.bt2020.green[i], 9));
  });

  it('to another gamut is taken through that one', () => {
    const m: Matrix3 = multiply(invert(rgbToXyz(GAMUTS.bt709)), rgbToXyz(GAMUTS.p3d65));
    const gamut = gamutThrough(m, GAMUTS.bt709, 'm');
    if (!gamut.ok) throw new Error(gamut.reason);
    gamut.value.red.forEach((v, i) => expect(v).toBeCloseTo(GAMUTS.p3d65.red[i], 9));
  });

  it('that makes no triangle is refused', () => {
    expect(gamutOfMatrix([1, 0, 0, 1, 0, 0, 1, 0, 0], 'm').ok).toBe(false);
    expect(gamutOfMatrix([Number.NaN, 0, 0, 0, 1, 0, 0, 0, 1], 'm').ok).toBe(false);
  });
});

describe('a chart’s file', () => {
  const light = { xy: [0.4476, 0.4074], kelvin: 2856 } as const;

  it('with XYZ, names and what the camera read', () => {
    const chart = readChart('patch,R,G,B,X,Y,Z\nred,10,2,1,20,12,3\nwhite,90,90,90,95,100,108\n', light);
    if (!chart.ok) throw new Error(chart.reason);
    expect(chart.value.rows[0]).toEqual({ name: 'red', xyz: [20, 12, 3], read: [10, 2, 1] });
    expect(chart.value.white).toEqual([95, 100, 108]);
  });

  it('with reflectances is seen in the light of a lamp: a perfect white is illuminant A at 2856 K', () => {
    const waves = Array.from({ length: 41 }, (_, i) => 380 + 10 * i);
    const chart = readChart(`name,${waves.join(',')}\npaper,${waves.map(() => 80).join(',')}\n`, light);
    if (!chart.ok) throw new Error(chart.reason);
    const [x, y, z] = chart.value.white;
    // CIE illuminant A, CIE 015:2018 table 3: x 0.44758, y 0.40745; here by ten-nanometre steps.
    expect(x / (x + y + z)).toBeCloseTo(0.4476, 3);
    expect(y / (x + y + z)).toBeCloseTo(0.4075, 3);
    expect(chart.value.rows[0].xyz[1]).toBeCloseTo(0.8, 9);
  });

  it.each([
    ['no columns', 'a,b\n1,2\n', /needs columns X, Y, Z/],
    ['a missing value', 'n,X,Y,Z\nred,1,,3\n', /Row 2, red: a value is missing/],
  ])('%s is refused in a sentence', (_, text, reason) => {
    const chart = readChart(text, light);
    expect(!chart.ok && chart.reason).toMatch(reason);
  });

  it('with reflectances under daylight is refused: its spectrum is not held here', () => {
    const heading = Array.from({ length: 9 }, (_, i) => 400 + 30 * i).join(',');
    const chart = readChart(`name,${heading}\npaper,${'0.8,'.repeat(8)}0.8\n`, { xy: [0.3127, 0.329] });
    expect(chart).toMatchObject({ ok: false, where: 'light' });
  });
});
