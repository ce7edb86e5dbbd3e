// Noise by how fine it is: white noise has as much at every frequency; what a camera smoothed has lost the finest.

/** Pixels of a piece of a row that is transformed, and the frequencies that come of it: up to half a cycle a pixel. */
const PIECE = 32;
export const FREQUENCIES = Array.from({ length: PIECE / 2 }, (_, k) => (k + 1) / PIECE);
/** Rows and pieces of each that are read at most: more tell nothing more. */
const [MOST_ROWS, MOST_PIECES] = [64, 4];

const COSINES = Float64Array.from({ length: PIECE }, (_, n) => Math.cos((2 * Math.PI * n) / PIECE));
const SINES = Float64Array.from({ length: PIECE }, (_, n) => Math.sin((2 * Math.PI * n) / PIECE));

/**
 * Power of residuals along rows at each frequency, of what white noise of the same variance has there: 1 everywhere for
 * white noise. A plain periodogram, averaged over pieces of rows. @returns an empty list for too narrow a part.
 */
export const noiseSpectrum = (rest: Float32Array, width: number, height: number): number[] => {
  const pieces = Math.min(MOST_PIECES, Math.floor(width / PIECE));
  if (pieces === 0) return [];
  const every = Math.max(1, Math.floor(height / MOST_ROWS));
  const powers = new Float64Array(FREQUENCIES.length);
  let count = 0;
  for (let row = 0; row < height; row += every)
    for (let piece = 0; piece < pieces; piece += 1) {
      const from = row * width + piece * PIECE;
      count += 1;
      for (let k = 0; k < FREQUENCIES.length; k += 1) {
        let [real, imaginary] = [0, 0];
        for (let n = 0; n < PIECE; n += 1) {
          const turn = ((k + 1) * n) % PIECE;
          real += rest[from + n] * COSINES[turn];
          imaginary += rest[from + n] * SINES[turn];
        }
        powers[k] += (real * real + imaginary * imaginary) / PIECE;
      }
    }
  const mean = powers.reduce((a, b) => a + b, 0) / powers.length;
  return count > 0 && mean > 0 ? Array.from(powers, (power) => power / mean) : [];
};
