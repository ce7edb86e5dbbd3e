import { mean, median } from 'd3-array';
import {
  NO_CORRECTION,
  OPERATION_KINDS,
  type Correction,
  type OperationKind,
} from '../correction/operations.ts';
import { differences, fitPatches, fitted, type FitPatch } from './fit.ts';
import { correctionOf, NOTHING, placesOf, type MatchSpace, type Vector } from './parameters.ts';
import { comparable, type LeftOut, type MatchedPatch, type MatchPatch } from './patches.ts';

/** The order in which models grow: what a dial can do first, then what bends, then what mixes. */
const GROWTH = [
  'exposure',
  'balance',
  'black',
  'contrast',
  'saturation',
  'matrix',
] as const satisfies readonly OperationKind[];
/** These two are always solved: a dial does them, and one grey card tells both. */
const ALWAYS: readonly OperationKind[] = ['exposure', 'balance'];

/** What a further operation has to gain on patches that its fit has not seen, ΔE2000. Our own. */
const LEAST_GAIN = 0.1;
/** And in standard errors of that gain: less can be chance. */
const SURE = 2;
/** A fit with one patch left out starts at the whole one. */
const ROUNDS_AGAIN = 2;

/** One model against the next smaller one. Differences are CIEDE2000 on patches that the fit has not seen. */
export type ModelStep = {
  readonly kind: OperationKind;
  readonly before: number;
  readonly after: number;
  readonly kept: boolean;
  /** Too few patches to try it. */
  readonly untried?: true;
};

export type Match = {
  readonly correction: Correction;
  readonly steps: readonly ModelStep[];
  readonly patches: readonly MatchedPatch[];
  readonly leftOut: readonly LeftOut[];
  /** CIEDE2000 over the patches after the match: mean and worst. */
  readonly mean: number;
  readonly worst: number;
  /** Mean over patches that the fit has not seen; undefined for fewer than three. */
  readonly unseen?: number;
};

/** As good as can be guessed before fitting: the middle of what the channels lie apart. */
const firstGuess = (patches: readonly MatchPatch[]): Vector => {
  const log = (c: number) =>
    median(patches, ({ from, hero }) =>
      Math.log2(Math.max(1e-5, hero.light[c]) / Math.max(1e-5, from.light[c])),
    ) ?? 0;
  const [r, g, b] = [log(0), log(1), log(2)];
  return NOTHING.map((v, i) => (i === 0 ? g : i === 1 ? r - g : i === 2 ? b - g : v));
};

/** A matrix has what saturation has. */
const grown = (kinds: readonly OperationKind[], kind: OperationKind): readonly OperationKind[] => [
  ...kinds.filter((one) => !(kind === 'matrix' && one === 'saturation')),
  kind,
];

type Solved = {
  readonly kinds: readonly OperationKind[];
  readonly vector: Vector;
  /** Of each patch, by the fit without it; undefined for fewer patches than can leave one out. */
  readonly unseen?: readonly number[];
};

const solved = (
  patches: readonly FitPatch[],
  kinds: readonly OperationKind[],
  start: Vector,
  space: MatchSpace,
  /** Whether each is left out once, too: only where models are compared. */
  isCompared = true,
): Solved => {
  const vector = fitted(patches, kinds, start, space);
  if (!isCompared || 3 * (patches.length - 1) < placesOf(kinds).length + 1) return { kinds, vector };
  const unseen = patches.map((patch, i) => {
    const others = patches.filter((_, j) => j !== i);
    return differences([patch], fitted(others, kinds, vector, space, ROUNDS_AGAIN), space)[0];
  });
  return { kinds, vector, unseen };
};

/** A patch counts as much as it is sure. */
const weighted = (values: readonly number[], patches: readonly FitPatch[]): number => {
  const weights = patches.map(({ noise }) => 1 / (1 + noise * noise));
  const all = weights.reduce((sum, w) => sum + w, 0);
  return values.reduce((sum, v, i) => sum + v * weights[i], 0) / all;
};

const pays = (small: readonly number[], large: readonly number[], patches: readonly FitPatch[]): boolean => {
  const gains = small.map((v, i) => v - large[i]);
  const gain = weighted(gains, patches);
  const deviation = Math.sqrt(
    weighted(
      gains.map((v) => (v - gain) ** 2),
      patches,
    ),
  );
  return gain > LEAST_GAIN && gain > (SURE * deviation) / Math.sqrt(gains.length);
};

