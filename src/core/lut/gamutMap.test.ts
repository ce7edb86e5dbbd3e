import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gamutMatrix, gamutOf, rgbToXyz, UNKNOWN_GAMUT, type GamutId } from '../colour/gamut.ts';
import { xyzToLab, type Lab } from '../colour/lab.ts';
import { apply, type Triple } from '../maths/matrix.ts';
import { ARCHETYPES } from '../profile/index.ts';
import { COMPRESS_FROM } from './compressFrom.ts';
import { compileGamutMap, distanceFromGrey } from './gamutMap.ts';
import { monitoringRecipe } from './monitoring.ts';
import { compileRecipe } from './recipe.ts';

const plain = { kind: 'compress', from: COMPRESS_FROM.plain } as const;

const moved = (rgb: Triple, move: ((rgb: Float64Array) => void) | undefined): Triple => {
  const out = Float64Array.from(rgb);
  move?.(out);
  return [out[0], out[1], out[2]];
};

/** L*a*b* of linear RGB. */
const labOf = (rgb: Triple, of: GamutId): Lab => {
  const matrix = rgbToXyz(gamutOf(of));
  return xyzToLab(apply(matrix, rgb), apply(matrix, [1, 1, 1]));
};

/** h' of CIEDE2000, degrees: a* drawn out by G, which hangs on the chroma of the pair (CIE 142-2001, clause 2). */
const hues = (one: Lab, other: Lab): readonly [number, number] => {
  const chroma = (Math.hypot(one[1], one[2]) + Math.hypot(other[1], other[2])) / 2;
  const g = 0.5 * (1 - Math.sqrt(chroma ** 7 / (chroma ** 7 + 25 ** 7)));
  const hue = ([, a, b]: Lab) => (Math.atan2(b, (1 + g) * a) * 180) / Math.PI;
  return [hue(one), hue(other)];
};

const turned = (one: Lab, other: Lab): number => {
  const [a, b] = hues(one, other);
  return Math.abs(((a - b + 540) % 360) - 180);
};

/** Saturated lamps in BT.2020 light: one channel or two, nearly pure. */
const LAMPS: readonly (readonly [string, Triple])[] = [
  ['red', [1, 0.02, 0.01]],
  ['orange', [1, 0.35, 0.01]],
  ['green', [0.03, 1, 0.05]],
  ['cyan', [0.02, 0.9, 1]],
  ['blue', [0.03, 0.05, 1]],
  ['violet', [0.4, 0.02, 1]],
  ['magenta', [1, 0.03, 0.6]],
];
const to709 = gamutMatrix('bt2020', 'bt709');
const map = compileGamutMap(plain, 'bt2020', 'bt709');
const cut = (rgb: Triple): Triple => [Math.max(0, rgb[0]), Math.max(0, rgb[1]), Math.max(0, rgb[2])];

describe('colours towards grey', () => {
  it.each(LAMPS)('a %s lamp keeps its hue within 3 degrees at any exposure, and lands inside', (_, lamp) => {
    for (const exposure of [0.05, 0.5, 4]) {
      const light = apply(to709, lamp.map((v) => v * exposure) as unknown as Triple);
      const shown = moved(light, map?.compress);
      expect(Math.min(...shown)).toBeGreaterThanOrEqual(-1e-3 * Math.max(...shown));
      expect(turned(labOf(light, 'bt709'), labOf(shown, 'bt709'))).toBeLessThan(3);
      expect(labOf(shown, 'bt709')[0]).toBeCloseTo(labOf(light, 'bt709')[0], 1);
    }
  });

  it('cut at 0 channel by channel, several of them turn by more: what it is offered against', () => {
    const off = LAMPS.filter(([, lamp]) => {
      const light = apply(to709, lamp);
      return turned(labOf(light, 'bt709'), labOf(cut(light), 'bt709')) > 3;
    });
    expect(off.length).toBeGreaterThanOrEqual(3);
  });

  it.each(LAMPS)('a %s lamp that fades to white stays apart step by step: no flat patch', (_, lamp) => {
    let before = Infinity;
    for (let white = 0; white <= 1; white += 0.02) {
      const mixed = lamp.map((v) => v + (1 - v) * white) as unknown as Triple;
      const distance = distanceFromGrey(...moved(apply(to709, mixed), map?.compress));
      expect(distance).toBeLessThan(before);
      before = distance;
    }
  });

  it('leaves what is inside exactly as it is, neutrals first', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 20, noNaN: true }),
        fc.double({ min: 1 - COMPRESS_FROM.plain, max: 1, noNaN: true }),
        fc.double({ min: 1 - COMPRESS_FROM.plain, max: 1, noNaN: true }),
        (most, b, c) => {
          const inside: Triple = [most, most * b, most * c];
          expect(moved(inside, map?.compress)).toEqual(inside);
        },
      ),
    );
  });

  it('is undone: open after compress is where it was', () => {
    for (const [, lamp] of LAMPS) {
      const light = apply(to709, lamp);
      const back = moved(moved(light, map?.compress), map?.open);
      // Near the edge a small step inside is a large one outside.
      back.forEach((v, i) => expect(v).toBeCloseTo(light[i], 1));
    }
  });

  it('is nothing where the gamut is unknown, or reaches no further than the output', () => {
    expect(compileGamutMap(plain, UNKNOWN_GAMUT, 'bt709')).toBeUndefined();
    expect(compileGamutMap(plain, 'bt709', 'bt709')).toBeUndefined();
    expect(compileGamutMap(plain, 'bt709', 'bt2020')).toBeUndefined();
    expect(compileGamutMap(undefined, 'bt2020', 'bt709')).toBeUndefined();
  });

  it.each(['bt709', 'bt2020'] as const)(
    'takes any codes at all, to %s, without a number that is none',
    (to) => {
      const wide = compileGamutMap(plain, 'acesAp0', to);
      const any = fc.double({ min: -5, max: 50, noNaN: true });
      fc.assert(
        fc.property(any, any, any, (r, g, b) => {
          expect(moved([r, g, b], wide?.compress).every(Number.isFinite)).toBe(true);
        }),
      );
    },
  );
});

describe('in a recipe', () => {
  const recipe = monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 0 });
  const cutRecipe = compileRecipe(recipe);
  const compressed = compileRecipe({ ...recipe, gamutMap: plain });

  it('neutrals come out the same', () => {
    for (const signal of [0.1, 0.41, 0.7, 0.94])
      expect(compressed.rgb([signal, signal, signal])).toEqual(cutRecipe.rgb([signal, signal, signal]));
  });

  it('a saturated blue is another colour, not the cut one', () => {
    const blue: Triple = [0.15, 0.2, 0.6];
    expect(compressed.rgb(blue)).not.toEqual(cutRecipe.rgb(blue));
  });

  it('an unknown gamut leaves the matrix out', () => {
    const unknown = compileRecipe({ ...recipe, profile: { ...ARCHETYPES.wideLog, gamut: UNKNOWN_GAMUT } });
    const plain709 = compileRecipe({ ...recipe, profile: { ...ARCHETYPES.wideLog, gamut: 'bt709' } });
    expect(unknown.rgb([0.5, 0.4, 0.3])).toEqual(plain709.rgb([0.5, 0.4, 0.3]));
  });
});
