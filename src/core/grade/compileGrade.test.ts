import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compileCdl } from '../lut/cdl.ts';
import { cubeScale } from '../lut/cubeScale.ts';
import { monitoringRecipe } from '../lut/monitoring.ts';
import { compileRecipe } from '../lut/recipe.ts';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { compileGrade } from './compileGrade.ts';
import { gradeCdl } from './gradeCdl.ts';
import { GRADE_KIND_IDS, GRADE_KINDS, kindOf, newRow, valueOf, type GradeKindId } from './rows/rowKinds.ts';
import { fromLogColour, fromSoftStops, hueOf, logColour, softStops, turned } from './rows/softLog.ts';
import type { Grade, GradeRow, GradeValues } from './rows/types.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const profile = compileProfile(ARCHETYPES.wideLog);
const recipe = monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 0 });
const base = { recipe, dial: { kelvin: 5600, tint: 0 }, floorStops: -5 };
const row = (kind: GradeKindId, values: GradeValues, more: Partial<GradeRow> = {}): GradeRow => ({
  ...newRow(kind),
  values,
  ...more,
});
const graded = (...rows: readonly GradeRow[]): Grade => ({ ...base, rows });
const grey = (stops: number): Triple => {
  const v = profile.signalAt(stops);
  return [v, v, v];
};
const ofLight = (r: number, g: number, b: number): Triple => [
  profile.transfer.encode(r),
  profile.transfer.encode(g),
  profile.transfer.encode(b),
];
const anySignal = fc.tuple(
  fc.double({ min: 0.05, max: 0.85, noNaN: true }),
  fc.double({ min: 0.05, max: 0.85, noNaN: true }),
  fc.double({ min: 0.05, max: 0.85, noNaN: true }),
);
const near = (a: Triple, b: Triple, digits = 6) => a.forEach((v, c) => expect(v).toBeCloseTo(b[c], digits));

