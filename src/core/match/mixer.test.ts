// A mixing desk's correction: found again from a board, the same as a CDL by other hands.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { byOcio, has } from '../fixtures/otherHands.ts';
import { writeCc } from '../formats/cdl.ts';
import { compileCdl } from '../lut/cdl.ts';
import type { Triple } from '../maths/matrix.ts';
import { gaussian, seededRandom } from '../random.ts';
import { BOARD_PATCHES } from '../scene/board.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { compileMixer, mixerCdl, NO_MIXER, solveMixer, type Mixer, type MixerPatch } from './mixer.ts';

const signalOf = (light: Triple): Triple => light.map((v) => TRANSFERS.bt709.encode(v)) as unknown as Triple;
const board = BOARD_PATCHES.map(({ name, reflectance }) => ({ name, signal: signalOf(reflectance) }));

/** What a desk has to be fed to give a signal: the formula turned round, saturation left at 1. */
const fedBy = ({ lift, gamma, gain }: Mixer, out: Triple): Triple =>
  out.map((v, c) => (v ** gamma[c] - lift[c]) / (gain[c] - lift[c])) as unknown as Triple;

/** The board where the second camera is off by what a desk undoes, with noise. */
const off = (by: Mixer, noise: number, seed: number): MixerPatch[] => {
  const deviate = gaussian(seededRandom(seed));
  return board.map(({ name, signal }) => ({
    name,
    from: fedBy(by, signal).map((v) => v + noise * deviate()) as unknown as Triple,
    hero: signal,
  }));
};

/** A body with a lean, more light, lifted blacks, as bodies of a hall differ. Drawn. */
const drawn = (seed: number): Mixer => {
  const random = seededRandom(seed);
  const around = (middle: number, by: number): Triple => [
    middle + by * (random() - 0.5),
    middle + by * (random() - 0.5),
    middle + by * (random() - 0.5),
  ];
  return { lift: around(0, 0.06), gamma: around(1, 0.3), gain: around(1, 0.3), saturation: 1 };
};

describe('the formula of the desk', () => {
  const mixer: Mixer = {
    lift: [0.04, 0, -0.02],
    gamma: [1.2, 1, 0.9],
    gain: [1.1, 1, 0.95],
    saturation: 0.9,
  };
  it('puts black on lift and white on gain', () => {
    const plain: Mixer = { ...NO_MIXER, lift: [0.05, 0.1, 0], gain: [0.9, 0.8, 0.7] };
    expect(compileMixer(plain)([0, 0, 0])).toEqual([0.05, 0.1, 0].map((v) => expect.closeTo(v, 12)));
    expect(compileMixer(plain)([1, 1, 1])).toEqual([0.9, 0.8, 0.7].map((v) => expect.closeTo(v, 12)));
    expect(compileMixer(NO_MIXER)([0.2, 0.5, 0.8])).toEqual(
      [0.2, 0.5, 0.8].map((v) => expect.closeTo(v, 12)),
    );
  });
  it('is lift, gain and gamma by hand', () => {
    // 0.5 * (1.1 - 0.04) + 0.04 = 0.57; 0.57 ^ (1 / 1.2) = e^(ln 0.57 / 1.2) = e^-0.46843 = 0.62598.
    expect(compileMixer({ ...mixer, saturation: 1 })([0.5, 0.5, 0.5])[0]).toBeCloseTo(0.62598, 4);
  });

  const folder = mkdtempSync(join(tmpdir(), 'candelum-mixer-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  if (process.env.CI && !has('ociochecklut')) throw new Error('CI needs OpenColorIO');
  it.skipIf(!has('ociochecklut'))('is the CDL that OpenColorIO makes of its file', () => {
    const file = join(folder, 'mixer.cc');
    writeFileSync(file, writeCc({ id: 'desk', cdl: mixerCdl(mixer), descriptions: [] }));
    const sent: Triple[] = board.map(({ signal }) => signal);
    const theirs = byOcio(file, sent);
    // OpenColorIO lets a .cc go on beyond 0..1: the same style on our side.
    const ours = sent.map(compileCdl(mixerCdl(mixer), 'free'));
    theirs.forEach((rgb, i) => rgb.forEach((v, c) => expect(v).toBeCloseTo(ours[i][c], 4)));
  });
});

describe('what is turned at the desk', () => {
  it.each([1, 2, 3, 4, 5])('brings a camera of seed %i to the hero: ΔE2000 2 or less on average', (seed) => {
    const by = drawn(seed);
    const answer = solveMixer(off(by, 0.002, seed))!;
    expect(answer.before.mean).toBeGreaterThan(2);
    // In hundredths, with noise.
    expect(answer.after.mean).toBeLessThan(1);
    expect(answer.after.worst).toBeLessThan(2.5);
    expect(answer.atLimit).toBe(false);
    for (const key of ['lift', 'gain'] as const)
      answer.mixer[key].forEach((v, c) => expect(Math.abs(v - by[key][c])).toBeLessThan(0.03));
  });

  it('finds a saturation that is turned down', () => {
    const paler = compileCdl({ ...mixerCdl(NO_MIXER), saturation: 0.7 }, 'held');
    const patches = board.map(({ name, signal }) => ({ name, from: paler(signal), hero: signal }));
    const { mixer, after } = solveMixer(patches)!;
    expect(mixer.saturation).toBeCloseTo(1 / 0.7, 1);
    expect(after.mean).toBeLessThan(0.5);
  });

  it('says hundredths, and the residual of those', () => {
    const patches = off(drawn(7), 0, 7);
    const { mixer, after } = solveMixer(patches)!;
    for (const v of [...mixer.lift, ...mixer.gamma, ...mixer.gain, mixer.saturation])
      expect(Math.abs(v * 100 - Math.round(v * 100))).toBeLessThan(1e-9);
    expect(after.worst).toBeGreaterThan(0);
  });

  it('turns what is not told by the patches as little as it can', () => {
    const card: MixerPatch = { name: 'card', from: [0.38, 0.4, 0.44], hero: [0.41, 0.41, 0.41] };
    const { mixer, after } = solveMixer([card])!;
    expect(after.worst).toBeLessThan(1);
    expect(mixer.saturation).toBe(1);
    for (const v of mixer.lift) expect(Math.abs(v)).toBeLessThan(0.05);
  });

  it('stops at what a desk can do, and says so; where nothing helps it turns nothing', () => {
    const far = off({ ...NO_MIXER, gain: [2.6, 2.6, 2.6] }, 0, 1);
    expect(solveMixer(far)!.atLimit).toBe(true);
    const same = board.map(({ name, signal }) => ({ name, from: signal, hero: signal }));
    expect(solveMixer(same)).toMatchObject({ mixer: NO_MIXER, atLimit: false });
    expect(solveMixer([])).toBeUndefined();
    const broken = [{ name: 'x', from: [Number.NaN, 0, 0] as Triple, hero: [0.5, 0.5, 0.5] as Triple }];
    expect(solveMixer(broken)).toBeUndefined();
  });
});
