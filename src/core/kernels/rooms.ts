/** The module's own data lies under this. */
const BASE = 65_536;
/** A cube laid out by tetrahedra. */
const UNFOLDED = 32 ** 3 * 8 * 32;
/** Where the last pixels of a cube are done. */
const SPARE = 192;
/** Counts of a second thread: 512 x 512 of 32 bits. */
const PAIRS = 4 * 512 * 512;

/** Addresses in the kernels' memory that are always the same; frames and counts come after `end`. */
export const ROOMS = {
  cube: BASE,
  spare: BASE + UNFOLDED,
  secondSpare: BASE + UNFOLDED + SPARE,
  secondCounts: BASE + UNFOLDED + 2 * SPARE,
  end: BASE + UNFOLDED + 2 * SPARE + PAIRS,
} as const;
