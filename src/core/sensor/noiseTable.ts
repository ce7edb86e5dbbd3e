import { gaussian, seededRandom } from '../random.ts';

const SIZE = 1 << 16;
export const NOISE_MASK = SIZE - 1;

let table: Float32Array | undefined;

/** Standard normal deviates, shuffled once, mean 0 and deviation 1 exactly; looked up by random bits. */
export const noiseTable = (): Float32Array => {
  if (table) return table;
  const normal = gaussian(seededRandom(20_260_414));
  const raw = Float32Array.from({ length: SIZE }, normal);
  const mean = raw.reduce((sum, v) => sum + v, 0) / SIZE;
  const deviation = Math.sqrt(raw.reduce((sum, v) => sum + (v - mean) ** 2, 0) / SIZE);
  table = raw.map((v) => (v - mean) / deviation);
  return table;
};

/** Where the numbers of a seed start: neighbours have nothing to do with each other. */
export const startOf = (seed: number): number => {
  let h = Math.imul(seed ^ 0x5bd1e995, 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return h ^ (h >>> 16);
};
