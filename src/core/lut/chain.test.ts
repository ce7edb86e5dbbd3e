import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPE_IDS, ARCHETYPES, compileProfile } from '../profile/index.ts';
import { bake, bakeCurves, bakeLosses, isSeparable, shaperFor, shaperPays } from './bake.ts';
import { compileChain, type ChainStep } from './chain.ts';
import { onScale } from './cubeScale.ts';
import { invertCurves } from './invert.ts';
import { compileLut, UNIT_DOMAIN, type Lut } from './lut.ts';
import { monitoringRecipe } from './monitoring.ts';
import { compileNodes } from './node.ts';
import { OUTPUT_IDS, OUTPUTS } from './outputs.ts';
import { compileRecipe } from './recipe.ts';
import { recipeLattice } from './recipeLattice.ts';
import { TONE_PRESET_IDS, TONE_PRESETS } from './toneScale.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const unit = fc.double({ min: 0, max: 1, noNaN: true });
const triple = fc.tuple(unit, unit, unit);
const wide = ARCHETYPES.wideLog;
const recipe = monitoringRecipe({ profile: wide, pullStops: 0 });

const lookOf = (transform: (rgb: Triple) => Triple, intensity = 1): ChainStep => ({
  kind: 'lut',
  name: 'look',
  nodes: bake(transform, 33),
  scale: 'signal',
  coding,
  interpolation: 'tetrahedral',
  intensity,
});
const close = (a: Triple, b: Triple, digits = 6) => a.forEach((v, i) => expect(v).toBeCloseTo(b[i], digits));

describe('a chain', () => {
  it('pulled before a conversion is the conversion with that pull', () => {
    for (const id of ARCHETYPE_IDS) {
      const profile = ARCHETYPES[id];
      const top = compileProfile(profile).clipSignal;
      const pulled = compileChain([
        { kind: 'exposure', profile, stops: -4 / 3 },
        { kind: 'conversion', recipe: { ...monitoringRecipe({ profile, pullStops: 0 }), output: 'hlg' } },
      ]);
      // The clip is another one after the pull; HLG leaves room under it, so that nothing is rolled off differently.
      const once = compileRecipe({ ...monitoringRecipe({ profile, pullStops: 4 / 3 }), output: 'hlg' });
      fc.assert(
        fc.property(fc.double({ min: 0, max: Math.min(0.6, top), noNaN: true }), (v) =>
          close(pulled([v, v, v]), once.rgb([v, v, v]), 4),
        ),
        { numRuns: 30 },
      );
    }
  });

  it('in log, exposure is an offset of the code above the toe (domain: c log10(2) a stop)', () => {
    const { curve } = wide;
    if (curve.kind !== 'log') throw new Error('wide log is a log');
    const step = curve.coefficients.c * Math.log10(2);
    const up = compileChain([{ kind: 'exposure', profile: wide, stops: 1 }]);
    expect(up([0.6, 0.6, 0.6])[0] - 0.6).toBeCloseTo(step, 2);
    // A clipped tone stays where it is when light is added, and falls as a whole when it is taken off.
    const { clipSignal, signalAt } = compileProfile(wide);
    expect(up([clipSignal, clipSignal, clipSignal])[0]).toBe(clipSignal);
    const down = compileChain([{ kind: 'exposure', profile: wide, stops: -1 }]);
    expect(down([1.05, 1.05, 1.05])[0]).toBeCloseTo(signalAt(5), 9);
  });

  it('has a look at 0 % as nothing, at 50 % half way, at 100 % whole', () => {
    const bent = (rgb: Triple): Triple => [rgb[0] ** 2, rgb[1], 1 - rgb[2]];
    const at = (intensity: number) => compileChain([lookOf(bent, intensity)]);
    fc.assert(
      fc.property(triple, (rgb) => {
        close(at(0)(rgb), rgb);
        const [none, half, all] = [at(0)(rgb), at(0.5)(rgb), at(1)(rgb)];
        close(half, none.map((v, i) => (v + all[i]) / 2) as unknown as Triple);
      }),
      { numRuns: 30 },
    );
  });

  it('goes back from the picture to the recording, for a look that expects log, with every output and preset', () => {
    for (const output of OUTPUT_IDS)
      for (const preset of TONE_PRESET_IDS)
        for (const saturation of [1, 1.2]) {
          const own = {
            ...recipe,
            output,
            peak: OUTPUTS[output].peaks[0],
            tone: TONE_PRESETS[preset].tone,
            saturation,
          };
          const there = compileChain([{ kind: 'conversion', recipe: own }]);
          const round = compileChain([
            { kind: 'conversion', recipe: own },
            { kind: 'back', recipe: own },
          ]);
          // Colours that no output holds at an end: from four stops under grey to where white still has room.
          for (const rgb of [
            [0.41, 0.41, 0.41],
            [0.3, 0.32, 0.31],
            [0.5, 0.47, 0.45],
            [0.15, 0.15, 0.16],
          ] as Triple[]) {
            expect(there(rgb).every((v) => v > 0 && v < 1)).toBe(true);
            close(round(rgb), rgb, 6);
          }
        }
  });
});

