/** Cholesky factor of a symmetric matrix, row by row; undefined where it is not positive definite. */
export const choleskyOf = (a: number[][]): number[][] | undefined => {
  const n = a.length;
  const l = a.map((row) => [...row]);
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = l[i][j];
      for (let k = 0; k < j; k += 1) sum -= l[i][k] * l[j][k];
      if (i === j) {
        if (!(sum > 0)) return undefined;
        l[i][i] = Math.sqrt(sum);
      } else l[i][j] = sum / l[j][j];
    }
  return l;
};

/** x of A x = b, by A's Cholesky factor. */
export const solveBy = (l: number[][], b: readonly number[]): number[] => {
  const n = b.length;
  const y = [...b];
  for (let i = 0; i < n; i += 1) {
    for (let k = 0; k < i; k += 1) y[i] -= l[i][k] * y[k];
    y[i] /= l[i][i];
  }
  for (let i = n - 1; i >= 0; i -= 1) {
    for (let k = i + 1; k < n; k += 1) y[i] -= l[k][i] * y[k];
    y[i] /= l[i][i];
  }
  return y;
};
