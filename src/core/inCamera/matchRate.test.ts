import { describe, expect, it } from 'vitest';
import { filmingOf } from '../cameraTest/fixtures/filmed.ts';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { gaussian, seededRandom } from '../random.ts';
import { matchRate } from './matchRate.ts';
import { filmTwice } from './stage.ts';
import { twoFrames, type TwoFrames } from './twoFrames.ts';

const CODING = { bitDepth: 10, range: 'legal' } as const;

/** Normal distribution by Simpson's rule: an edge blurred by a Gaussian. */
const phi = (z: number): number => {
  const steps = 200;
  const h = (z + 8) / steps;
  let sum = 0;
  for (let i = 0; i <= steps; i += 1)
    sum += (i === 0 || i === steps ? 1 : i % 2 ? 4 : 2) * Math.exp(-((-8 + i * h) ** 2) / 2);
  return (sum * h) / 3 / Math.sqrt(2 * Math.PI);
};
/** An upright edge of a blur, beside plain walls of three tones. */
const edge = (sigma: number, noise: number, seed: number): Frame => {
  const [width, height] = [480, 270];
  const normal = gaussian(seededRandom(seed));
  const across = Array.from({ length: width }, (_, x) => 150 + 550 * phi((x - width / 2 + 0.25) / sigma));
  const plane = () => new Uint16Array(width * height);
  const [r, g, b] = [plane(), plane(), plane()];
  for (let i = 0; i < r.length; i += 1) {
    const v = i < 20 * width ? 420 : across[i % width];
    for (const one of [r, g, b]) one[i] = Math.round(v + noise * normal());
  }
  return makeFrame({ ...CODING, width, height, r, g, b });
};
const measured = (without: Frame, withIt: Frame): TwoFrames => {
  const result = twoFrames(without, withIt);
  if (!result.ok) throw new Error(result.reason);
  return result.value;
};

describe('how far an edge rises', () => {
  it('is 2.563 sigma of a Gaussian from a tenth to nine tenths, within its ±', () => {
    for (const [one, other] of [
      [1.5, 2.5],
      [2, 4],
    ]) {
      const { rise, within } = measured(edge(one, 2, 7), edge(other, 2, 829_348_951));
      // Straight lines stand in for the curve between pixels: off by f''/8f' at most, 1.2816/8 sigma, at both ends.
      const lines = (sigma: number) => (2 * 1.2816) / (8 * sigma);
      expect(Math.abs(rise!.without - 2.563 * one)).toBeLessThan(lines(one) + within!.rise!);
      expect(Math.abs(rise!.with - 2.563 * other)).toBeLessThan(lines(other) + within!.rise!);
      expect(within!.rise!).toBeLessThan(0.3);
    }
  });
});

describe('bringing two rates together', () => {
  it('blurs the sharper side by what is missing, as squares add', () => {
    // sqrt(2.5^2 - 1.5^2) = 2.0
    const lines = matchRate(measured(edge(1.5, 2, 7), edge(2.5, 2, 829_348_951)));
    expect(lines.join(' ')).toMatch(/blur normal speed by (1\.9|2\.0|2\.1) pixels/);
    const back = matchRate(measured(edge(2.5, 2, 7), edge(1.5, 2, 829_348_951)));
    expect(back.join(' ')).toMatch(/blur slow frames by (1\.9|2\.0|2\.1) pixels/);
  });

  it('puts grain on the cleaner side', () => {
    // Luma of three channels of equal noise: 0.750 of it. sqrt(5^2 - 3^2) = 4, of luma 3.0.
    const lines = matchRate(measured(edge(2, 3, 7), edge(2, 5, 829_348_951)));
    expect(lines.join(' ')).toMatch(/^Noise: (2\.[89]|3\.[012]) codes of grain on normal speed\.$/);
  });

  it('says where nothing is to be done', () => {
    expect(matchRate(measured(edge(2, 3, 7), edge(2, 3, 829_348_951)))).toEqual([
      'As measured the two need no matching.',
    ]);
  });

  it('finds the lines that a stage body skips at a high rate', () => {
    const { camera } = filmingOf('wideLog', CODING, { seed: 2 });
    expect(matchRate(measured(...filmTwice(camera, 'rate', 1))).join(' ')).toMatch(/blur normal speed/);
  });
});
