// Holds are laid along a list of shots in the best order-keeping way, and how sure each place is comes from all ways
// there are: the forward-backward sums of a hidden Markov model (Rabiner 1989), over moves of an alignment.

/** What moves beside a match cost: negative logs of belief. Our own choice, tried on the stage with its slips. */
const MOVES = {
  /** A shot of the list was not filmed. */
  missing: 3.2,
  /** A shot after the last hold: who stopped early left out all the rest. */
  unfilmed: 0.7,
  /** A hold belongs to no shot. */
  stray: 5,
  /** A shot was filmed once more. */
  repeat: 2.6,
} as const;

export type Placed = {
  /** Index of the shot that each hold belongs to; -1 for none. */
  readonly shotOf: readonly number[];
  /** How sure each of these is, 0..1. */
  readonly sure: readonly number[];
  /** Belief in each shot, by hold. */
  readonly beliefs: readonly (readonly number[])[];
  /** Log of how likely all of it is. */
  readonly likely: number;
};

const logSum = (...values: readonly number[]): number => {
  const top = Math.max(...values);
  return top === -Infinity
    ? -Infinity
    : top + Math.log(values.reduce((sum, v) => sum + Math.exp(v - top), 0));
};

/** A table of logs over how many shots and holds are laid; nothing is possible outside it. */
const table = (shots: number, holds: number) => {
  const cells = new Float64Array((shots + 1) * (holds + 1)).fill(-Infinity);
  const inside = (i: number, j: number) => i >= 0 && j >= 0 && i <= shots && j <= holds;
  return {
    get: (i: number, j: number) => (inside(i, j) ? cells[i * (holds + 1) + j] : -Infinity),
    set: (i: number, j: number, v: number) => {
      cells[i * (holds + 1) + j] = v;
    },
  };
};

type Sums = {
  /** All ways whose last hold is on the last shot. */
  readonly on: ReturnType<typeof table>;
  readonly off: ReturnType<typeof table>;
};
type Match = (shot: number, hold: number) => number;

/** What a missing shot costs after so many holds. */
const missingAfter = (holds: number) => (laid: number) => (laid === holds ? MOVES.unfilmed : MOVES.missing);

/** Belief of all ways to have laid i shots and j holds. */
const forward = (shots: number, holds: number, match: Match): Sums => {
  const [on, off] = [table(shots, holds), table(shots, holds)];
  const missing = missingAfter(holds);
  for (let i = 0; i <= shots; i += 1)
    for (let j = 0; j <= holds; j += 1) {
      const missed = logSum(off.get(i - 1, j), on.get(i - 1, j)) - missing(j);
      const strayed = logSum(off.get(i, j - 1), on.get(i, j - 1)) - MOVES.stray;
      off.set(i, j, i === 0 && j === 0 ? 0 : logSum(missed, strayed));
      if (i === 0 || j === 0) continue;
      const before = logSum(off.get(i - 1, j - 1), on.get(i - 1, j - 1), on.get(i, j - 1) - MOVES.repeat);
      on.set(i, j, before + match(i - 1, j - 1));
    }
  return { on, off };
};

/** Belief of all ways to lay the rest once i shots and j holds are laid. */
const backward = (shots: number, holds: number, match: Match): Sums => {
  const [on, off] = [table(shots, holds), table(shots, holds)];
  const missing = missingAfter(holds);
  for (let i = shots; i >= 0; i -= 1)
    for (let j = holds; j >= 0; j -= 1) {
      const isEnd = i === shots && j === holds;
      const matched = i < shots && j < holds ? on.get(i + 1, j + 1) + match(i, j) : -Infinity;
      const rest = isEnd
        ? 0
        : logSum(off.get(i + 1, j) - missing(j), off.get(i, j + 1) - MOVES.stray, matched);
      const again = i > 0 && j < holds ? on.get(i, j + 1) + match(i - 1, j) - MOVES.repeat : -Infinity;
      off.set(i, j, rest);
      on.set(i, j, isEnd ? 0 : logSum(rest, again));
    }
  return { on, off };
};

/**
 * @param cost Of hold j as shot i: 0 as expected, larger the less so
 */
export const align = (shots: number, holds: number, cost: (shot: number, hold: number) => number): Placed => {
  const costs = Float64Array.from({ length: shots * holds }, (_, k) =>
    cost(Math.floor(k / holds), k % holds),
  );
  const match: Match = (i, j) => -costs[i * holds + j];
  const [to, from] = [forward(shots, holds, match), backward(shots, holds, match)];
  const likely = logSum(to.on.get(shots, holds), to.off.get(shots, holds));
  const places = Array.from({ length: holds }, (_, j) => {
    const beliefs = Array.from({ length: shots }, (_none, i) =>
      Math.exp(to.on.get(i + 1, j + 1) + from.on.get(i + 1, j + 1) - likely),
    );
    const none = Math.max(0, 1 - beliefs.reduce((a, b) => a + b, 0));
    const best = beliefs.reduce((a, b, i) => (b > (beliefs[a] ?? 0) ? i : a), 0);
    return shots === 0 || none > beliefs[best]
      ? { shot: -1, sure: none, beliefs }
      : { shot: best, sure: beliefs[best], beliefs };
  });
  return {
    shotOf: places.map(({ shot }) => shot),
    sure: places.map(({ sure }) => sure),
    beliefs: places.map(({ beliefs }) => beliefs),
    likely,
  };
};
