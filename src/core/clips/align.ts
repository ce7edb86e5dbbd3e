// Two rows in order, paired one to one: the likeliest pairing (dynamic programming), and how likely each pair is over
// all pairings (forward and backward sums; Durbin et al., Biological Sequence Analysis, 1998, chapter 4).

/** Log weights of a step: the i-th of one row with the j-th of the other, or either left alone. */
export type Steps = {
  readonly pair: (i: number, j: number) => number;
  readonly skipFirst: (i: number) => number;
  /** `i` of the first row have gone before. */
  readonly skipSecond: (i: number, j: number) => number;
};

const logSum = (a: number, b: number, c: number): number => {
  const most = Math.max(a, b, c);
  return most === -Infinity
    ? most
    : most + Math.log(Math.exp(a - most) + Math.exp(b - most) + Math.exp(c - most));
};

export type Aligned = {
  /** Log weight of all pairings together. */
  readonly logTotal: number;
  /** Partner of each of the first row on the likeliest pairing, or -1. */
  readonly partner: Int32Array;
  /** How likely the i-th of the first row belongs to the j-th of the second, over all pairings. */
  readonly probability: (i: number, j: number) => number;
};

/** @param n length of the first row @param m length of the second; n·m stays below some millions. */
export const align = (n: number, m: number, { pair, skipFirst, skipSecond }: Steps): Aligned => {
  const wide = m + 1;
  const cells = (n + 1) * wide;
  const [forward, backward, best] = [0, 1, 2].map(() => new Float64Array(cells).fill(-Infinity));
  const pairs = new Float64Array(n * m);
  for (let i = 0; i < n; i += 1) for (let j = 0; j < m; j += 1) pairs[i * m + j] = pair(i, j);
  [forward[0], best[0]] = [0, 0];
  for (let i = 0; i <= n; i += 1) {
    const alone = i > 0 ? skipFirst(i - 1) : 0;
    for (let j = 0; j <= m; j += 1) {
      if (i + j === 0) continue;
      const here = i * wide + j;
      let [a, b, c, most] = [-Infinity, -Infinity, -Infinity, -Infinity];
      if (i > 0) {
        a = forward[here - wide] + alone;
        most = best[here - wide] + alone;
      }
      if (j > 0) {
        const other = skipSecond(i, j - 1);
        b = forward[here - 1] + other;
        most = Math.max(most, best[here - 1] + other);
      }
      if (i > 0 && j > 0) {
        const both = pairs[(i - 1) * m + j - 1];
        c = forward[here - wide - 1] + both;
        most = Math.max(most, best[here - wide - 1] + both);
      }
      forward[here] = logSum(a, b, c);
      best[here] = most;
    }
  }
  backward[cells - 1] = 0;
  for (let i = n; i >= 0; i -= 1)
    for (let j = m; j >= 0; j -= 1) {
      if (i === n && j === m) continue;
      const here = i * wide + j;
      backward[here] = logSum(
        i < n ? backward[here + wide] + skipFirst(i) : -Infinity,
        j < m ? backward[here + 1] + skipSecond(i, j) : -Infinity,
        i < n && j < m ? backward[here + wide + 1] + pairs[i * m + j] : -Infinity,
      );
    }
  const logTotal = forward[cells - 1];
  return {
    logTotal,
    partner: walkBack(n, m, best, pairs, { pair, skipFirst, skipSecond }),
    probability: (i, j) =>
      Math.exp(forward[i * wide + j] + pairs[i * m + j] + backward[(i + 1) * wide + j + 1] - logTotal),
  };
};

/** The likeliest pairing, from its end. */
const walkBack = (
  n: number,
  m: number,
  best: Float64Array,
  pairs: Float64Array,
  steps: Steps,
): Int32Array => {
  const wide = m + 1;
  const partner = new Int32Array(n).fill(-1);
  let [i, j] = [n, m];
  while (i + j > 0) {
    const here = best[i * wide + j];
    if (i > 0 && j > 0 && best[(i - 1) * wide + j - 1] + pairs[(i - 1) * m + j - 1] === here) {
      [i, j] = [i - 1, j - 1];
      partner[i] = j;
    } else if (i > 0 && best[(i - 1) * wide + j] + steps.skipFirst(i - 1) === here) i -= 1;
    else j -= 1;
  }
  return partner;
};
