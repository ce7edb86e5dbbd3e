import { describe, expect, it } from 'vitest';
import type { Correction } from '../correction/operations.ts';
import { compileCorrection } from '../correction/compile.ts';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { monitoringRecipe } from './monitoring.ts';
import { compileRecipe } from './recipe.ts';

const profile = ARCHETYPES.wideLog;
const plain = monitoringRecipe({ profile, pullStops: 1 });
const match: Correction = {
  primaries: 'bt2020',
  operations: [
    { kind: 'saturation', amount: 0.9 },
    { kind: 'exposure', stops: 0.5 },
    { kind: 'balance', mired: -12, tint: 3, about: { kelvin: 5600, tint: 0 } },
  ],
};
const { transfer } = compileProfile(profile);
const coded = (light: Triple) => light.map(transfer.encode) as unknown as Triple;
const LIGHTS: readonly Triple[] = [
  [0.18, 0.18, 0.18],
  [0.4, 0.2, 0.12],
  [0.05, 0.09, 0.2],
];

describe('a recipe with a match in it', () => {
  it('shows what the plain one shows of corrected light', () => {
    const { run } = compileCorrection(match, profile.gamut);
    const [matched, without] = [compileRecipe({ ...plain, match }).rgb, compileRecipe(plain).rgb];
    for (const light of LIGHTS)
      matched(coded(light)).forEach((v, c) => expect(v).toBeCloseTo(without(coded(run(light)))[c], 9));
  });

  it('goes back the way it came', () => {
    const { rgb, undo } = compileRecipe({ ...plain, match });
    for (const light of LIGHTS)
      undo(rgb(coded(light))).forEach((v, c) => expect(v).toBeCloseTo(coded(light)[c], 4));
  });

  it('a match that does nothing changes nothing', () => {
    const none = compileRecipe({ ...plain, match: { primaries: 'bt2020', operations: [] } });
    for (const light of LIGHTS)
      none
        .rgb(coded(light))
        .forEach((v, c) => expect(v).toBeCloseTo(compileRecipe(plain).rgb(coded(light))[c], 9));
    expect(none.neutral(0.4)).toBeCloseTo(compileRecipe(plain).neutral(0.4), 9);
  });
});
