import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TRANSFERS } from '../transfer/index.ts';
import { ARCHETYPE_IDS, ARCHETYPES, compileProfile } from '../profile/index.ts';
import { MIDDLE_GREY, stopsToReflectance } from '../units.ts';
import { monotoneSpline } from './monotoneSpline.ts';
import { OUTPUT_IDS, OUTPUTS, outputOf, type OutputId } from './outputs.ts';
import { compileRecipe, type LutRecipe } from './recipe.ts';
import {
  compileTone,
  PLAIN_TONE,
  TONE_LIMITS,
  TONE_PRESET_IDS,
  TONE_PRESETS,
  type ToneScale,
} from './toneScale.ts';

const between = ({ min, max }: { min: number; max: number }) => fc.double({ min, max, noNaN: true });
const sliders: fc.Arbitrary<ToneScale> = fc.record(
  {
    grey: between(TONE_LIMITS.grey),
    white: between(TONE_LIMITS.white),
    contrast: between(TONE_LIMITS.contrast),
    toe: between(TONE_LIMITS.toe),
    shoulder: between(TONE_LIMITS.shoulder),
  },
  { requiredKeys: ['contrast', 'toe', 'shoulder'] },
);
const outputs = fc.constantFrom(...OUTPUT_IDS);
const clips = between({ min: 1, max: 9 });

