import { gamutOf, rgbToXyz } from '../../colour/gamut.ts';
import { outputOf } from '../../lut/outputs.ts';
import type { Triple } from '../../maths/matrix.ts';
import { LUMA } from '../../signal/luma.ts';
import { MIDDLE_GREY } from '../../units.ts';
import { compileGrade, type CompiledGrade } from '../compileGrade.ts';
import type { GradeRow } from '../rows/types.ts';
import type { Proposal, StartInput, StartPatch } from './types.ts';

/** The value under which a share of a list lies; NaN of an empty one. */
export const quantile = (values: readonly number[], share: number): number => {
  const sorted = Float64Array.from(values).sort();
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
};
export const median = (values: readonly number[]): number => quantile(values, 0.5);

/** Channel by channel the middle of some colours. */
export const middleOf = (colours: readonly Triple[]): Triple => [
  median(colours.map(([r]) => r)),
  median(colours.map(([, g]) => g)),
  median(colours.map(([, , b]) => b)),
];

/** Proposals as rows. */
export const rowsOf = (proposals: readonly Proposal[]): readonly GradeRow[] =>
  proposals.map(({ kind, on, side, values }) => ({ id: kind, kind, on, side, values }));

/** What the picture and the light are after some rows, and the light that a further row would get. */
export type Reading = {
  readonly grade: CompiledGrade;
  readonly light: (signal: Triple) => Triple;
  /** Luminance of light in the recording's primaries, 0.18 = grey. */
  readonly luminance: (light: Triple) => number;
  readonly stops: (signal: Triple) => number;
  /** Luma of the picture, 0..1. */
  readonly shown: (signal: Triple) => number;
  /** Luma that a neutral gets which lies so many stops over grey by now. */
  readonly levelAt: (stops: number) => number;
};

/** Light that counts as the least there is. */
const LEAST = 1e-6;

/** Where a rising function reaches a value, by halving; the nearer end where it does not. */
export const solved = (f: (v: number) => number, wanted: number, from: number, to: number): number => {
  let [low, high] = [from, to];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (f(middle) < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
};

/** Rows so far with one more that does nothing: the light that it is given is what the next proposal reads. */
const NEXT = 'next';

export const readingAfter = ({ base }: Pick<StartInput, 'base'>, rows: readonly GradeRow[]): Reading => {
  const next: GradeRow = { id: NEXT, kind: 'denoise', on: true, side: 'before', values: {} };
  const before = rows.filter(({ side }) => side === 'before');
  const after = rows.filter(({ side }) => side === 'after');
  const grade = compileGrade({ ...base, rows: [...before, next, ...after] });
  const light = grade.lightAt(NEXT);
  const [, , , yr, yg, yb] = rgbToXyz(gamutOf(base.recipe.profile.gamut));
  const luminance = ([r, g, b]: Triple) => yr * r + yg * g + yb * b;
  const { kr, kg, kb } = LUMA[outputOf(base.recipe.output).luma];
  const stops = (signal: Triple) => Math.log2(Math.max(LEAST, luminance(light(signal))) / MIDDLE_GREY);
  const shown = (signal: Triple) => {
    const [r, g, b] = grade.run(signal);
    return kr * r + kg * g + kb * b;
  };
  return {
    grade,
    light,
    luminance,
    stops,
    shown,
    levelAt: (wanted) => {
      const v = solved((at) => stops([at, at, at]), wanted, 0, 1);
      return shown([v, v, v]);
    },
  };
};

/** Marks that can be read: not clipped, with pixels. */
export const readable = (
  { patches }: Pick<StartInput, 'patches'>,
  ...kinds: readonly StartPatch['kind'][]
): readonly StartPatch[] =>
  patches.filter(({ kind, isClipped, signals }) => kinds.includes(kind) && !isClipped && signals.length > 0);
