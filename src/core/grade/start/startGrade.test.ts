import { describe, expect, it } from 'vitest';
import { gamutMatrix } from '../../colour/gamut.ts';
import { balanceGains } from '../../correction/balanceGains.ts';
import { monitoringRecipe } from '../../lut/monitoring.ts';
import { apply, type Triple } from '../../maths/matrix.ts';
import { ARCHETYPES, compileProfile } from '../../profile/index.ts';
import { compileGrade } from '../compileGrade.ts';
import { quantile } from '../../maths/quantile.ts';
import { rowsOf } from './reading.ts';
import { PLAIN_SCHOOLS, type GradeSchools } from './schools.ts';
import { automaticBalance } from './water.ts';
import { startGrade } from './startGrade.ts';
import type { StartInput, StartPatch } from './types.ts';

const profile = compileProfile(ARCHETYPES.wideLog);
const DIAL = { kelvin: 5600, tint: 0 };
const base = {
  recipe: monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 0 }),
  dial: DIAL,
  floorStops: -5.5,
};
const ofLight = (rgb: Triple): Triple => rgb.map((v) => profile.transfer.encode(v)) as unknown as Triple;
const grey = (stops: number, gain: Triple = [1, 1, 1]): Triple =>
  ofLight(gain.map((v) => 0.18 * v * 2 ** stops) as unknown as Triple);
const ramp = (from: number, to: number, n = 400) =>
  Array.from({ length: n }, (_, i) => grey(from + (i / (n - 1)) * (to - from)));
const patch = (kind: StartPatch['kind'], signals: readonly Triple[], own?: number): StartPatch => ({
  kind,
  name: kind === 'skin' ? 'Ines' : kind,
  signals,
  isClipped: false,
  ...(own === undefined ? {} : { own }),
});
const input = (over: Partial<StartInput>, schools: Partial<GradeSchools> = {}): StartInput => ({
  base,
  sample: ramp(-7, 4),
  patches: [],
  placement: 1,
  isUnderWater: false,
  ...over,
  schools: { ...PLAIN_SCHOOLS, ...schools },
});
const of = (given: StartInput, kind: string) => {
  const found = startGrade(given).find((one) => one.kind === kind);
  if (!found) throw new Error(`nothing proposed for ${kind}`);
  return found;
};
const shownBy = (given: StartInput) => compileGrade({ ...base, rows: rowsOf(startGrade(given)) }).run;
const lumaOf = ([r, g, b]: Triple) => 0.2126 * r + 0.7152 * g + 0.0722 * b;
/** Light on skin so many stops over grey, of a hue between orange and red. */
const skin = (stops: number): Triple => {
  const k = (0.18 * 2 ** stops) / 0.2485;
  return ofLight([0.36 * k, 0.225 * k, 0.15 * k]);
};

