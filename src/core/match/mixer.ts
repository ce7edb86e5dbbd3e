import { gamutMatrix, type GamutSpec } from '../colour/gamut.ts';
import { deltaE2000, type Lab } from '../colour/lab.ts';
import { compileCdl, type Cdl } from '../lut/cdl.ts';
import { apply, type Triple } from '../maths/matrix.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { fitPatches, OTHER_ERRORS, parted } from './fit.ts';
import { leastSquares } from './leastSquares.ts';
import type { MatchSpace } from './parameters.ts';
import { comparable, labOfLight, type MatchPatch } from './patches.ts';

/**
 * What is turned at a mixing desk, a channel each: black lands on lift, white on gain, gamma bends what is between,
 * out = (in * (gain - lift) + lift) ^ (1 / gamma); saturation about luma (BT.709) comes last. The same as a CDL of
 * slope gain - lift, offset lift and power 1 / gamma (ASC CDL 1.2). Other desks bend in another order: theirs is
 * not this.
 */
export type Mixer = {
  readonly lift: Triple;
  readonly gamma: Triple;
  readonly gain: Triple;
  readonly saturation: number;
};

export const NO_MIXER: Mixer = { lift: [0, 0, 0], gamma: [1, 1, 1], gain: [1, 1, 1], saturation: 1 };

/** How far each is turned at most. Our own, on the safe side of what desks have. */
const MIXER_LIMITS = {
  lift: [-0.2, 0.2],
  gamma: [0.5, 2],
  gain: [0.5, 2],
  saturation: [0, 2],
} as const satisfies { readonly [K in keyof Mixer]: readonly [number, number] };
/** Desks show hundredths. */
const STEP = 0.01;

/** The same as a CDL: exact. */
export const mixerCdl = ({ lift, gamma, gain, saturation }: Mixer): Cdl => ({
  slope: [gain[0] - lift[0], gain[1] - lift[1], gain[2] - lift[2]],
  offset: lift,
  power: [1 / gamma[0], 1 / gamma[1], 1 / gamma[2]],
  saturation,
});

/** Signals through the desk, 0..1. */
export const compileMixer = (mixer: Mixer): ((rgb: Triple) => Triple) => compileCdl(mixerCdl(mixer), 'held');

/** The same thing on both inputs, R'G'B' signals of 0..1 as the cameras give them. */
export type MixerPatch = {
  readonly name: string;
  readonly from: Triple;
  readonly hero: Triple;
  /** Standard deviation of what lies between them by noise, in units of L*a*b*. */
  readonly noise?: number;
};

type Side = { readonly profile?: ProfileData };

/** Light in the primaries of the match as the signal that a camera gave for it. */
const signalOf = ({ profile }: Side, primaries: GamutSpec): ((light: Triple) => Triple) => {
  if (!profile)
    return (light) => light.map((v) => TRANSFERS.bt1886.encode(Math.max(0, v))) as unknown as Triple;
  const { transfer, gamut } = compileProfile(profile);
  const own = gamut === primaries ? undefined : gamutMatrix(primaries, gamut);
  return (light) => (own ? apply(own, light) : light).map(transfer.encode) as unknown as Triple;
};

/** Patches as signals; clipped ones and those in the noise are left out, as in the match. */
export const mixerPatches = (
  patches: readonly MatchPatch[],
  space: MatchSpace,
  sides: { readonly camera: Side; readonly hero: Side },
): MixerPatch[] => {
  const [camera, hero] = [signalOf(sides.camera, space.primaries), signalOf(sides.hero, space.primaries)];
  const { used } = comparable(patches);
  const fit = fitPatches(used, space);
  return used.map((patch, i) => ({
    name: patch.name,
    from: camera(patch.from.light),
    hero: hero(patch.hero.light),
    noise: fit[i].noise,
  }));
};

/** Where each number stands in the vector that is fitted, what it is at rest, and how far it usually goes. */
const KEYS = ['lift', 'gamma', 'gain'] as const;
const USUAL = [0.03, 0.03, 0.03, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.2] as const;
const AT_REST = [0, 0, 0, 1, 1, 1, 1, 1, 1, 1] as const;
/** Pull towards rest: decides only what the patches leave open. Our own. */
const RIDGE = 0.2;
const ROUNDS = 40;

const within = (value: number, [low, high]: readonly [number, number]) =>
  Math.min(high, Math.max(low, value));

const mixerOf = (free: readonly number[]): Mixer => {
  const at = AT_REST.map((rest, i) => rest + (free[i] ?? 0) * USUAL[i]);
  const triple = (key: (typeof KEYS)[number], n: number) =>
    [0, 1, 2].map((c) => within(at[3 * n + c], MIXER_LIMITS[key])) as unknown as Triple;
  return {
    lift: triple('lift', 0),
    gamma: triple('gamma', 1),
    gain: triple('gain', 2),
    saturation: within(at[9], MIXER_LIMITS.saturation),
  };
};

/** A hero's patch under this chroma of L*a*b* says nothing about saturation. Our own. */
const COLOURFUL = 8;
/** Rounds of trying every number a step up and down. */
const STEP_ROUNDS = 6;

