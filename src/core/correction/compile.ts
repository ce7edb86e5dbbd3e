import { gamutMatrix, type GamutSpec } from '../colour/gamut.ts';
import { apply, invert, type Triple } from '../maths/matrix.ts';
import { LUMA } from '../signal/luma.ts';
import { compileCurve } from '../profile/compile.ts';
import { TRANSFERS, type TransferFunction } from '../transfer/index.ts';
import { MIDDLE_GREY } from '../units.ts';
import { balanceGains } from './balanceGains.ts';
import type { Correction, Operation, OperationKind } from './operations.ts';

type Step = (rgb: Triple) => Triple;
type Both = { readonly run: Step; readonly undo: Step };
/** What an operation works in. */
type Where = { readonly primaries: GamutSpec; readonly curve: TransferFunction };
type Compilers = {
  readonly [K in OperationKind]: (operation: Extract<Operation, { kind: K }>, where: Where) => Both;
};

const gained = ([r, g, b]: Triple): Both => ({
  run: ([x, y, z]) => [r * x, g * y, b * z],
  undo: ([x, y, z]) => [x / r, y / g, z / b],
});

const each =
  (f: (v: number) => number): Step =>
  ([r, g, b]) => [f(r), f(g), f(b)];

/** So much of a channel's way from the luma of all three (BT.709's weights, as the ASC CDL has them). */
const saturated =
  (amount: number): Step =>
  ([r, g, b]) => {
    const y = LUMA.bt709.kr * r + LUMA.bt709.kg * g + LUMA.bt709.kb * b;
    return [y + amount * (r - y), y + amount * (g - y), y + amount * (b - y)];
  };

/**
 * A curve that treats light under 0 as it treats light over it: a straight toe carried on below would throw a colour
 * outside the primaries far away once luma is taken of it.
 */
export const mirrored = ({ encode, decode }: TransferFunction): TransferFunction => {
  const zero = encode(0);
  return {
    encode: (light) => (light < 0 ? 2 * zero - encode(-light) : encode(light)),
    decode: (signal) => (signal < zero ? -decode(2 * zero - signal) : decode(signal)),
  };
};

/** A step on the signal of a curve instead of on light. */
const onCurve = (step: Step, { encode, decode }: TransferFunction): Step => {
  const [encoded, decoded] = [each(encode), each(decode)];
  return (rgb) => decoded(step(encoded(rgb)));
};
const sloped = (slope: number, curve: TransferFunction): Step => {
  const grey = curve.encode(MIDDLE_GREY);
  return onCurve(
    each((v) => grey + slope * (v - grey)),
    curve,
  );
};

/** What makes the functions of each kind of operation. A further one is a row. */
const COMPILERS: Compilers = {
  black: ({ offset: [r, g, b] }) => ({
    run: ([x, y, z]) => [x - r, y - g, z - b],
    undo: ([x, y, z]) => [x + r, y + g, z + b],
  }),
  exposure: ({ stops }) => gained([2 ** stops, 2 ** stops, 2 ** stops]),
  balance: ({ mired, tint, about, rest = [0, 0, 0] }, { primaries }) =>
    gained(balanceGains(about, mired, tint, primaries).map((v, c) => v * 2 ** rest[c]) as unknown as Triple),
  contrast: ({ slope }, { curve }) => ({ run: sloped(slope, curve), undo: sloped(1 / slope, curve) }),
  saturation: ({ amount }, { curve }) => ({
    run: onCurve(saturated(amount), curve),
    // Black and white has no way back: it stays as it is.
    undo: amount === 0 ? (rgb) => rgb : onCurve(saturated(1 / amount), curve),
  }),
  matrix: ({ matrix }) => {
    const back = invert(matrix);
    return { run: (rgb) => apply(matrix, rgb), undo: (rgb) => apply(back, rgb) };
  },
};

/**
 * The function of a correction and its inverse, on linear light in `light` primaries (1.0 = diffuse white, nothing
 * held). Preview, numbers, LUT and CDL are made from this one.
 * @throws RangeError for a matrix that is singular or a contrast of 0.
 */
export const compileCorrection = ({ primaries, bend, operations }: Correction, light: GamutSpec): Both => {
  const where: Where = { primaries, curve: mirrored(bend ? compileCurve(bend) : TRANSFERS.acescct) };
  const steps = operations.map((operation) => {
    if (operation.kind === 'contrast' && !(operation.slope > 0))
      throw new RangeError(`compileCorrection: contrast must be above 0, got ${operation.slope}`);
    return (COMPILERS[operation.kind] as (o: Operation, w: Where) => Both)(operation, where);
  });
  if (steps.length === 0) return { run: (rgb) => rgb, undo: (rgb) => rgb };
  const forward = (rgb: Triple) => steps.reduce((value, { run }) => run(value), rgb);
  const backward = (rgb: Triple) => steps.reduceRight((value, { undo }) => undo(value), rgb);
  if (primaries === light) return { run: forward, undo: backward };
  const into = gamutMatrix(light, primaries);
  const out = invert(into);
  return {
    run: (rgb) => apply(out, forward(apply(into, rgb))),
    undo: (rgb) => apply(out, backward(apply(into, rgb))),
  };
};