describe('a trial grade', () => {
  const plain = compileRecipe(recipe).rgb;

  it('of nothing is the conversion', () => {
    const { run } = compileGrade(graded());
    fc.assert(fc.property(anySignal, (signal) => near(run(signal), plain(signal))));
  });

  it('of rows at their neutral values is the conversion, on either side', () => {
    for (const side of ['before', 'after'] as const) {
      const rows = GRADE_KIND_IDS.map((kind) => row(kind, {}, { side, id: kind }));
      const { run } = compileGrade(graded(...rows));
      for (const signal of [grey(-3), grey(0), grey(2), ofLight(0.3, 0.2, 0.1), ofLight(0.05, 0.2, 0.4)])
        near(run(signal), plain(signal), 5);
    }
  });

  it('leaves out rows that are off, and kinds that it does not know', () => {
    const rows = [
      row('exposure', { stops: 3 }, { on: false }),
      { id: 'x', kind: 'constructor', on: true, side: 'before', values: {} } as const,
      { id: 'y', kind: 'of a later version', on: true, side: 'after', values: { v: 1 } } as const,
    ];
    near(compileGrade(graded(...rows)).run(grey(1)), plain(grey(1)));
    expect(kindOf({ kind: 'constructor' })).toBeUndefined();
  });

  it('holds values to their limits and takes what is no number as neutral', () => {
    const read = valueOf(GRADE_KINDS.exposure, { stops: 100, offset: Number.NaN });
    expect([read('stops'), read('offset')]).toEqual([6, 0]);
  });

  it('exposure before the conversion is the monitoring LUT with that pull', () => {
    const { rgb } = compileRecipe(monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 1.5 }));
    const { run } = compileGrade(graded(row('exposure', { stops: -1.5 })));
    for (const signal of [grey(-2), grey(1.5), grey(5), ofLight(0.6, 0.3, 0.2)])
      near(run(signal), rgb(signal));
  });

  it('exposure after the conversion is a gain of the display’s light, and what was rolled off stays flat', () => {
    const { run } = compileGrade(graded(row('exposure', { stops: -2 }, { side: 'after' })));
    // (1/4)^(1/2.4): BT.1886 without black lift.
    expect(run(grey(profile.clipStops))[1]).toBeCloseTo(0.25 ** (1 / 2.4), 3);
    const before = compileGrade(graded(row('exposure', { stops: -2 }))).run;
    const apart = (f: typeof run) => f(grey(6))[1] - f(grey(5))[1];
    expect(apart(before)).toBeGreaterThan(2 * apart(run));
  });

  it('points keep grey, take the veil off, and draw the highlights', () => {
    const veil = 0.01;
    const { run } = compileGrade(graded(row('points', { black: veil })));
    expect(run(ofLight(veil, veil, veil))[1]).toBeCloseTo(0, 6);
    near(run(grey(0)), plain(grey(0)), 6);
    const white = compileGrade(graded(row('points', { white: 1.3 }))).run;
    near(white(grey(0)), plain(grey(0)), 6);
    near(white(grey(-3)), plain(grey(-3)), 6);
    expect(white(grey(2))[1]).toBeGreaterThan(plain(grey(2))[1] + 0.02);
  });

  it('contrast turns about grey; its soft ends move by no more than slope less 1, times where they begin', () => {
    const { run, lightAt } = compileGrade(
      graded(row('contrast', { slope: 1.3, ends: 3 }), newRow('denoise')),
    );
    near(run(grey(0)), plain(grey(0)), 6);
    const out = (stops: number) => softStops(lightAt('denoise')(grey(stops))[1] / 0.18);
    const slope = (out(0.01) - out(-0.01)) / (softStops(2 ** 0.01) - softStops(2 ** -0.01));
    expect(slope).toBeCloseTo(1.3, 3);
    expect(out(6) - softStops(2 ** 6)).toBeLessThan(0.9);
    expect(out(6) - softStops(2 ** 6)).toBeGreaterThan(0.8);
  });

  it('balance makes a neutral of another light neutral and leaves its luminance', () => {
    const warm = ofLight(0.22, 0.18, 0.12);
    const values = { mired: -60, tint: 3 };
    const { lightAt } = compileGrade(graded(row('balance', values), newRow('denoise')));
    const [r, , b] = lightAt('denoise')(warm);
    expect(b / r).toBeGreaterThan(0.12 / 0.22);
    const opposite = compileGrade(graded(row('balance', { mired: 60 }), newRow('denoise')));
    const [x, , z] = opposite.lightAt('denoise')(warm);
    expect(z / x).toBeLessThan(0.12 / 0.22);
  });

  it('a range of hues moves its own and leaves the rest', () => {
    const skin = ofLight(0.36, 0.22, 0.16);
    const sky = ofLight(0.12, 0.22, 0.45);
    const { hue } = hueOf(logColour([0.36, 0.22, 0.16], 0.18));
    const rows = [row('skin', { hue, width: 40, soft: 20, stops: 0.5, turn: 5 })];
    const { run, matte } = compileGrade(graded(...rows));
    near(run(sky), plain(sky), 9);
    near(run(grey(0)), plain(grey(0)), 9);
    expect(run(skin)[1]).toBeGreaterThan(plain(skin)[1] + 0.05);
    expect(matte('skin')(skin)).toBeCloseTo(1, 3);
    expect(matte('skin')(sky)).toBe(0);
    // The dark side of the same face is taken as well: a gain of light moves neither hue nor chroma.
    expect(matte('skin')(ofLight(0.09, 0.055, 0.04))).toBeGreaterThan(0.9);
  });

  it('calms the sheen and not the face', () => {
    const face: Triple = [0.3, 0.2, 0.15];
    const { hue } = hueOf(logColour(face, 0.18));
    const rows = [row('sheen', { hue, width: 60, soft: 20, from: 1, amount: 0.5 })];
    const { run } = compileGrade(graded(...rows));
    near(run(ofLight(...face)), plain(ofLight(...face)), 9);
    const shine = ofLight(0.95, 0.85, 0.78);
    expect(run(shine)[1]).toBeLessThan(plain(shine)[1] - 0.02);
  });

  it('raises red only over the noise floor', () => {
    const { lightAt } = compileGrade(graded(row('red', { stops: 2 }), newRow('denoise')));
    const floor = 0.18 * 2 ** -5;
    const out = lightAt('denoise');
    expect(out(ofLight(0.5 * floor, 0.1, 0.1))[0]).toBeCloseTo(0.5 * floor, 6);
    expect(out(ofLight(4 * floor, 0.1, 0.1))[0]).toBeCloseTo(16 * floor, 5);
  });

  it('saturation 0 after the conversion is the picture’s luma', () => {
    const { run } = compileGrade(graded(row('saturation', { amount: 0 })));
    const signal = ofLight(0.5, 0.2, 0.1);
    const [r, g, b] = plain(signal);
    const luma = 0.2126 * r + 0.7152 * g + 0.0722 * b;
    near(run(signal), [luma, luma, luma], 9);
  });

  it('a look at half is half way to it; one that wants log is given the recording’s log', () => {
    const seen: Triple[] = [];
    const looks = () => (rgb: Triple) => {
      seen.push(rgb);
      return [1, 0, 0.5] as const;
    };
    const at = (log: number) =>
      compileGrade(graded(row('look', { amount: 0.5, log }, { lut: 'film' })), looks).run(grey(0));
    const shown = plain(grey(0));
    near(at(0), [0.5 + shown[0] / 2, shown[1] / 2, 0.25 + shown[2] / 2], 9);
    at(1);
    near(seen[0], shown, 9);
    near(seen[1], grey(0), 5);
  });

  it('a LUT that is not at hand leaves the picture', () => {
    near(compileGrade(graded(row('look', { amount: 1 }, { lut: 'gone' }))).run(grey(1)), plain(grey(1)), 9);
  });
});

