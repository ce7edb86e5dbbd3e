import type { TransferFunction } from './types.ts';

/** `base` with the black level set `lift` higher (a fraction of signal, may be under 0): the whole signal moves. */
export const withLift = ({ encode, decode }: TransferFunction, lift: number): TransferFunction => ({
  encode: (x) => encode(x) + lift,
  decode: (y) => decode(y - lift),
});