describe('baking', () => {
  const exact = onScale(compileRecipe({ ...recipe, pullStops: 1 }).rgb, 'code', coding);

  it('a recipe point by point and by planes is one', () => {
    for (const output of OUTPUT_IDS) {
      const own = { ...recipe, output, peak: 1000, saturation: 1.1 };
      const lattice = recipeLattice(own, 'code', coding, 9);
      const [cube] = bake(onScale(compileRecipe(own).rgb, 'code', coding), 9);
      if (cube.kind !== 'cube') throw new Error('not a cube');
      lattice.data.forEach((v, i) => expect(v).toBeCloseTo(cube.lattice.data[i], 6));
    }
  });

  it('loses less with every size', () => {
    const losses = bakeLosses(exact, 'bt1886');
    const plain = losses.filter(({ shaped }) => !shaped);
    expect(plain.map(({ size }) => size)).toEqual([17, 33, 65]);
    for (let i = 1; i < plain.length; i += 1) {
      expect(plain[i].loss.mean).toBeLessThan(plain[i - 1].loss.mean / 2);
      expect(plain[i].loss.stops).toBeLessThan(plain[i - 1].loss.stops);
    }
  });

  it('a shaper rises from 0 to 1, and its nodes are the transform at their points', () => {
    const shaper = shaperFor(exact);
    expect(shaper[0]).toBe(0);
    expect(shaper.at(-1)).toBe(1);
    shaper.forEach((v, i) => i > 0 && expect(v).toBeGreaterThan(shaper[i - 1]));
    const nodes = bake(exact, 17, shaper);
    expect(nodes.map(({ kind }) => kind)).toEqual(['curves', 'cube']);
    const run = compileNodes(nodes);
    for (const v of [0, 0.25, 0.5, 1])
      run([v, v, v]).forEach((x, c) => expect(x).toBeCloseTo(exact([v, v, v])[c], 2));
  });

  it('a shaper pays for linear light and does not for what is even already', () => {
    const linear = {
      gamut: 'bt709' as const,
      clipStops: 6,
      curve: { kind: 'standard' as const, transfer: 'linear' as const, gain: 0.08 },
    };
    const pays = (profile: typeof linear | typeof ARCHETYPES.classicLog) => {
      const run = compileRecipe(monitoringRecipe({ profile, pullStops: 0 })).rgb;
      const [plain, shaped] = bakeLosses(run, 'bt1886', undefined, [33]).map(({ loss }) => loss);
      return shaperPays(plain, shaped);
    };
    expect(pays(linear)).toBe(true);
    expect(pays(ARCHETYPES.classicLog)).toBe(false);
  });

  it('is one-dimensional where channels do not mix', () => {
    const apart = compileRecipe(monitoringRecipe({ profile: ARCHETYPES.classicLog, pullStops: 0 }));
    expect(apart.channel).toBeDefined();
    expect(isSeparable(apart.rgb)).toBe(true);
    const mixed = compileRecipe({
      ...monitoringRecipe({ profile: ARCHETYPES.classicLog, pullStops: 0 }),
      saturation: 1.02,
    });
    expect(mixed.channel).toBeUndefined();
    expect(isSeparable(mixed.rgb)).toBe(false);
    const curves = compileLut(bakeCurves(apart.rgb));
    fc.assert(fc.property(triple, (rgb) => close(curves(rgb), apart.rgb(rgb), 4)));
  });
});

describe('a 1D LUT the other way round', () => {
  const curves = (f: (v: number) => number, n = 1024): Extract<Lut, { kind: 'curves' }> => ({
    kind: 'curves',
    domain: UNIT_DOMAIN,
    curves: [0, 1, 2].map(() => Float32Array.from({ length: n }, (_, i) => f(i / (n - 1)))) as unknown as [
      Float32Array,
      Float32Array,
      Float32Array,
    ],
  });

  it('undoes it, on whatever range it puts out', () => {
    const there = curves((v) => 0.1 + 0.7 * v ** 0.6);
    const back = invertCurves(there);
    if (!back.ok) throw new Error(back.reason);
    const [run, undo] = [compileLut(there), compileLut(back.value)];
    expect(back.value.domain.min[0]).toBeCloseTo(0.1, 6);
    expect(back.value.domain.max[0]).toBeCloseTo(0.8, 6);
    for (let v = 0.02; v <= 1; v += 0.01) expect(undo(run([v, v, v]))[1]).toBeCloseTo(v, 4);
  });

  it('takes the darkest where it is level, and names where it falls', () => {
    const level = invertCurves(curves((v) => Math.min(0.5, v)));
    expect(level.ok && compileLut(level.value)([0.5, 0.5, 0.5])[0]).toBeCloseTo(0.5, 2);
    const falls = invertCurves(curves((v) => v - 0.3 * Math.max(0, v - 0.5) * 4));
    expect(falls).toMatchObject({ ok: false, where: expect.stringMatching(/red, row 51\d/) });
    expect(invertCurves(curves(() => 0.3))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('level'),
    });
  });
});
