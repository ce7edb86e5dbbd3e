/** A function of one channel as a file gives it. */
export type SampledCurve = {
  readonly title: string;
  /** Input, rising. */
  readonly x: readonly number[];
  /** Output at each input, not clamped. */
  readonly y: readonly number[];
  /** What of the file was not taken, or taken with a doubt: one sentence each. */
  readonly notes: readonly string[];
  /** Where a row stands in the file, to name it: `line 12`, `row 12`. */
  readonly rowAt: (index: number) => string;
};

/** Largest difference between channels that is still one curve. */
const SAME_CHANNELS = 1e-4;

/** One column of red, green and blue ones: green where they differ, with the sentence that says so. */
export const oneChannel = (
  rows: readonly (readonly number[])[],
): { readonly y: number[]; readonly notes: string[] } => {
  const apart = rows.reduce(
    (worst, row) => (row.length < 3 ? worst : Math.max(worst, Math.max(...row) - Math.min(...row))),
    0,
  );
  return {
    y: rows.map((row) => (row.length < 3 ? row[0] : row[1])),
    notes:
      apart > SAME_CHANNELS ? [`The channels differ by up to ${apart.toPrecision(2)}; green is taken.`] : [],
  };
};
