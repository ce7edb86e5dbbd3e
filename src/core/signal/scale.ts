/** The three scales on which people write a level down. Every percentage carries one of them. */
export type ScaleId = 'signalPercent' | 'fullCodePercent' | 'codeValue';

/** legal (narrow) or full range of code values. */
export type Range = 'legal' | 'full';

/** Where a feed puts 0 and 100 % of signal, in codes: found by the two-point check. */
export type FeedAnchors = { readonly black: number; readonly white: number };

/** How code values are laid out in a file or a camera. */
export type Coding = {
  readonly bitDepth: number;
  readonly range: Range;
  /** Measured, where a chain of cables and boxes does not keep to its range. */
  readonly feed?: FeedAnchors;
};

/** Largest code value, 2^n - 1. */
export const maxCode = (bitDepth: number): number => 2 ** bitDepth - 1;

/**
 * Black and white code of R'G'B' and Y'. Legal: 16 and 235 times 2^(n-8)
 * (ITU-R BT.709-6 clause 5.6, BT.2100-2 table 9); full: 0 and 2^n - 1.
 */
export const codeRange = ({ bitDepth, range }: Coding): { readonly black: number; readonly white: number } =>
  range === 'legal'
    ? { black: 16 * 2 ** (bitDepth - 8), white: 235 * 2 ** (bitDepth - 8) }
    : { black: 0, white: maxCode(bitDepth) };

/** Black and white code as measured on the feed, else as the range has them. */
export const codeAnchors = (coding: Coding): { readonly black: number; readonly white: number } =>
  coding.feed ?? codeRange(coding);

/** Signal fraction (0 = black, 1 = 100 %) to code value, not rounded, not clamped. */
export const signalToCode = (signal: number, coding: Coding): number => {
  const { black, white } = codeAnchors(coding);
  return black + (white - black) * signal;
};

/** Code value to signal fraction (0 = black, 1 = 100 %), unclamped: 10-bit legal 1023 is 1.0947. */
export const codeToSignal = (code: number, coding: Coding): number => {
  const { black, white } = codeAnchors(coding);
  return (code - black) / (white - black);
};

/** Signal fraction of every code; the index is the code. */
export const signalsByCode = (coding: Coding): Float64Array =>
  Float64Array.from({ length: maxCode(coding.bitDepth) + 1 }, (_, code) => codeToSignal(code, coding));

/** Signal fraction to the integer in the file, clamped to the code range. */
export const quantise = (signal: number, coding: Coding): number =>
  Math.min(maxCode(coding.bitDepth), Math.max(0, Math.round(signalToCode(signal, coding))));

type ScaleDefinition = {
  readonly id: ScaleId;
  readonly name: string;
  readonly unit: string;
  /** Reading on this scale to signal fraction. */
  readonly toSignal: (reading: number, coding: Coding) => number;
  /** Signal fraction to reading on this scale. */
  readonly fromSignal: (signal: number, coding: Coding) => number;
};

export const SCALES = {
  signalPercent: {
    id: 'signalPercent',
    name: '% of signal',
    unit: '%',
    toSignal: (reading) => reading / 100,
    fromSignal: (signal) => signal * 100,
  },
  fullCodePercent: {
    id: 'fullCodePercent',
    name: '% of full code',
    unit: '%',
    toSignal: (reading, coding) => codeToSignal((reading / 100) * maxCode(coding.bitDepth), coding),
    fromSignal: (signal, coding) => (100 * signalToCode(signal, coding)) / maxCode(coding.bitDepth),
  },
  codeValue: {
    id: 'codeValue',
    name: 'code value',
    unit: '',
    toSignal: codeToSignal,
    fromSignal: signalToCode,
  },
} as const satisfies Record<ScaleId, ScaleDefinition>;

export const SCALE_IDS = Object.keys(SCALES) as ScaleId[];
