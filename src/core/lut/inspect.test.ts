import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPES, type ArchetypeId } from '../profile/index.ts';
import { bake } from './bake.ts';
import { onScale } from './cubeScale.ts';
import { guessInput } from './inputKind.ts';
import { inspectLut, type InspectOptions } from './inspect.ts';
import { judgeLut } from '../verdict/lutVerdicts.ts';
import { monitoringRecipe } from './monitoring.ts';
import { compileRecipe, type LutRecipe } from './recipe.ts';
import { TONE_PRESETS } from './toneScale.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const tones = [
  { name: 'card', over: 0 },
  { name: 'Ana', over: 1.2 },
];
const recipeFor = (id: ArchetypeId, pullStops = 0): LutRecipe =>
  monitoringRecipe({ profile: ARCHETYPES[id], pullStops });

const report = (transform: (rgb: Triple) => Triple, options: Partial<InspectOptions> = {}, size = 17) =>
  inspectLut({
    nodes: bake(transform, size),
    scale: 'signal',
    coding,
    interpolation: 'tetrahedral',
    output: 'bt1886',
    profile: ARCHETYPES.wideLog,
    placement: 0,
    tones,
    ...options,
  });
const each =
  (f: (v: number) => number) =>
  ([r, g, b]: Triple): Triple => [f(r), f(g), f(b)];
const said = (found: ReturnType<typeof report>, id: string, profile: ArchetypeId = 'wideLog') =>
  judgeLut(found, {
    profileName: ARCHETYPES[profile].name,
    profile: ARCHETYPES[profile],
    clipStops: ARCHETYPES[profile].clipStops,
  }).find((verdict) => verdict.id === id);

describe('the kind of input', () => {
  it.each<ArchetypeId>(['wideLog', 'classicLog', 'mildLog'])(
    'of a conversion from %s is log, whatever the pull and the tone scale',
    (id) => {
      for (const pull of [-1, 0, 1])
        for (const preset of ['plain', 'firm', 'soft'] as const) {
          const { neutral } = compileRecipe({ ...recipeFor(id, pull), tone: TONE_PRESETS[preset].tone });
          expect(guessInput(neutral, 'bt1886').kind).toBe('log');
        }
    },
  );

  // Pulled or bent, their conversions are hardly to be told from a look.
  it.each<ArchetypeId>(['cineFlat', 'hlg'])('of the plain conversion from %s is a flat profile', (id) => {
    const guess = guessInput(compileRecipe(recipeFor(id)).neutral, 'bt1886');
    expect(guess.kind).toBe('log');
    expect(guess.like).toBe(id);
  });

  it('of looks is a display picture, of a decoding curve linear light', () => {
    expect(guessInput((v) => v, 'bt1886').kind).toBe('display');
    expect(guessInput((v) => Math.min(1, 1.05 * v ** 1.15), 'bt1886').kind).toBe('display');
    // The square-root-like curve of video on light of 0..1 (BT.709-6 clause 1.2).
    expect(guessInput((v) => (v < 0.018 ? 4.5 * v : 1.099 * v ** 0.45 - 0.099), 'bt1886').kind).toBe(
      'linear',
    );
  });

  it('gives where grey lies: a wide log at 41 % of full code', () => {
    const { neutral } = compileRecipe(recipeFor('wideLog'));
    const { grey } = guessInput(neutral, 'bt1886');
    expect(100 * (grey as number)).toBeCloseTo((100 * (0.41 * 1023 - 64)) / 876, 1);
  });
});