describe('colours taken apart in stops', () => {
  it('go back to where they came from', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 60, noNaN: true }), (share) => {
        expect(fromSoftStops(softStops(share))).toBeCloseTo(share, 9);
      }),
    );
  });

  it('grey is 0, the toe goes on straight under black', () => {
    expect(softStops(1)).toBe(0);
    expect(softStops(0) - softStops(-1e-6)).toBeCloseTo(softStops(1e-6) - softStops(0), 7);
  });

  it('turning by a full circle changes nothing', () => {
    const light = fc.double({ min: 0.001, max: 4, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(light, light, light), (rgb) => {
        const back = fromLogColour(turned(logColour(rgb, 0.18), 360, 1), 0.18);
        back.forEach((v, c) => expect(v / rgb[c]).toBeCloseTo(1, 6));
      }),
    );
  });
});

describe('the CDL of a grade', () => {
  const rows = [
    row('exposure', { stops: -1, offset: 1 }),
    row('balance', { mired: 30, tint: -4, offset: 1 }),
    row('contrast', { slope: 1.2, ends: 0 }),
    row('saturation', { amount: 1.3 }, { side: 'before' }),
  ];

  it('is exact for what it holds, on both scales', () => {
    const grade = graded(...rows, newRow('denoise'));
    const { lightAt } = compileGrade(grade);
    const black = profile.transfer.encode(0);
    for (const scale of ['signal', 'code'] as const) {
      const { cdl, held, left } = gradeCdl(grade, scale, coding);
      expect(held).toHaveLength(4);
      expect(left).toEqual([]);
      const { fromSignal, toSignal } = cubeScale(scale, coding);
      const run = compileCdl(cdl, 'free');
      fc.assert(
        fc.property(anySignal, (signal) => {
          const given = run(signal.map(fromSignal) as unknown as Triple);
          const meant = lightAt('denoise')(signal).map(profile.transfer.encode);
          // Where the corrected light stays over the curve's own black.
          fc.pre(Math.min(...meant) > black);
          given.forEach((v, c) => expect(toSignal(v)).toBeCloseTo(meant[c], 6));
        }),
      );
    }
  });

  it('names what it cannot hold', () => {
    const grade = graded(
      row('exposure', { stops: -1 }),
      row('contrast', { slope: 1.2, ends: 3 }),
      row('saturation', { amount: 1.2 }, { side: 'before' }),
      row('contrast', { slope: 1.1, ends: 0 }, { id: 'late' }),
      row('saturation', { amount: 1.1 }),
    );
    const { left, held } = gradeCdl(grade, 'signal', coding);
    expect(left.map(({ id }) => id)).toEqual(['exposure', 'contrast', 'late']);
    expect(held.map(({ id }) => id)).toEqual(['saturation']);
  });

  it('a stop is an offset of the code at grey', () => {
    const { cdl } = gradeCdl(graded(row('exposure', { stops: 1, offset: 1 })), 'signal', coding);
    expect(cdl.offset[0]).toBeCloseTo(profile.signalAt(1) - profile.signalAt(0), 9);
  });
});
