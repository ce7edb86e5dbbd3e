import { describe, expect, it } from 'vitest';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { sampleLattice } from './lattice.ts';
import { labOfSignal, lutLoss } from './loss.ts';
import { compileLut, UNIT_DOMAIN, type Lut } from './lut.ts';
import { OUTPUT_IDS } from './outputs.ts';
import { compileRecipe } from './recipe.ts';
import { PLAIN_TONE } from './toneScale.ts';
import { TRANSFERS } from '../transfer/index.ts';

const cube = (size: number, of: (rgb: Triple) => Triple): Lut => ({
  kind: 'cube',
  domain: UNIT_DOMAIN,
  lattice: sampleLattice(size, of),
});
const same = (rgb: Triple) => rgb;

describe('the light of an output', () => {
  it('has its white at L* 100 without colour', () => {
    // Diffuse white: 100 % of SDR, 75 % of HLG, 58 % of PQ (BT.2408).
    const white = { bt1886: 1, srgb: 1, hlg: 0.75, pq: TRANSFERS.pq.encode(203) };
    for (const id of OUTPUT_IDS) {
      const [l, a, b] = labOfSignal(id)([white[id], white[id], white[id]]);
      expect(l).toBeCloseTo(100, id === 'hlg' ? 1 : 6);
      expect(Math.hypot(a, b)).toBeLessThan(1e-9);
    }
  });

  it('HLG and PQ of the same plain picture look alike', () => {
    const of = (output: 'hlg' | 'pq') =>
      compileRecipe({
        profile: ARCHETYPES.wideLog,
        pullStops: 0,
        output,
        peak: 1000,
        tone: PLAIN_TONE,
        saturation: 1,
      });
    const rgb: Triple = [0.45, 0.4, 0.32];
    const [hlg, pq] = [labOfSignal('hlg')(of('hlg').rgb(rgb)), labOfSignal('pq')(of('pq').rgb(rgb))];
    hlg.forEach((v, i) => expect(v).toBeCloseTo(pq[i], 6));
  });
});

describe('loss', () => {
  it('is none where nothing is lost', () => {
    expect(lutLoss(same, compileLut(cube(2, same)), 'bt1886').worst).toBeLessThan(1e-4);
  });

  it('in stops is that of the light: a step of signal on BT.1886 by hand', () => {
    // 1 % more signal is 2.4 log2(1.01) stops everywhere.
    const { stops } = lutLoss(same, ([r, g, b]) => [1.01 * r, 1.01 * g, 1.01 * b], 'bt1886');
    expect(stops).toBeCloseTo(2.4 * Math.log2(1.01), 6);
  });

  it('counts shadows, and greys that are usable alone', () => {
    // Wrong by 5 % of signal under 10 % of it, where the light is a 250th of white.
    const dim = ([r, g, b]: Triple): Triple => (g < 0.1 ? [1.05 * r, 1.05 * g, 1.05 * b] : [r, g, b]);
    const shadows = lutLoss(same, dim, 'bt1886');
    expect(shadows.stops).toBeCloseTo(2.4 * Math.log2(1.05), 6);
    expect(shadows.stopsAt).toBeLessThan(0.1);
    expect(lutLoss(same, dim, 'bt1886', [0.12, 1]).stops).toBe(0);
    expect(lutLoss(same, dim, 'bt1886', [0.05, 0.9]).stops).toBeCloseTo(2.4 * Math.log2(1.05), 6);
  });

  it('tells where it is worst', () => {
    const spoilt = (rgb: Triple): Triple =>
      rgb[0] > 0.9 && rgb[2] < 0.1 ? [rgb[0] - 0.2, rgb[1], rgb[2]] : rgb;
    const { worst, mean, at } = lutLoss(same, spoilt, 'bt1886');
    expect(at[0]).toBeGreaterThan(0.9);
    expect(at[2]).toBeLessThan(0.1);
    expect(mean).toBeLessThan(worst / 50);
  });

  it.each(OUTPUT_IDS)('to %s shrinks from 17 to 33 to 65 points', (output) => {
    const { rgb } = compileRecipe({
      profile: ARCHETYPES.wideLog,
      pullStops: 1,
      output,
      peak: 1000,
      tone: PLAIN_TONE,
      saturation: 1,
    });
    // What this camera's recording holds between a floor of -6 and its clip.
    const { signalAt, clipSignal } = compileProfile(ARCHETYPES.wideLog);
    const [coarse, middle, fine] = [17, 33, 65].map((size) =>
      lutLoss(rgb, compileLut(cube(size, rgb)), output, [signalAt(-6), clipSignal]),
    );
    expect(middle.mean).toBeLessThan(coarse.mean);
    expect(fine.mean).toBeLessThan(middle.mean);
    expect(fine.stops).toBeLessThan(coarse.stops);
    // 65 points are what post works with: no eye sees a mean under half a unit.
    expect(fine.mean).toBeLessThan(0.5);
  });
});
