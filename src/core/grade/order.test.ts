import { describe, expect, it } from 'vitest';
import type { Triple } from '../maths/matrix.ts';
import { temperatureOf } from '../colour/temperature.ts';
import { apply } from '../maths/matrix.ts';
import { gamutOf, rgbToXyz } from '../colour/gamut.ts';
import { monitoringRecipe } from '../lut/monitoring.ts';
import { compileRecipe } from '../lut/recipe.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { compileCdl } from '../lut/cdl.ts';
import { balanceMatrix, corrected, orderLoss } from './order.ts';
import { pullCdl } from './pullCdl.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const recipe = monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 0 });
const profile = compileProfile(ARCHETYPES.wideLog);
const grey = (stops: number): Triple => {
  const v = profile.signalAt(stops);
  return [v, v, v];
};

describe('a correction before and after the conversion', () => {
  it('of nothing is the conversion, either way', () => {
    const { rgb } = compileRecipe(recipe);
    for (const order of ['before', 'after'] as const) {
      const run = corrected(recipe, { stops: 0, mired: 0 }, order);
      for (const at of [-3, 0, 2, 5])
        run(grey(at)).forEach((v, c) => expect(v).toBeCloseTo(rgb(grey(at))[c], 6));
    }
  });

  it('before, a push of light is the tone that lay higher; after, what the conversion rolled off stays flat', () => {
    const { rgb } = compileRecipe(recipe);
    const before = corrected(recipe, { stops: -2, mired: 0 }, 'before');
    expect(before(grey(3))[1]).toBeCloseTo(rgb(grey(1))[1], 6);
    const after = corrected(recipe, { stops: -2, mired: 0 }, 'after');
    const apart = (run: (signal: Triple) => Triple) => run(grey(6))[1] - run(grey(5))[1];
    expect(apart(before)).toBeGreaterThan(2 * apart(after));
    // A top that was white comes out grey: (1/4)^(1/2.4), BT.1886.
    expect(after(grey(6))[1]).toBeCloseTo(0.25 ** (1 / 2.4), 3);
  });

  it('balance turns a neutral towards the light of so many mired more', () => {
    const gamut = gamutOf('bt709');
    for (const mired of [-40, 0, 60]) {
      const [x, y, z] = apply(rgbToXyz(gamut), apply(balanceMatrix('bt709', mired), [1, 1, 1]));
      const { kelvin } = temperatureOf([x / (x + y + z), y / (x + y + z)]);
      expect(1e6 / kelvin - 1e6 / temperatureOf(gamut.white).kelvin).toBeCloseTo(mired, 1);
      expect(y).toBeCloseTo(1, 1);
    }
  });

  it('loses tops and levels on a frame when done after', () => {
    const n = 4096;
    // A ramp from −6 stops to the clip.
    const codes = Uint16Array.from({ length: n }, (_, i) => {
      const signal = profile.signalAt(-6 + (i / (n - 1)) * (profile.clipStops + 6));
      return Math.round(64 + 876 * signal);
    });
    const loss = orderLoss({ r: codes, g: codes, b: codes }, coding, recipe, { stops: 2, mired: 0 });
    expect(loss.pixels).toBe(n);
    expect(loss.after.topped).toBeGreaterThan(loss.before.topped);
    expect(loss.after.levels).toBeLessThan(loss.before.levels);
    expect(loss.after.apartTo).toBeLessThan(loss.before.apartTo);
    expect(loss.worst).toBeGreaterThan(5);
    const none = orderLoss({ r: codes, g: codes, b: codes }, coding, recipe, { stops: 0, mired: 0 });
    expect(none.worst).toBeLessThan(0.01);
    expect(none.before).toEqual(none.after);
  });
});

describe('a pull as a CDL', () => {
  it('is an offset of c log10 2 a stop on a log, good above the toe', () => {
    const made = pullCdl(ARCHETYPES.wideLog, -1, 'signal', coding);
    if (!made.ok) throw new Error(made.reason);
    const { cdl, worstStops } = made.value;
    expect(cdl.slope).toEqual([1, 1, 1]);
    expect(cdl.offset[0]).toBeLessThan(0);
    expect(worstStops).toBeLessThan(1);
    const run = compileCdl(cdl);
    expect(profile.stopsAt(run(grey(4))[0])).toBeCloseTo(3, 1);
    // The same on codes: an offset the fewer by what 100 % of signal is of all codes.
    const onCode = pullCdl(ARCHETYPES.wideLog, -1, 'code', coding);
    expect(onCode.ok && onCode.value.cdl.offset[0] / cdl.offset[0]).toBeCloseTo(876 / 1023, 9);
  });

  it('is a slope on linear light, exact, and nothing on other curves', () => {
    const linear = {
      ...ARCHETYPES.standard,
      curve: { kind: 'standard', transfer: 'linear', gain: 0.1 },
    } as const;
    const made = pullCdl(linear, 1, 'signal', coding);
    expect(made.ok && made.value.cdl.slope).toEqual([2, 2, 2]);
    expect(made.ok && made.value.worstStops).toBeLessThan(1e-9);
    expect(pullCdl(ARCHETYPES.cineFlat, 1, 'signal', coding)).toMatchObject({
      ok: false,
      reason: expect.stringContaining('bake'),
    });
  });
});
