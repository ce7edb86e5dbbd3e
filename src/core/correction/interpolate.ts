import type { Matrix3, Triple } from '../maths/matrix.ts';
import { IDENTITY } from '../maths/matrix.ts';
import {
  OPERATION_KINDS,
  operationOf,
  type Correction,
  type Operation,
  type OperationKind,
} from './operations.ts';

/** A correction that was found in a light, K. */
export type CorrectionInLight = { readonly kelvin: number; readonly correction: Correction };

export type InterpolatedCorrection = {
  readonly correction: Correction;
  /** The lights it stands between, K; one where a light was at hand. */
  readonly from: readonly number[];
  /** How far the light lies outside those that were measured, mired; 0 within. */
  readonly outside: number;
};

const mix = (a: number, b: number, t: number) => a + (b - a) * t;
const mixAll = <T extends readonly number[]>(a: T, b: T, t: number): T =>
  a.map((v, i) => mix(v, b[i], t)) as unknown as T;

const NO_REST: Triple = [0, 0, 0];

type Mixers = {
  readonly [K in OperationKind]: {
    /** The operation that does nothing. */
    readonly none: (like: Extract<Operation, { kind: K }>) => Extract<Operation, { kind: K }>;
    readonly mixed: (
      a: Extract<Operation, { kind: K }>,
      b: Extract<Operation, { kind: K }>,
      t: number,
    ) => Extract<Operation, { kind: K }>;
  };
};

/** How two operations of a kind are mixed. A further kind is a row. */
const MIXERS: Mixers = {
  black: {
    none: (like) => ({ ...like, offset: [0, 0, 0] }),
    mixed: (a, b, t) => ({ kind: 'black', offset: mixAll<Triple>(a.offset, b.offset, t) }),
  },
  exposure: {
    none: (like) => ({ ...like, stops: 0 }),
    mixed: (a, b, t) => ({ kind: 'exposure', stops: mix(a.stops, b.stops, t) }),
  },
  balance: {
    none: ({ kind, about }) => ({ kind, mired: 0, tint: 0, about }),
    mixed: (a, b, t) => ({
      kind: 'balance',
      mired: mix(a.mired, b.mired, t),
      tint: mix(a.tint, b.tint, t),
      about: {
        kelvin: 1e6 / mix(1e6 / a.about.kelvin, 1e6 / b.about.kelvin, t),
        tint: mix(a.about.tint, b.about.tint, t),
      },
      ...(a.rest || b.rest ? { rest: mixAll<Triple>(a.rest ?? NO_REST, b.rest ?? NO_REST, t) } : {}),
    }),
  },
  contrast: {
    none: (like) => ({ ...like, slope: 1 }),
    mixed: (a, b, t) => ({ kind: 'contrast', slope: mix(a.slope, b.slope, t) }),
  },
  saturation: {
    none: (like) => ({ ...like, amount: 1 }),
    mixed: (a, b, t) => ({ kind: 'saturation', amount: mix(a.amount, b.amount, t) }),
  },
  matrix: {
    none: (like) => ({ ...like, matrix: IDENTITY }),
    // Rows that sum to 1 keep doing so.
    mixed: (a, b, t) => ({ kind: 'matrix', matrix: mixAll<Matrix3>(a.matrix, b.matrix, t) }),
  },
};

const mixedCorrection = (a: Correction, b: Correction, t: number): Correction => ({
  primaries: a.primaries,
  operations: OPERATION_KINDS.flatMap((kind) => {
    const [one, other] = [operationOf(a, kind), operationOf(b, kind)];
    const like = one ?? other;
    if (!like) return [];
    const { none, mixed } = MIXERS[kind] as {
      none: (like: Operation) => Operation;
      mixed: (a: Operation, b: Operation, t: number) => Operation;
    };
    return [mixed(one ?? none(like), other ?? none(like), t)];
  }),
});

/**
 * What holds in a light between those in which corrections were found: mixed by its place between the two nearest on
 * the mired scale. Outside them the nearest one stands, and how far outside is told. Undefined without any.
 * Corrections are taken to work in the same primaries.
 */
export const correctionInLight = (
  found: readonly CorrectionInLight[],
  kelvin: number,
): InterpolatedCorrection | undefined => {
  const sorted = found.toSorted((a, b) => b.kelvin - a.kelvin);
  const at = 1e6 / kelvin;
  const mired = sorted.map((one) => 1e6 / one.kelvin);
  const after = mired.findIndex((one) => one >= at);
  if (sorted.length === 0) return undefined;
  if (after <= 0) {
    const nearest = sorted.at(after)!;
    const outside = Math.abs(1e6 / nearest.kelvin - at);
    return { correction: nearest.correction, from: [nearest.kelvin], outside };
  }
  const [a, b] = [sorted[after - 1], sorted[after]];
  const t = (at - mired[after - 1]) / (mired[after] - mired[after - 1]);
  if (t === 1) return { correction: b.correction, from: [b.kelvin], outside: 0 };
  return {
    correction: mixedCorrection(a.correction, b.correction, t),
    from: [a.kelvin, b.kelvin],
    outside: 0,
  };
};