describe('an inspected LUT', () => {
  it('that fits holds, and says where card and skin land', () => {
    const found = report(compileRecipe(recipeFor('wideLog', 1)).rgb, { placement: 1 }, 33);
    const [card, skin] = found.landings;
    expect(card.out).toBeCloseTo(0.45, 2);
    expect(card.seen).toBeCloseTo(0, 1);
    expect(skin.seen).toBeCloseTo(1.2, 1);
    expect(said(found, 'feed')).toMatchObject({ state: 'holds', figure: expect.stringMatching(/0\.0/) });
    expect(said(found, 'order')?.state).toBe('holds');
    expect(said(found, 'neutral')?.state).toBe('holds');
    expect(said(found, 'legal')?.state).toBe('holds');
  });

  it('made for another log says how far skin would be off', () => {
    const found = report(compileRecipe(recipeFor('wideLog')).rgb, { profile: ARCHETYPES.classicLog }, 33);
    const verdict = said(found, 'feed', 'classicLog');
    // By hand: the card of a classic log reads 32 %, which is this far under grey on a wide log whose grey is
    // at 40.6 %.
    const { neutral, inverse } = compileRecipe(recipeFor('classicLog'));
    const under = inverse(compileRecipe(recipeFor('wideLog')).neutral(0.32));
    expect(neutral(under)).toBeCloseTo(found.landings[0].out, 2);
    expect(verdict).toMatchObject({ state: 'lost', title: 'Made for another curve' });
    expect(verdict?.advice).toBe(
      'Expects log with grey near 41\u00a0%; you feed classic log: card would sit 1 under, Ana 2/3 under.',
    );
  });

  it('without the pull of the placement is right in kind and wrong in level', () => {
    const found = report(compileRecipe(recipeFor('wideLog')).rgb, { placement: 0.5 }, 33);
    expect(said(found, 'feed')).toMatchObject({ state: 'watch', title: 'Right curve, wrong level' });
    expect(found.landings[0].seen).toBeCloseTo(0.5, 1);
  });

  it('that expects a display picture is named as such on log', () => {
    const look = report(
      each((v) => v ** 1.1),
      { profile: ARCHETYPES.classicLog },
    );
    expect(said(look, 'feed', 'classicLog')).toMatchObject({
      state: 'lost',
      title: 'Made for another kind of picture',
    });
    expect(said(look, 'feed', 'classicLog')?.advice).toContain('a display picture');
  });

  it('reads by code where it is made so', () => {
    const rgb = onScale(compileRecipe(recipeFor('wideLog')).rgb, 'code', coding);
    const found = report(rgb, { scale: 'code' }, 33);
    expect(found.landings[0].out).toBeCloseTo(0.45, 2);
    expect(found.guess.grey).toBeCloseTo(
      report(compileRecipe(recipeFor('wideLog')).rgb, {}, 33).guess.grey as number,
      2,
    );
    expect(found.range[0]).toBeCloseTo(0, 2);
    expect(found.range[1]).toBeCloseTo(1, 2);
  });

  it('that falls, folds, tints or leaves the range is told of', () => {
    const falling = report(
      each((v) => v + 0.2 * Math.sin(6 * v)),
      {},
      33,
    );
    expect(falling.falls?.at).toBeGreaterThan(0.2);
    expect(said(falling, 'order')).toMatchObject({ state: 'lost', title: 'Greys fall' });
    const folding = report(([r, g, b]) => [r + 0.6 * (g - r) * (r > g ? 2 : 0), g, b]);
    expect(folding.falls).toBeUndefined();
    expect(said(folding, 'order')?.title).toBe('Colours fold over');
    const warm = report(([r, g, b]) => [r, g, 0.85 * b]);
    expect(said(warm, 'neutral')).toMatchObject({ state: 'watch' });
    expect(warm.tinge.delta).toBeGreaterThan(5);
    const hot = report(each((v) => 1.2 * v - 0.1));
    expect(hot.range[0]).toBeCloseTo(-0.1, 5);
    expect(hot.range[1]).toBeCloseTo(1.1, 5);
    expect(said(hot, 'legal')?.state).toBe('lost');
    expect(said(report(each((v) => 1.02 * v)), 'legal')?.state).toBe('watch');
  });

  it('that keeps a clipped tone low warns of it, and says which stops look alike', () => {
    const low = report(each((v) => 0.7 * v));
    expect(said(low, 'whites')?.title).toBe('Clipped areas look safe');
    const flat = report(
      each((v) => Math.min(1, v / 0.7)),
      {},
      65,
    );
    const verdict = said(flat, 'whites');
    expect(verdict?.title).toBe('Flattens the top stops');
    // 70 % of signal on a wide log.
    expect(flat.whiteStops).toBeGreaterThan(3);
    expect(flat.whiteStops).toBeLessThan(3.7);
    const crushed = report(
      each((v) => Math.max(0, (v - 0.3) / 0.7)),
      {},
      65,
    );
    expect(said(crushed, 'blacks')?.state).toBe('watch');
  });

  it('for HDR is judged by its own light: what clips is bright at 75 % of PQ', () => {
    for (const output of ['hlg', 'pq'] as const) {
      const recipe = { ...recipeFor('wideLog', 1), output, peak: 1000 };
      const found = report(compileRecipe(recipe).rgb, { output, placement: 1 }, 33);
      expect(said(found, 'whites')?.title).toBe('Shows tones to the clip');
      expect(said(found, 'feed')?.state).toBe('holds');
      expect(found.pull).toBeCloseTo(1, 1);
    }
  });

  it('with a kink or with few points is told of', () => {
    expect(said(report(each((v) => (v < 0.5 ? 0.2 * v : 0.1 + 1.8 * (v - 0.5)))), 'smooth')?.state).toBe(
      'watch',
    );
    expect(said(report(each((v) => v)), 'smooth')?.state).toBe('holds');
    const rough = report(compileRecipe(recipeFor('wideLog', 1)).rgb, {}, 9);
    const fine = report(compileRecipe(recipeFor('wideLog', 1)).rgb, {}, 65);
    expect(rough.halved?.worst).toBeGreaterThan(4 * (fine.halved?.worst as number));
    expect(said(rough, 'points')?.state).not.toBe('holds');
  });
});

describe('whatever rises', () => {
  const rising = fc
    .array(fc.double({ min: 0.001, max: 1, noNaN: true }), { minLength: 9, maxLength: 9 })
    .map((steps) => {
      const sums = steps.reduce<number[]>((all, step) => [...all, (all.at(-1) ?? 0) + step], []);
      return sums.map((v) => (v - sums[0]) / (sums[8] - sums[0]));
    });

  it('never falls, folds or tints, and its tones land in order', () => {
    fc.assert(
      fc.property(rising, (points) => {
        const at = (v: number) => {
          const place = Math.min(0.999999, Math.max(0, v)) * 8;
          const low = Math.floor(place);
          return points[low] + (place - low) * (points[low + 1] - points[low]);
        };
        const found = report(each(at), {}, 9);
        expect(found.falls).toBeUndefined();
        expect(found.folds).toBe(0);
        expect(found.tinge.delta).toBeLessThan(0.1);
        expect(found.outside).toBe(0);
        expect(found.landings[1].out).toBeGreaterThanOrEqual(found.landings[0].out);
        expect(
          judgeLut(found, { profileName: 'wide log', profile: ARCHETYPES.wideLog, clipStops: 6 }).every(
            ({ title }) => title.split(' ').length <= 6,
          ),
        ).toBe(true);
      }),
      { numRuns: 25 },
    );
  });
});
