import { balanceOfGains } from '../correction/balanceGains.ts';
import { compileCorrection } from '../correction/compile.ts';
import type { Correction, Operation, OperationKind } from '../correction/operations.ts';
import type { Dial } from '../colour/lean.ts';
import { gamutOf, rgbToXyz, type GamutSpec } from '../colour/gamut.ts';
import type { CurveSpec } from '../profile/types.ts';
import { apply, type Matrix3, type Triple } from '../maths/matrix.ts';

/** What a match is solved in. */
export type MatchSpace = {
  readonly primaries: GamutSpec;
  /** The camera's curve, on which its contrast and saturation turn. */
  readonly bend?: CurveSpec;
  /** Stops that the hero's card lies over grey: taken off before colours are compared. */
  readonly level: number;
  /** What the camera was balanced to: its dial with what it leans, where that is known. */
  readonly dial: Dial;
};

/** Places of each operation's numbers in one vector; what they are where nothing is done; how far they usually go. */
const PARAMETERS = {
  exposure: { from: 0, none: [0], usual: [1] },
  /** log2 of red over green and of blue over green. */
  balance: { from: 1, none: [0, 0], usual: [0.3, 0.3] },
  black: { from: 3, none: [0, 0, 0], usual: [0.01, 0.01, 0.01] },
  contrast: { from: 6, none: [1], usual: [0.1] },
  saturation: { from: 7, none: [1], usual: [0.2] },
  /** What each channel takes of the two others; its own share makes the row's sum 1. */
  matrix: { from: 8, none: [0, 0, 0, 0, 0, 0], usual: [0.1, 0.1, 0.1, 0.1, 0.1, 0.1] },
} as const satisfies Record<
  OperationKind,
  { from: number; none: readonly number[]; usual: readonly number[] }
>;

export type Vector = readonly number[];
/** Contrast does not go to 0: there is no way back from it. */
const LEAST_SLOPE = 0.05;
const ROWS = Object.values(PARAMETERS);
export const NOTHING: Vector = ROWS.flatMap(({ none }) => none);
export const USUAL: Vector = ROWS.flatMap(({ usual }) => usual);

/** Places of the vector that some operations have. */
export const placesOf = (kinds: readonly OperationKind[]): readonly number[] =>
  kinds.flatMap((kind) => PARAMETERS[kind].none.map((_, i) => PARAMETERS[kind].from + i));

const matrixOf = ([rg, rb, gr, gb, br, bg]: Vector): Matrix3 => [
  1 - rg - rb,
  rg,
  rb,
  gr,
  1 - gr - gb,
  gb,
  br,
  bg,
  1 - br - bg,
];

/** log2 gains of the balance, a neutral's luminance kept. */
const balanceLogs = (r: number, b: number, [kr, kg, kb]: Triple): Triple => {
  const y = Math.log2(kr * 2 ** r + kg + kb * 2 ** b);
  return [r - y, -y, b - y];
};

const luminanceOf = (primaries: GamutSpec): Triple => {
  const m = rgbToXyz(gamutOf(primaries));
  return [m[3], m[4], m[5]];
};

/** The light after the operations that a vector stands for, as `core/correction` does them. */
export const developed = ({ primaries, bend }: MatchSpace) => {
  const weights = luminanceOf(primaries);
  return (v: Vector) => {
    const logs = balanceLogs(v[1], v[2], weights);
    const gains = logs.map((log) => 2 ** (log + v[0]));
    const m = matrixOf(v.slice(PARAMETERS.matrix.from));
    const bent = compileCorrection(
      {
        primaries,
        bend,
        operations: [
          ...(v[6] === 1 ? [] : [{ kind: 'contrast', slope: Math.max(LEAST_SLOPE, v[6]) } as const]),
          ...(v[7] === 1 ? [] : [{ kind: 'saturation', amount: v[7] } as const]),
        ],
      },
      primaries,
    ).run;
    return (light: Triple): Triple => {
      const mixed = apply(m, bent(light));
      return [gains[0] * mixed[0] - v[3], gains[1] * mixed[1] - v[4], gains[2] * mixed[2] - v[5]];
    };
  };
};

type Makers = {
  readonly [K in OperationKind]: (numbers: Vector, space: MatchSpace) => Extract<Operation, { kind: K }>;
};

/** What makes an operation of its numbers. A further one is a row. */
const MAKERS: Makers = {
  black: ([r, g, b]) => ({ kind: 'black', offset: [r, g, b] }),
  exposure: ([stops]) => ({ kind: 'exposure', stops }),
  balance: ([r, b], { dial, primaries }) => ({
    kind: 'balance',
    ...balanceOfGains([2 ** r, 1, 2 ** b], dial, primaries),
    about: { kelvin: dial.kelvin, tint: dial.tint },
  }),
  contrast: ([slope]) => ({ kind: 'contrast', slope: Math.max(LEAST_SLOPE, slope) }),
  saturation: ([amount]) => ({ kind: 'saturation', amount }),
  matrix: (numbers) => ({ kind: 'matrix', matrix: matrixOf(numbers) }),
};

/** A vector as a correction, of the operations that are in use. */
export const correctionOf = (v: Vector, kinds: readonly OperationKind[], space: MatchSpace): Correction => ({
  primaries: space.primaries,
  ...(space.bend ? { bend: space.bend } : {}),
  operations: kinds.map((kind): Operation => {
    const { from, none } = PARAMETERS[kind];
    return MAKERS[kind](v.slice(from, from + none.length), space);
  }),
});
