import { apply, type Matrix3, type Triple } from '../maths/matrix.ts';
import { compileCdl, type Cdl, type CdlStyle } from './cdl.ts';
import { compileLut, type InterpolationId, type Lut } from './lut.ts';

/** Values from one range to another; a bound that is not there does not hold. */
export type RangeNode = {
  readonly kind: 'range';
  readonly minIn?: number;
  readonly maxIn?: number;
  readonly minOut?: number;
  readonly maxOut?: number;
  readonly held: boolean;
};

/** One step of what a LUT file does, as data where it can be written again. */
export type LutNode =
  | (Lut & { readonly interpolation?: InterpolationId })
  | { readonly kind: 'matrix'; readonly matrix: Matrix3; readonly offset: Triple }
  | { readonly kind: 'cdl'; readonly cdl: Cdl; readonly style: CdlStyle }
  | RangeNode
  /** Read from a file, a channel each; named as the file has it. */
  | {
      readonly kind: 'function';
      readonly name: string;
      readonly channels: readonly [Channel, Channel, Channel];
    };
export type Channel = (v: number) => number;

/** The function of a range. */
export const ranged = ({ minIn, maxIn, minOut, maxOut, held }: RangeNode): Channel => {
  const both = minIn !== undefined && maxIn !== undefined && minOut !== undefined && maxOut !== undefined;
  const [a, b] = [minIn ?? 0, minOut ?? 0];
  const k = both ? (maxOut - minOut) / (maxIn - minIn) : 1;
  // One bound alone moves nothing: it is the same in and out (S-2014-006 clause 5.8).
  const at = (v: number) => (both ? b + (v - a) * k : v);
  return (v) => (held ? Math.min(maxOut ?? Infinity, Math.max(minOut ?? -Infinity, at(v))) : at(v));
};

type Compilers = {
  readonly [K in LutNode['kind']]: (
    node: Extract<LutNode, { kind: K }>,
    wished: InterpolationId,
  ) => (rgb: Triple) => Triple;
};

const each =
  ([f, g, h]: readonly [Channel, Channel, Channel]) =>
  ([r, g0, b]: Triple): Triple => [f(r), g(g0), h(b)];

/** What makes the function of each kind of node. A further one is a row. */
const COMPILERS: Compilers = {
  cube: (node, wished) => compileLut(node, node.interpolation ?? wished),
  curves: (node) => compileLut(node),
  matrix:
    ({ matrix, offset }) =>
    (rgb) => {
      const [r, g, b] = apply(matrix, rgb);
      return [r + offset[0], g + offset[1], b + offset[2]];
    },
  cdl: ({ cdl, style }) => compileCdl(cdl, style),
  range: (node) => {
    const f = ranged(node);
    return each([f, f, f]);
  },
  function: ({ channels }) => each(channels),
};

/** Nodes in their order as one function; a cube's own interpolation wins over the one that is wished. */
export const compileNodes = (
  nodes: readonly LutNode[],
  wished: InterpolationId = 'tetrahedral',
): ((rgb: Triple) => Triple) => {
  const steps = nodes.map((node) =>
    (COMPILERS[node.kind] as (n: LutNode, w: InterpolationId) => (rgb: Triple) => Triple)(node, wished),
  );
  return (rgb) => steps.reduce((value, step) => step(value), rgb);
};
