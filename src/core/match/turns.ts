import { deltaE2000, type Lab } from '../colour/lab.ts';
import { gamutOf, rgbToXyz, type GamutSpec } from '../colour/gamut.ts';
import { apply, type Triple } from '../maths/matrix.ts';
import { failure, success, type Result } from '../result.ts';
import { OTHER_ERRORS, parted } from './fit.ts';
import { colourTurn } from '../colour/colourTurn.ts';
import { MIDDLE_GREY } from '../units.ts';
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
  /** Slope of light in logs about middle grey, a share; and turn of colours about grey, degrees. */
  readonly gamma?: number;
  readonly hue?: number;
  /** What a second turn did of what the first did; 1 is straight. */
  readonly straight?: number;
  /** How well the patches agree with it: what is left over what noise makes; about 1 is well. */
  readonly misfit: number;
};

/** What a control may do, as places of the vector: gain of light, black, colour, and what of them together. */
const [GAIN, BLACK, COLOUR, GAMMA, HUE] = [[0, 1, 2], [3, 4, 5], [6], [7], [8]] as const;
const KINDS: readonly (readonly number[])[] = [
  [0],
  [1],
  [2],
  GAIN,
  BLACK,
  COLOUR,
  GAMMA,
  HUE,
  [...GAIN, ...GAMMA],
  [...COLOUR, ...HUE],
  [...GAIN, ...BLACK],
  [...GAIN, ...COLOUR],
  [...BLACK, ...COLOUR],
  [...GAIN, ...BLACK, ...COLOUR],
];
/** How far each usually goes over the whole turn that is measured. */
const USUAL = [0.2, 0.2, 0.2, 0.01, 0.01, 0.01, 0.2, 0.1, 6] as const;
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

const UNTURNED = { gain: [0, 0, 0], black: [0, 0, 0], saturation: 0, gamma: 0, hue: 0 } as const;
type Change = Pick<Response, 'gain' | 'black' | 'saturation' | 'gamma' | 'hue'>;

/** Light bent about middle grey; below black it stays as it is. */
const bent = (light: number, gamma: number) =>
  gamma === 0 || light <= 0 ? light : MIDDLE_GREY * (light / MIDDLE_GREY) ** (1 + gamma);

/** Light after a change. */
const changed = ({ gain, black, saturation, gamma = 0, hue = 0 }: Change, weights: Triple) => {
  const matrix = colourTurn(1 + saturation, hue, weights);
  return (light: Triple): Triple => {
    const gained = apply(matrix, light.map((v, c) => v * 2 ** gain[c]) as unknown as Triple);
    return gained.map((v, c) => bent(v, gamma) + black[c]) as unknown as Triple;
  };
};

const changeOf = (v: readonly number[]): Change => ({
  gain: [v[0], v[1], v[2]],
  black: [v[3], v[4], v[5]],
  saturation: v[6],
  gamma: v[7],
  hue: v[8],
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
    ...(whole.gamma ? { gamma: (1 + whole.gamma) ** (1 / steps) - 1 } : {}),
    ...(whole.hue ? { hue: whole.hue / steps } : {}),
    misfit: rms(best.left),
  });
};

/** What a step does, each number over what it usually does. */
const sizesOf = ({ gain, black, saturation, gamma = 0, hue = 0 }: Change): number[] =>
  [...gain, ...black, saturation, gamma, hue].map((v, i) => v / USUAL[i]);

/** How much of its first turn a second one did: 1 where a control is straight. */
export const straightness = (first: Response, second: Response): number => {
  const [a, b] = [sizesOf(first), sizesOf(second)];
  const along = a.reduce((sum, v, i) => sum + v * b[i], 0);
  return along / a.reduce((sum, v) => sum + v * v, 0);
};

/** What a control may move. */
const MOVES_OF = { light: GAIN, black: BLACK, colour: COLOUR, gamma: GAMMA, hue: HUE } as const;
export type Moved = keyof typeof MOVES_OF;
/** A side effect under this share of the main one is nobody's concern. Our own. */
const SIDE = 0.1;

/** What a control moves, the main thing first, then what it pulls along. */
export const movesOf = (response: Change): readonly Moved[] => {
  const sizes = sizesOf(response);
  const size = (moved: Moved) => Math.max(...MOVES_OF[moved].map((place) => Math.abs(sizes[place])));
  const all = (Object.keys(MOVES_OF) as Moved[]).toSorted((a, b) => size(b) - size(a));
  return all.filter((moved) => size(moved) > SIDE * size(all[0]));
};

/** Several controls turned at once. */
const together = (turns: readonly { readonly steps: number; readonly response: Change }[]): Change =>
  turns.reduce<Change>(
    (sum, { steps, response }) => ({
      gain: sum.gain.map((v, c) => v + steps * response.gain[c]) as unknown as Triple,
      black: sum.black.map((v, c) => v + steps * response.black[c]) as unknown as Triple,
      saturation: (1 + sum.saturation) * (1 + response.saturation) ** steps - 1,
      gamma: (1 + (sum.gamma ?? 0)) * (1 + (response.gamma ?? 0)) ** steps - 1,
      hue: (sum.hue ?? 0) + steps * (response.hue ?? 0),
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

/** Moves that are tried on each control, large ones first, and on two at once. */
const MOVES = [16, 8, 4, 2, 1] as const;
const PAIRS = [
  [1, 1],
  [1, -1],
  [-1, 1],
  [-1, -1],
] as const;
/** Pull towards where they stand: decides only what the patches leave open. Our own. */
const RIDGE = 0.01;

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
  const within = (by: readonly number[]) =>
    controls.map(({ low, high, at }, i) => Math.min(high - at, Math.max(low - at, by[i])));
  // Controls that do nearly the same (gain and gamma) trade against each other: first all of them at once, unrounded.
  const residuals = (by: readonly number[]) => {
    const run = changed(
      together(controls.map(({ response }, i) => ({ steps: within(by)[i], response }))),
      weights,
    );
    const seen = pairs.flatMap((pair) =>
      parted(lab(run(pair.light)), pair.hero).map((v) => v / OTHER_ERRORS),
    );
    return [...seen, ...by.map((v) => RIDGE * v)];
  };
  const free = leastSquares(controls.length, 3 * pairs.length + controls.length, residuals, ROUNDS);
  const starts = [controls.map(() => 0), within(free).map(Math.round)];
  let best: readonly number[] = starts.reduce((a, b) => (cost(b) < cost(a) ? b : a));
  let least = cost(best);
  const improve = (tried: readonly number[]) => {
    if (within(tried).some((v, i) => v !== tried[i])) return;
    const is = cost(tried);
    if (is < least) [best, least] = [tried, is];
  };
  for (let round = 0; round < ROUNDS; round += 1) {
    const began = least;
    for (const move of MOVES)
      for (const i of controls.keys())
        for (const by of [-move, move]) improve(best.map((v, n) => (n === i ? v + by : v)));
    // Two at once, where one alone makes it worse.
    for (const i of controls.keys())
      for (const j of controls.keys())
        for (const [a, b] of i < j ? PAIRS : [])
          improve(best.map((v, n) => v + (n === i ? a : n === j ? b : 0)));
    if (least === began) break;
  }
  return {
    turns: controls.flatMap(({ id, name }, i) => (best[i] === 0 ? [] : [{ id, name, by: best[i] }])),
    before: figures(differences(controls.map(() => 0))),
    after: figures(differences(best)),
  };
};