const flat = ({ lift, gamma, gain, saturation }: Mixer): number[] => [...lift, ...gamma, ...gain, saturation];
const limitsOf = (place: number): readonly [number, number] =>
  place === 9 ? MIXER_LIMITS.saturation : MIXER_LIMITS[KEYS[Math.floor(place / 3)]];
const ofSteps = (steps: readonly number[]): Mixer => {
  const at = (i: number) => steps[i] * STEP;
  const triple = (n: number): Triple => [at(n), at(n + 1), at(n + 2)];
  return { lift: triple(0), gamma: triple(3), gain: triple(6), saturation: at(9) };
};

/**
 * The numbers in whole steps. Each rounded by itself they add up to more than they must: every one is tried a step
 * up and down as long as that helps.
 */
const inSteps = (mixer: Mixer, places: number, offOf: (mixer: Mixer) => number): Mixer => {
  let steps = flat(mixer).map((v) => Math.round(v / STEP));
  let best = offOf(ofSteps(steps));
  for (let round = 0; round < STEP_ROUNDS; round += 1) {
    const before = best;
    for (let place = 0; place < places; place += 1)
      for (const by of [-1, 1]) {
        const tried = steps.map((v, i) => (i === place ? v + by : v));
        const [low, high] = limitsOf(place);
        const is = offOf(ofSteps(tried));
        if (is < best && tried[place] * STEP >= low - 1e-9 && tried[place] * STEP <= high + 1e-9)
          [steps, best] = [tried, is];
      }
    if (best === before) break;
  }
  return ofSteps(steps);
};

/** Signals as a display shows them (BT.1886), in L*a*b*. */
const shownLab = (): ((signal: Triple) => Lab) => {
  const lab = labOfLight('bt709', 0);
  return (signal) =>
    lab(signal.map((v) => TRANSFERS.bt1886.decode(Math.min(1, Math.max(0, v)))) as unknown as Triple);
};

export type MixerAnswer = {
  /** In steps of a hundredth. */
  readonly mixer: Mixer;
  /** CIEDE2000 over the patches as a display shows them: as they come, and with the rounded numbers. */
  readonly before: { readonly mean: number; readonly worst: number };
  readonly after: { readonly mean: number; readonly worst: number };
  /** Something is turned as far as it goes: less than all of it is done. */
  readonly atLimit: boolean;
};

const figures = (all: readonly number[]) => ({
  mean: all.reduce((sum, v) => sum + v, 0) / all.length,
  worst: Math.max(...all),
});

/**
 * What to turn at the desk so that the second input looks like the first: least squares in what a display shows
 * (Levenberg and Marquardt), rounded to what a desk has. Undefined where there is no patch.
 */
export const solveMixer = (given: readonly MixerPatch[]): MixerAnswer | undefined => {
  const patches = given.filter(({ from, hero }) => [...from, ...hero].every(Number.isFinite));
  if (patches.length === 0) return undefined;
  const lab = shownLab();
  const heroes = patches.map(({ hero }) => lab(hero));
  // Of greys alone a cast would be taken off by turning the colour down.
  const places = heroes.some(([, a, b]) => Math.hypot(a, b) > COLOURFUL) ? 10 : 9;
  const residuals = (free: readonly number[]) => {
    const run = compileMixer(mixerOf(free));
    const seen = patches.flatMap(({ from, noise = 0 }, i) =>
      parted(lab(run(from)), heroes[i]).map((v) => v / Math.hypot(noise, OTHER_ERRORS)),
    );
    return [...seen, ...free.map((v) => RIDGE * v)];
  };
  const free = leastSquares(places, 3 * patches.length + places, residuals, ROUNDS);
  const differences = (mixer: Mixer) => {
    const run = compileMixer(mixer);
    return patches.map(({ from }, i) => deltaE2000(lab(run(from)), heroes[i]));
  };
  /** What is left against what noise alone makes, and how far it is turned. */
  const cost = (mixer: Mixer) =>
    differences(mixer).reduce(
      (sum, v, i) => sum + (v / Math.hypot(patches[i].noise ?? 0, OTHER_ERRORS)) ** 2,
      0,
    ) + flat(mixer).reduce((sum, v, i) => sum + ((RIDGE * (v - AT_REST[i])) / USUAL[i]) ** 2, 0);
  const before = figures(differences(NO_MIXER));
  const found = inSteps(mixerOf(free), places, cost);
  // Away from everything a fit can end nowhere: then nothing is turned.
  if (!(cost(found) < cost(NO_MIXER))) return { mixer: NO_MIXER, before, after: before, atLimit: false };
  const after = figures(differences(found));
  const isAt = (value: number, [low, high]: readonly [number, number]) =>
    value <= low + STEP / 2 || value >= high - STEP / 2;
  return {
    mixer: found,
    before,
    after,
    atLimit:
      KEYS.some((key) => found[key].some((v) => isAt(v, MIXER_LIMITS[key]))) ||
      isAt(found.saturation, MIXER_LIMITS.saturation),
  };
};