describe('a monotone spline', () => {
  const knots = fc
    .array(
      fc.tuple(between({ min: 0.2, max: 2 }), between({ min: 0.2, max: 2 }), between({ min: 0.01, max: 5 })),
      { minLength: 2, maxLength: 6 },
    ) // prettier-ignore
    .map((steps) => {
      let [x, y] = [0, 0];
      return steps.map(([dx, dy, slope]) => {
        x += dx;
        y += dy;
        return { x, y, slope };
      });
    });

  it('passes its knots, rises everywhere, has their slopes, and is undone by its inverse', () => {
    fc.assert(
      fc.property(knots, (points) => {
        const { at, inverse } = monotoneSpline(points);
        for (const { x, y, slope } of points) {
          expect(at(x)).toBeCloseTo(y, 9);
          expect((at(x + 1e-6) - at(x - 1e-6)) / 2e-6).toBeCloseTo(slope, 2);
        }
        const [from, to] = [points[0].x - 1, points[points.length - 1].x + 1];
        let before = -Infinity;
        for (let i = 0; i <= 200; i += 1) {
          const x = from + ((to - from) * i) / 200;
          expect(at(x)).toBeGreaterThan(before);
          before = at(x);
          expect(inverse(before)).toBeCloseTo(x, 5);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('is a straight line between knots that lie on one', () => {
    const { at } = monotoneSpline([
      { x: 0, y: 1, slope: 2 },
      { x: 3, y: 7, slope: 2 },
    ]);
    for (const x of [-1, 0, 0.3, 2.9, 5]) expect(at(x)).toBeCloseTo(1 + 2 * x, 12);
  });

  it('refuses knots that do not rise, and slopes that fall', () => {
    const first = { x: 0, y: 0, slope: 1 };
    expect(() => monotoneSpline([first])).toThrow(RangeError);
    expect(() => monotoneSpline([first, { x: 1, y: 0, slope: 1 }])).toThrow(/rise/);
    expect(() => monotoneSpline([first, { x: 0, y: 1, slope: 1 }])).toThrow(/rise/);
    expect(() => monotoneSpline([first, { x: 1, y: 1, slope: -1 }])).toThrow(/negative/);
  });
});

describe('a tone scale', () => {
  it('never falls, for any slider, output and clip; stays between 0 and the top', () => {
    fc.assert(
      fc.property(sliders, outputs, clips, fc.constantFrom(600, 1000, 4000), (tone, id, clip, peak) => {
        const output = outputOf(id);
        const { neutral } = compileTone(tone, output, peak, clip);
        let before = -1;
        for (let stops = -12; stops <= clip + 1; stops += 0.1) {
          const signal = neutral(stopsToReflectance(stops));
          expect(signal).toBeGreaterThanOrEqual(before - 1e-12);
          expect(signal).toBeLessThanOrEqual(output.top(peak));
          before = signal;
        }
        // PQ has no code for no light at all: 7e-7 is its zero.
        expect(neutral(0)).toBeLessThan(1e-5);
        expect(neutral(-0.1)).toBe(neutral(0));
      }),
      { numRuns: 300 },
    );
  });

  it('puts grey where it is told, and white when it is told where there is room for it', () => {
    fc.assert(
      fc.property(sliders, outputs, (tone, id) => {
        const output = outputOf(id);
        const { neutral } = compileTone(tone, output, 1000, 6);
        expect(neutral(MIDDLE_GREY)).toBeCloseTo(tone.grey ?? output.grey, 9);
        const told = tone.white;
        if (told === undefined || told < (tone.grey ?? output.grey) + 0.1 || told > output.top(1000) - 0.02)
          return;
        expect(neutral(1)).toBeCloseTo(told, 6);
      }),
      { numRuns: 300 },
    );
  });

  it('has no corner where it bends', () => {
    fc.assert(
      fc.property(sliders, outputs, (tone, id) => {
        const { neutral } = compileTone(tone, outputOf(id), 1000, 6);
        const h = 1e-4;
        for (let stops = -4; stops < 5.9; stops += 0.05) {
          const slope = (at: number) =>
            (neutral(stopsToReflectance(at + h)) - neutral(stopsToReflectance(at - h))) / (2 * h);
          // HLG’s own curve changes its bend at 1/12; a corner would be a jump of slope between neighbours.
          expect(Math.abs(slope(stops + 2 * h) - slope(stops))).toBeLessThan(0.01);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('is undone by `light` below the top', () => {
    fc.assert(
      fc.property(sliders, outputs, (tone, id) => {
        const output = outputOf(id);
        const { neutral, light } = compileTone(tone, output, 1000, 6);
        for (const stops of [-3, -1, 0, 1, 2.4, 4]) {
          const signal = neutral(stopsToReflectance(stops));
          if (signal > 0.999 * output.top(1000)) continue;
          expect(Math.log2(light(signal) / MIDDLE_GREY)).toBeCloseTo(stops, 4);
        }
      }),
      { numRuns: 100 },
    );
  });

  it.each(TONE_PRESET_IDS)('preset %s ends at the top at the clip', (id) => {
    const { neutral } = compileTone(TONE_PRESETS[id].tone, OUTPUTS.bt1886, 100, 6);
    expect(neutral(stopsToReflectance(6))).toBeCloseTo(1, 6);
  });

  it('presets do what they are called', () => {
    const at = (id: keyof typeof TONE_PRESETS, stops: number) =>
      compileTone(TONE_PRESETS[id].tone, OUTPUTS.bt1886, 100, 6).neutral(stopsToReflectance(stops));
    expect(at('soft', -3)).toBeGreaterThan(at('plain', -3));
    expect(at('firm', -3)).toBeLessThan(at('plain', -3));
    expect(at('deep', -3)).toBeLessThan(at('plain', -3));
    expect(at('deep', 2)).toBeCloseTo(at('plain', 2), 9);
    // What is left for the upper three stops.
    expect(1 - at('guarded', 3)).toBeGreaterThan(1 - at('plain', 3));
    expect(at('even', 1.2)).toBeGreaterThanOrEqual(at('plain', 1.2));
    // A key side 1.2 over grey lands at 65..70 %: common practice, no source.
    expect(at('plain', 1.2)).toBeGreaterThan(0.65);
    expect(at('plain', 1.2)).toBeLessThan(0.7);
  });

  it('refuses what is no number', () => {
    expect(() => compileTone({ ...PLAIN_TONE, toe: Number.NaN }, OUTPUTS.bt1886, 100, 6)).toThrow(/toe/);
  });
});

// ITU-R BT.2408-7 table 1 [from memory]: percent of signal.
describe('HDR outputs', () => {
  const signalOf = (id: OutputId, reflectance: number) =>
    100 * compileTone(PLAIN_TONE, outputOf(id), 1000, 6).neutral(reflectance);

  it.each([
    ['grey card 18 %', 0.18, 38, 38],
    ['chart white 83 %', 0.83, 71, 56],
    ['diffuse white', 1, 75, 58],
  ])('%s: HLG and PQ as BT.2408 has them', (_, reflectance, ofHlg, ofPq) => {
    expect(Math.round(signalOf('hlg', reflectance))).toBe(ofHlg);
    expect(Math.round(signalOf('pq', reflectance))).toBe(ofPq);
  });

  it.each([
    ['grey card', 0.18, 26],
    ['chart white', 0.83, 162],
    ['diffuse white', 1, 203],
  ])('%s: the PQ picture gives the light BT.2408 has for it', (_, reflectance, light) => {
    expect(Math.round(TRANSFERS.pq.decode(signalOf('pq', reflectance) / 100))).toBe(light);
  });

  it('PQ stops at the peak of its display', () => {
    for (const peak of OUTPUTS.pq.peaks) {
      const { neutral } = compileTone(PLAIN_TONE, OUTPUTS.pq, peak, 7);
      expect(TRANSFERS.pq.decode(neutral(stopsToReflectance(7)))).toBeCloseTo(peak, 3);
    }
  });

  it('colours keep the luminance ratio of the OOTF: blue is not lit like white', () => {
    const { rgb } = compileTone(PLAIN_TONE, OUTPUTS.pq, 4000, 5);
    const hlgLight = TRANSFERS.hlg.decode(0.75) * 0.3;
    const out = new Float64Array(3);
    rgb(0, 0, 0.3, out);
    const light = TRANSFERS.pq.decode(out[2]);
    // BT.2100-2 table 5: Fd = 1000 Ys^0.2 E.
    expect(light).toBeCloseTo(1000 * (0.0593 * hlgLight) ** 0.2 * hlgLight, 6);
  });
});

describe.each(ARCHETYPE_IDS)('a recipe from %s', (id) => {
  const profile = compileProfile(ARCHETYPES[id]);
  const recipe = (change: Partial<LutRecipe> = {}): LutRecipe => ({
    profile: ARCHETYPES[id],
    pullStops: 0,
    output: 'bt1886',
    peak: 1000,
    tone: PLAIN_TONE,
    saturation: 1,
    ...change,
  });

  it.each(OUTPUT_IDS)(
    'to %s: grey of the placement lands on grey, neutrals stay neutral, clip does not rise',
    (output) => {
      for (const pullStops of [-1, 0, 1]) {
        const { rgb, neutral } = compileRecipe(recipe({ output, pullStops }));
        const card = profile.signalAt(pullStops);
        const { grey, last } = outputOf(output);
        expect(neutral(card)).toBeCloseTo(last ? last.encode(grey) : grey, 6);
        for (const signal of [0, card, 0.6, 0.9]) {
          const [r, g, b] = rgb([signal, signal, signal]);
          expect(r).toBeCloseTo(neutral(signal), 6);
          expect(g).toBeCloseTo(neutral(signal), 6);
          expect(b).toBeCloseTo(neutral(signal), 6);
        }
        expect(neutral(profile.clipSignal + 0.04)).toBe(neutral(profile.clipSignal));
      }
    },
  );

  it('is undone along grey', () => {
    const { neutral, inverse } = compileRecipe(recipe());
    for (const stops of [-2, 0, 1, 2]) {
      const signal = profile.signalAt(stops);
      expect(inverse(neutral(signal))).toBeCloseTo(signal, 6);
    }
  });

  it('without saturation is luma alone', () => {
    const { rgb } = compileRecipe(recipe({ saturation: 0 }));
    const [r, g, b] = rgb([0.6, 0.4, 0.3]);
    expect(r).toBeCloseTo(g, 9);
    expect(b).toBeCloseTo(g, 9);
  });
});

describe('sRGB', () => {
  it('shows the light of the video monitor', () => {
    const of = (output: OutputId) =>
      compileRecipe({
        profile: ARCHETYPES.wideLog,
        pullStops: 1,
        output,
        peak: 100,
        tone: PLAIN_TONE,
        saturation: 1,
      }).rgb([0.5, 0.45, 0.3]);
    const [video, screen] = [of('bt1886'), of('srgb')];
    video.forEach((v, i) =>
      expect(TRANSFERS.srgb.decode(screen[i])).toBeCloseTo(TRANSFERS.bt1886.decode(v), 9),
    );
  });
});
