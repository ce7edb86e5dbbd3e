import { deltaE2000, type Lab } from '../colour/lab.ts';
import { gamutOf, rgbToXyz, type GamutSpec } from '../colour/gamut.ts';
import type { Triple } from '../maths/matrix.ts';
import { failure, success, type Result } from '../result.ts';
import { OTHER_ERRORS } from './fit.ts';
import { leastSquares } from './leastSquares.ts';
import { labOfLight } from './patches.ts';

/** A control of a camera as its panel has it; how far it goes and by what. */
type Control = {
  readonly id: string;
  readonly name: string;
  readonly low: number;
  readonly high: number;
};

/** Marked things as one camera shows them: linear light, 1 = diffuse white, and its standard error. */
export type LookPatch = {
  readonly name: string;
  readonly light: Triple;
  readonly error: Triple;
};

/**
 * What one step of a control does: log2 of light a channel, light that is added a channel, and colour about luminance
 * (a share). Whatever it is called: a red gain that pulls green along is found so.
 */
export type Response = {
  readonly gain: Triple;
  readonly black: Triple;
  readonly saturation: number;
  /** How well the patches agree with it: what is left over what noise makes; about 1 is well. */
  readonly misfit: number;
};

/** What a control may do, as places of the vector: gain of light, black, colour, and what of them together. */
const [GAIN, BLACK, COLOUR] = [[0, 1, 2], [3, 4, 5], [6]] as const;
const KINDS: readonly (readonly number[])[] = [
  [0],
  [1],
  [2],
  GAIN,
  BLACK,
  COLOUR,
  [...GAIN, ...BLACK],
  [...GAIN, ...COLOUR],
  [...BLACK, ...COLOUR],
  [...GAIN, ...BLACK, ...COLOUR],
];
/** How far each usually goes over the whole turn that is measured. */
const USUAL = [0.2, 0.2, 0.2, 0.01, 0.01, 0.01, 0.2] as const;
/** What a turn has to explain at least, in squares of its noise: seven numbers explain some seven by chance alone. */
const CLEAR = 30;
/** Light under which a channel is its black, not its gain. */
const LEAST = 1e-4;
/** Rounds of a fit, and of trying steps. */
const ROUNDS = 40;

const weightsOf = (primaries: GamutSpec): Triple => {
  const [, , , r, g, b] = rgbToXyz(gamutOf(primaries));
  return [r, g, b];
};

const UNTURNED = { gain: [0, 0, 0], black: [0, 0, 0], saturation: 0 } as const;
type Change = Pick<Response, 'gain' | 'black' | 'saturation'>;

/** Light after a change. */
const changed = ({ gain, black, saturation }: Change, [kr, kg, kb]: Triple) => {
  const s = Math.max(0, 1 + saturation);
  return (light: Triple): Triple => {
    const [r, g, b] = light.map((v, c) => v * 2 ** gain[c]);
    const luma = kr * r + kg * g + kb * b;
    return [
      luma + s * (r - luma) + black[0],
      luma + s * (g - luma) + black[1],
      luma + s * (b - luma) + black[2],
    ];
  };
};

const changeOf = (v: readonly number[]): Change => ({
  gain: [v[0], v[1], v[2]],
  black: [v[3], v[4], v[5]],
  saturation: v[6],
});

/** Standard error of a light, with what no picture is exact by: a five-hundredth of it. */
const errorOf = (light: number, error: number) => Math.hypot(error, 0.002 * Math.abs(light), LEAST / 2);

/**
 * What a control does, from the same things before and after it was turned by `steps`. A failure says what to do
 * instead: a turn too small for the noise, nothing marked in both.
 * @param primaries Of the light
 */
