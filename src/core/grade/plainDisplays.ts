/** Power of the reference display for SDR (BT.1886, black at 0). */
const REFERENCE = 2.4;

/**
 * Displays that show SDR by a plain power, as people have them: a computer's, and one that undoes the curve of
 * BT.709's camera. Common practice. A further one is a row.
 */
export const PLAIN_DISPLAYS = [
  { power: 2.2, name: 'plain 2.2' },
  { power: 1.96, name: '1.96' },
] as const;

/** Stops that a signal (0..1) comes out brighter on a display of a plain power than on the reference display. */
export const brighterOn = (power: number, signal: number): number =>
  signal > 0 ? (power - REFERENCE) * Math.log2(signal) : 0;
