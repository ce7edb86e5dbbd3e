import type { Dial } from '../colour/lean.ts';
import type { GamutSpec } from '../colour/gamut.ts';
import type { CurveSpec } from '../profile/types.ts';
import type { Matrix3, Triple } from '../maths/matrix.ts';

/**
 * One thing that is done to scene light, as data. Light is linear R, G, B in the correction's primaries. The order is
 * a camera's own, backwards: what its menu did to the picture last is undone first.
 */
export type Operation =
  /** Stops over grey become so many times as many: a slope about grey on the bending curve. */
  | { readonly kind: 'contrast'; readonly slope: number }
  /** Colour about luma on the bending curve; 1 leaves it. */
  | { readonly kind: 'saturation'; readonly amount: number }
  /** Three by three with each row's sum 1: white stays. */
  | { readonly kind: 'matrix'; readonly matrix: Matrix3 }
  /** Light more (+) or less, stops. */
  | { readonly kind: 'exposure'; readonly stops: number }
  /**
   * As if another balance had been dialled than `about`: warmer + in mired, greener + in points of tint. `rest` are
   * gains that no dial reaches, log2, where there are any.
   */
  | {
      readonly kind: 'balance';
      readonly mired: number;
      readonly tint: number;
      readonly about: Dial;
      readonly rest?: Triple;
    }
  /** Taken off each channel: light that lay over the whole picture. 1.0 = diffuse white. */
  | { readonly kind: 'black'; readonly offset: Triple };

export type OperationKind = Operation['kind'];
/** In the order in which they are done. */
export const OPERATION_KINDS = [
  'contrast',
  'saturation',
  'matrix',
  'exposure',
  'balance',
  'black',
] as const satisfies readonly OperationKind[];

/** A correction of a camera's light: which primaries it works in, and what is done there, in order. */
export type Correction = {
  readonly primaries: GamutSpec;
  /**
   * The curve on which contrast and saturation turn: the camera's own, as its menu and a CDL on its codes do it.
   * Without one ACEScct (S-2016-001), a log with a straight toe.
   */
  readonly bend?: CurveSpec;
  readonly operations: readonly Operation[];
};

export const NO_CORRECTION: Correction = { primaries: 'bt2020', operations: [] };

/** The first operation of a kind in a correction. */
export const operationOf = <K extends OperationKind>(
  { operations }: Correction,
  kind: K,
): Extract<Operation, { kind: K }> | undefined =>
  operations.find((one): one is Extract<Operation, { kind: K }> => one.kind === kind);

/** The correction with an operation put in the place of its kind, in the order of {@link OPERATION_KINDS}. */
export const withOperation = (correction: Correction, operation: Operation): Correction => ({
  ...correction,
  operations: [...correction.operations.filter(({ kind }) => kind !== operation.kind), operation].toSorted(
    (a, b) => OPERATION_KINDS.indexOf(a.kind) - OPERATION_KINDS.indexOf(b.kind),
  ),
});