/** Grows the model by what pays; what was not worth it is tried once more when something after it was. */
const grow = (
  patches: readonly FitPatch[],
  first: Solved,
  space: MatchSpace,
  allowed: readonly OperationKind[],
) => {
  const steps = new Map<OperationKind, ModelStep>();
  let best = first;
  for (const round of [0, 1]) {
    const before = best;
    for (const kind of GROWTH) {
      if (best.kinds.includes(kind) || !allowed.includes(kind)) continue;
      if (kind === 'saturation' && best.kinds.includes('matrix')) continue;
      const kinds = grown(best.kinds, kind);
      const small = best.unseen && weighted(best.unseen, patches);
      if (best.unseen === undefined || small === undefined) {
        steps.set(kind, { kind, before: 0, after: 0, kept: false, untried: true });
        continue;
      }
      // The numbers of what is dropped go back to nothing.
      const start = best.vector.map((v, i) => (placesOf(kinds).includes(i) ? v : NOTHING[i]));
      const tried = solved(patches, kinds, start, space);
      if (tried.unseen === undefined) {
        steps.set(kind, { kind, before: small, after: small, kept: false, untried: true });
        continue;
      }
      const kept = pays(best.unseen, tried.unseen, patches);
      steps.set(kind, { kind, before: small, after: weighted(tried.unseen, patches), kept });
      if (kept) best = tried;
    }
    if (best === before || round === 1) break;
  }
  return { best, steps: GROWTH.flatMap((kind) => steps.get(kind) ?? []) };
};

/** What exposure and balance gain, as they are solved first and together. */
const dialSteps = (
  patches: readonly FitPatch[],
  first: Solved,
  start: Vector,
  space: MatchSpace,
): ModelStep[] => {
  const none = weighted(differences(patches, NOTHING, space), patches);
  const exposed = solved(
    patches,
    ['exposure'],
    start.map((v, i) => (i === 0 ? v : NOTHING[i])),
    space,
  );
  const of = ({ unseen, vector }: Solved) => weighted(unseen ?? differences(patches, vector, space), patches);
  return [
    { kind: 'exposure', before: none, after: of(exposed), kept: true },
    { kind: 'balance', before: of(exposed), after: of(first), kept: true },
  ];
};

/**
 * What brings a camera's light to the hero's, from patches of the same things before both. Exposure and balance
 * always; black, contrast, saturation and a matrix only where they pay on patches that the fit has not seen (each left
 * out once). Weights by noise; patches that clip or drown are left out and named.
 * @param allowed What may be tried beyond exposure and balance
 * @returns without a patch that can be compared: no correction and means of 0
 */
export const solveMatch = (
  patches: readonly MatchPatch[],
  space: MatchSpace,
  allowed: readonly OperationKind[] = OPERATION_KINDS,
): Match => {
  const { used, leftOut } = comparable(patches);
  if (used.length === 0)
    return {
      correction: { ...NO_CORRECTION, primaries: space.primaries },
      steps: [],
      patches: [],
      leftOut,
      mean: 0,
      worst: 0,
    };
  const fit = fitPatches(used, space);
  const start = firstGuess(used);
  const isCompared = allowed.length > 0;
  const first = solved(fit, ALWAYS, start, space, isCompared);
  const { best, steps } = grow(fit, first, space, allowed);
  const before = differences(fit, NOTHING, space);
  const after = differences(fit, best.vector, space);
  return {
    correction: correctionOf(
      best.vector,
      OPERATION_KINDS.filter((kind) => best.kinds.includes(kind)),
      space,
    ),
    steps: isCompared ? [...dialSteps(fit, first, start, space), ...steps] : [],
    patches: used.map(({ name, kind }, i) => ({
      name,
      kind,
      before: before[i],
      after: after[i],
      noise: fit[i].noise,
      ...(best.unseen ? { unseen: best.unseen[i] } : {}),
    })),
    leftOut,
    mean: mean(after) ?? 0,
    worst: Math.max(...after),
    ...(best.unseen ? { unseen: mean(best.unseen) ?? 0 } : {}),
  };
};