export const learnResponse = (
  before: readonly LookPatch[],
  after: readonly LookPatch[],
  steps: number,
  primaries: GamutSpec,
): Result<Response> => {
  const pairs = before.flatMap((one) => {
    const same = after.find(({ name }) => name === one.name);
    return same ? [{ from: one, to: same }] : [];
  });
  if (steps === 0 || pairs.length === 0)
    return failure('control', 'Mark a card or a board on both pictures, and turn by at least one step.');
  const weights = weightsOf(primaries);
  /** Misfits with the numbers at some places, the others at rest. */
  const misfits = (places: readonly number[], free: readonly number[]) => {
    const all: number[] = USUAL.map(() => 0);
    places.forEach((place, i) => {
      all[place] = free[i] * USUAL[place];
    });
    const run = changed(changeOf(all), weights);
    return pairs.flatMap(({ from, to }) =>
      run(from.light).map((v, c) => (v - to.light[c]) / Math.SQRT2 / errorOf(to.light[c], to.error[c])),
    );
  };
  const squares = (values: readonly number[]) => values.reduce((sum, v) => sum + v * v, 0);
  const count = 3 * pairs.length;
  const fits = KINDS.map((places) => {
    const free = leastSquares(places.length, count, (values) => misfits(places, values), ROUNDS);
    const left = squares(misfits(places, free));
    // Schwarz's criterion: a number has to earn its place.
    return { places, free, left, cost: left + places.length * Math.log(count) };
  });
  const best = fits.reduce((a, b) => (b.cost < a.cost ? b : a));
  const rms = (sum: number) => Math.sqrt(sum / count);
  const explained = squares(misfits([], [])) - best.left;
  if (explained < CLEAR * Math.max(1, best.left / count))
    return failure(
      'control',
      'The turn does not stand out of the noise: turn further, or mark larger patches.',
    );
  const found: number[] = USUAL.map(() => 0);
  best.places.forEach((place, i) => {
    found[place] = best.free[i] * USUAL[place];
  });
  const whole = changeOf(found);
  const a = (values: Triple): Triple => values.map((v) => v / steps) as unknown as Triple;
  return success({
    gain: a(whole.gain),
    black: a(whole.black),
    saturation: (1 + whole.saturation) ** (1 / steps) - 1,
    misfit: rms(best.left),
  });
};

/** Several controls turned at once. */
const together = (turns: readonly { readonly steps: number; readonly response: Change }[]): Change =>
  turns.reduce<Change>(
    (sum, { steps, response }) => ({
      gain: sum.gain.map((v, c) => v + steps * response.gain[c]) as unknown as Triple,
      black: sum.black.map((v, c) => v + steps * response.black[c]) as unknown as Triple,
      saturation: (1 + sum.saturation) * (1 + response.saturation) ** steps - 1,
    }),
    UNTURNED,
  );

export type LearntControl = Control & {
  readonly response: Response;
  /** Where it stands now. */
  readonly at: number;
};

export type Turns = {
  /** By how many steps each is turned from where it stands; those that stay are not named. */
  readonly turns: readonly { readonly id: string; readonly name: string; readonly by: number }[];
  /** CIEDE2000 over the patches: as they are, and as they will be in whole steps. */
  readonly before: { readonly mean: number; readonly worst: number };
  readonly after: { readonly mean: number; readonly worst: number };
};

/** Moves that are tried on each control, large ones first. */
const MOVES = [16, 8, 4, 2, 1] as const;

const figures = (all: readonly number[]) => ({
  mean: all.reduce((sum, v) => sum + v, 0) / Math.max(1, all.length),
  worst: Math.max(0, ...all),
});

/**
 * What to turn, in whole steps within each control's range, so that the camera shows what the hero shows: least
 * squares of CIEDE2000 over the patches, control by control, larger moves first.
 * @param hero The same patches as the hero shows them, in the same primaries
 */
export const solveTurns = (
  now: readonly LookPatch[],
  hero: readonly LookPatch[],
  controls: readonly LearntControl[],
  primaries: GamutSpec,
): Turns => {
  const weights = weightsOf(primaries);
  const lab = labOfLight(primaries, 0);
  const pairs = now.flatMap((one) => {
    const same = hero.find(({ name }) => name === one.name);
    return same ? [{ light: one.light, hero: lab(same.light) as Lab }] : [];
  });
  const differences = (by: readonly number[]) => {
    const run = changed(together(controls.map(({ response }, i) => ({ steps: by[i], response }))), weights);
    return pairs.map((pair) => deltaE2000(lab(run(pair.light)), pair.hero));
  };
  /** A step that gains nothing is not turned. */
  const cost = (by: readonly number[]) =>
    differences(by).reduce((sum, v) => sum + (v / OTHER_ERRORS) ** 2, 0) +
    1e-3 * by.reduce((sum, v) => sum + Math.abs(v), 0);
  let best: readonly number[] = controls.map(() => 0);
  let least = cost(best);
  for (let round = 0; round < ROUNDS; round += 1) {
    const began = least;
    for (const move of MOVES)
      controls.forEach(({ low, high, at }, i) => {
        for (const by of [-move, move]) {
          const tried = best.map((v, n) => (n === i ? v + by : v));
          if (at + tried[i] < low || at + tried[i] > high) continue;
          const is = cost(tried);
          if (is < least) [best, least] = [tried, is];
        }
      });
    if (least === began) break;
  }
  return {
    turns: controls.flatMap(({ id, name }, i) => (best[i] === 0 ? [] : [{ id, name, by: best[i] }])),
    before: figures(differences(controls.map(() => 0))),
    after: figures(differences(best)),
  };
};
