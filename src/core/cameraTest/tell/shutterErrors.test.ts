import { describe, expect, it } from 'vitest';
import { printShutter } from '../../exposure/shutter.ts';
import { ARCHETYPES, ARCHETYPE_IDS, compileProfile } from '../../profile/index.ts';
import { gaussian, seededRandom } from '../../random.ts';
import { CAMERA } from '../fixtures/filmed.ts';
import { bracketSteps } from '../shots/ground.ts';
import { cutOff, normalShare } from './cutOff.ts';
import { shutterErrors, type MarkedStep } from './shutterErrors.ts';

const parts = bracketSteps(CAMERA, 1);
const last = parts[parts.length - 1];
const STEPS = [
  ...parts.flat(),
  ...last.map((step) => ({ ...step, stops: step.stops - 1, moreLight: step.moreLight - 1 })),
];

describe('real shutter times', () => {
  it.each(ARCHETYPE_IDS)('come apart from a curve of no known form: %s', (id) => {
    const { signalAt, clipStops } = compileProfile(ARCHETYPES[id]);
    const normal = gaussian(seededRandom(17));
    const real = new Map(CAMERA.shutters.map((shutter) => [printShutter(shutter), 0.05 * normal()]));
    const lights = new Map(STEPS.map(({ moreLight }) => [moreLight, moreLight === 0 ? 0 : 0.06 * normal()]));
    const steps = STEPS.map(({ shutter, stops, moreLight }): MarkedStep => {
      const name = printShutter(shutter);
      const place = stops + real.get(name)! + lights.get(moreLight)!;
      return { stops, shutter: name, light: moreLight, signal: signalAt(place), sigma: 0.0005 };
    }).filter(({ signal }) => signal < signalAt(clipStops) - 0.015);
    const found = shutterErrors(steps)!;
    const names = [...new Set(steps.map(({ shutter }) => shutter))];
    const offs = names.map((name) => found.of(name) - real.get(name)!);
    const mean = offs.reduce((a, b) => a + b, 0) / offs.length;
    const rest = Math.sqrt(offs.reduce((sum, off) => sum + (off - mean) ** 2, 0) / offs.length);
    const before = Math.sqrt(names.reduce((sum, name) => sum + real.get(name)! ** 2, 0) / names.length);
    expect(rest).toBeLessThan(0.6 * before);
    expect(rest).toBeLessThan(3 * found.doubt);
  });

  it('are not told where one light is all there is', () => {
    const [first] = parts;
    const steps = first.map(({ shutter, stops }) => ({
      stops,
      shutter: printShutter(shutter),
      light: 0,
      signal: 0.4 + 0.07 * stops,
      sigma: 0.0005,
    }));
    expect(shutterErrors(steps)).toBeUndefined();
  });
});

describe('noise cut off at the lowest code', () => {
  it('knows the normal distribution: tables have 0.97500 under 1.96 and 0.15866 under -1', () => {
    // Standard normal table, as in any handbook; from memory.
    expect(normalShare(1.96)).toBeCloseTo(0.975, 4);
    expect(normalShare(-1)).toBeCloseTo(0.15866, 5);
  });

  it.each([-1, 0, 0.8])('gives deviation and mean back where it was cut at %f deviations', (at) => {
    const normal = gaussian(seededRandom(5));
    const cut = Array.from({ length: 40_000 }, () => Math.max(at, normal()));
    const mean = cut.reduce((a, b) => a + b, 0) / cut.length;
    const deviation = Math.sqrt(cut.reduce((sum, v) => sum + (v - mean) ** 2, 0) / cut.length);
    const found = cutOff(cut.filter((v) => v === at).length / cut.length);
    expect(deviation / found.deviation).toBeCloseTo(1, 1);
    expect(found.mean).toBeCloseTo(-at, 1);
    expect(found.left).toBeCloseTo(mean - at, 1);
  });

  it('leaves alone what is not cut', () => {
    expect(cutOff(0)).toMatchObject({ deviation: 1, isRough: false });
    expect(cutOff(0.5).isRough).toBe(true);
  });
});