describe('the start of a trial grade', () => {
  it('puts the card on grey, whatever was planned', () => {
    const given = input({ patches: [patch('card', [grey(1.5)])] });
    expect(of(given, 'exposure')).toMatchObject({ ground: 'measured', values: { stops: -1.5 } });
    expect(lumaOf(shownBy(given)(grey(1.5)))).toBeCloseTo(0.45, 2);
  });

  it('undoes the plan where nothing is marked, and says that it is the plan', () => {
    expect(of(input({}), 'exposure')).toMatchObject({ ground: 'planned', values: { stops: -1 } });
  });

  it('goes by the face where that school is chosen, or where there is no card', () => {
    const patches = [patch('card', [grey(1)]), patch('skin', [grey(2.5)], 1)];
    expect(of(input({ patches }), 'exposure').values.stops).toBeCloseTo(-1, 6);
    expect(of(input({ patches }, { anchor: 'skin' }), 'exposure').values.stops).toBeCloseTo(-1.5, 6);
    expect(of(input({ patches: [patches[1]] }), 'exposure').values.stops).toBeCloseTo(-1.5, 6);
  });

  it('does not go by a card that is clipped', () => {
    const patches = [{ ...patch('card', [grey(5)]), isClipped: true }];
    expect(of(input({ patches }), 'exposure').ground).toBe('planned');
  });

  it('balances a neutral, and leaves balance alone without one', () => {
    // A camera 50 mired off: what the dial would have done is undone.
    const gains = balanceGains(DIAL, 50, 0, 'bt2020');
    const own = apply(gamutMatrix('bt2020', ARCHETYPES.wideLog.gamut), [
      0.18 / gains[0],
      0.18 / gains[1],
      0.18 / gains[2],
    ]);
    const given = input({ patches: [patch('neutral', [ofLight(own)])] });
    expect(of(given, 'balance').values.mired).toBeCloseTo(50, 0);
    const [r, g, b] = shownBy(given)(ofLight(own));
    expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThan(2 / 1023);
    expect(of(input({}), 'balance')).toMatchObject({ on: false, ground: 'left' });
  });

  it('lays black at 0 and the brightest at the school’s level', () => {
    for (const [school, level, top] of [
      ['ninety', 0.9, 3.4],
      ['hundred', 1, 4.2],
    ] as const) {
      const given = input({ sample: ramp(-6, top) }, { highlights: school });
      const run = shownBy(given);
      const lumas = given.sample.map((signal) => lumaOf(run(signal)));
      expect(quantile(lumas, 0.004)).toBeLessThan(0.01);
      expect(Math.abs(quantile(lumas, 0.995) - level)).toBeLessThan(0.02);
    }
  });

  it('leaves the highlights of HDR to the conversion', () => {
    const hdr = { ...base, recipe: { ...base.recipe, output: 'pq' as const, peak: 1000 } };
    expect(of(input({ base: hdr, sample: ramp(-6, 4.2) }), 'points').values.white).toBe(1);
    expect(
      of(input({ sample: ramp(-6, 4.2) }, { highlights: 'hundred' }), 'points').values.white,
    ).toBeGreaterThan(1);
  });

  it('stretches nothing in fog, and leaves a room without a bright thing', () => {
    const fog = of(input({ sample: ramp(-0.5, 2), placement: 0 }), 'points');
    expect(fog.values.black).toBe(0);
    const room = of(input({ sample: ramp(-6, 1.2), placement: 0 }), 'points');
    expect(room.values.white).toBe(1);
    expect(room.why).toContain('Nothing is bright');
  });

  it('puts a little under 0 only where something is truly black', () => {
    const night = input({ sample: [...ramp(-9, -6, 100), ...ramp(-5, 3, 300)], placement: 0 });
    expect(of(night, 'points').why).toContain('goes under 0');
    expect(of(input({ sample: ramp(-5, 3), placement: 0 }), 'points').why).not.toContain('under 0');
  });

  it('brings each face to its own level, deep skin to a lower one', () => {
    for (const own of [1.2, 0.2, -0.8]) {
      const face = patch('skin', [skin(own - 0.3)], own);
      const given = input({ patches: [patch('card', [grey(0)]), face], placement: 0, sample: ramp(-5, 1) });
      const run = shownBy(given);
      const level = compileGrade({ ...base, rows: [] }).run(grey(own))[1];
      // A coloured face has another luma than a grey of its luminance: what is wanted is its light.
      expect(Math.abs(lumaOf(run(skin(own - 0.3))) - level)).toBeLessThan(0.04);
    }
  });

  it('never turns a face towards the line by itself', () => {
    const given = input({ patches: [patch('card', [grey(0)]), patch('skin', [skin(1)], 1)], placement: 0 });
    const proposal = of(given, 'skin');
    expect(proposal.values.turn).toBe(0);
    expect(proposal.why).toMatch(/of the line|on the line/);
    expect(proposal.why).toContain('own');
  });

  it('calms a hot sheen and leaves a calm face', () => {
    const hot = [
      ...Array.from({ length: 90 }, () => skin(0)),
      ...Array.from({ length: 10 }, () => skin(2.2)),
    ];
    const at = (signals: readonly Triple[]) =>
      of(input({ patches: [patch('card', [grey(0)]), patch('skin', signals, 0)], placement: 0 }), 'sheen');
    expect(at(hot)).toMatchObject({ on: true, values: { amount: 0.4 } });
    expect(at([skin(0), skin(0.2), skin(-0.2)]).on).toBe(false);
  });

  it('changes the order with the school', () => {
    const kinds = (order: GradeSchools['order']) => startGrade(input({}, { order })).map(({ kind }) => kind);
    const first = kinds('exposure');
    expect(first.indexOf('exposure')).toBeLessThan(first.indexOf('points'));
    const second = kinds('shadows');
    expect(second.indexOf('points')).toBeLessThan(second.indexOf('exposure'));
  });

  it('with shadows first the card still comes to grey', () => {
    const given = input({ patches: [patch('card', [grey(1)])], sample: ramp(-5, 4) }, { order: 'shadows' });
    expect(lumaOf(shownBy(given)(grey(1)))).toBeCloseTo(0.45, 1);
  });

  it('asks for noise reduction where light is raised', () => {
    expect(of(input({ placement: -1 }), 'denoise').on).toBe(true);
    expect(of(input({ placement: 1 }), 'denoise').on).toBe(false);
  });
});

describe('under water', () => {
  const water = (red: number): readonly Triple[] =>
    Array.from({ length: 200 }, (_, i) => {
      const light = 0.18 * 2 ** (-4 + i / 40);
      return ofLight([red * light, light, 0.5 * light]);
    });

  it('contrast comes first, green and blue meet, red stays where it is noise', () => {
    const given = input({ sample: water(0.005), placement: 0, isUnderWater: true });
    const all = startGrade(given);
    const kinds = all.map(({ kind }) => kind);
    expect(kinds.indexOf('contrast')).toBeLessThan(kinds.indexOf('channels'));
    expect(kinds.indexOf('channels')).toBeLessThan(kinds.indexOf('red'));
    expect(kinds).not.toContain('balance');
    const { green, blue } = of(given, 'channels').values;
    expect(green).toBeLessThan(0);
    expect(blue).toBeCloseTo(-green, 6);
    expect(of(given, 'red')).toMatchObject({ on: false, values: { stops: 0 } });
    expect(of(given, 'red').why).toContain('invented');
  });

  it('raises red where there is some, by half of what is missing', () => {
    expect(of(input({ sample: water(0.4), placement: 0, isUnderWater: true }), 'red')).toMatchObject({
      on: true,
    });
  });

  it('an automatic balance makes all means alike, whatever is noise', () => {
    const { red, blue } = automaticBalance(input({ sample: water(0.01) }));
    const { transfer } = profile;
    const toBody = gamutMatrix(ARCHETYPES.wideLog.gamut, 'bt2020');
    const lights = water(0.01).map((signal) =>
      apply(toBody, signal.map(transfer.decode) as unknown as Triple),
    );
    const means = [0, 1, 2].map((c) => lights.reduce((sum, rgb) => sum + rgb[c], 0));
    expect(means[0] * 2 ** red).toBeCloseTo(means[1], 6);
    expect(means[2] * 2 ** blue).toBeCloseTo(means[1], 6);
  });
});
