/** Bits of the mantissa that are looked up: 2^-12 of a value is 0.0004 stop. */
const BITS = 12;
export const SHIFT = 23 - BITS;
/** Light from here up goes by the logarithmic table, under it (and below 0) by a straight one. */
export const LOW = 2 ** -11;
const HIGH_EXPONENT = 8;
const STRAIGHT = 4096;
export const UNDER = -LOW * 15;

/** A curve as a table over its whole input: even in stops above, even in light near black. */
export type EncodeTable = {
  readonly logs: Float32Array;
  readonly straight: Float32Array;
  readonly first: number;
};

const word = new Float32Array(1);
const bits = new Int32Array(word.buffer);
const bitsOf = (v: number) => {
  word[0] = v;
  return bits[0] >> SHIFT;
};

/** Tabulates a curve from linear light to signal, flat above `top`. */
export const encodeTable = (encode: (light: number) => number, top: number): EncodeTable => {
  const first = bitsOf(LOW);
  const count = bitsOf(2 ** HIGH_EXPONENT) - first;
  const middle = (i: number) => {
    bits[0] = ((i + first) << SHIFT) | (1 << (SHIFT - 1));
    return word[0];
  };
  return {
    first,
    logs: Float32Array.from({ length: count }, (_, i) => encode(Math.min(top, middle(i)))),
    straight: Float32Array.from({ length: STRAIGHT + 1 }, (_, i) =>
      encode(Math.min(top, UNDER + (i * (LOW - UNDER)) / STRAIGHT)),
    ),
  };
};

const STEP = STRAIGHT / (LOW - UNDER);

/** A light through the table. */
export const lookUp = ({ logs, straight, first }: EncodeTable, light: number): number => {
  if (light >= LOW) {
    word[0] = light;
    const i = (bits[0] >> SHIFT) - first;
    return logs[i < logs.length ? i : logs.length - 1];
  }
  const at = (light - UNDER) * STEP;
  return straight[at > 0 ? Math.round(at) : 0];
};
