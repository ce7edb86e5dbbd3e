/**
 * Signal differences that a codec's quantiser melts at full smoothing. Our own: about what long-GOP at low
 * rates does.
 */
const MELTS = 0.02;

/** A plane with small differences to its neighbours melted away, edges kept: what hard compression leaves of noise. */
export const melted = (plane: Float32Array, width: number, amount: number): Float32Array => {
  const out = plane.slice();
  const limit = MELTS * amount;
  const last = plane.length - width - 1;
  for (let i = width + 1; i < last; i += 1) {
    const own = plane[i];
    let sum = own;
    let count = 1;
    for (const j of [i - 1, i + 1, i - width, i + width]) {
      if (Math.abs(plane[j] - own) > limit) continue;
      sum += plane[j];
      count += 1;
    }
    out[i] = sum / count;
  }
  return out;
};
