import { gamutOf, rgbToXyz } from '../../colour/gamut.ts';
import { outputOf } from '../../lut/outputs.ts';
import type { Triple } from '../../maths/matrix.ts';
import { median } from '../../maths/quantile.ts';
import { LUMA } from '../../signal/luma.ts';
import { MIDDLE_GREY } from '../../units.ts';
import { compileGrade, type CompiledGrade } from '../compileGrade.ts';
import type { GradeRow } from '../rows/types.ts';
import type { Proposal, StartInput, StartPatch } from './types.ts';

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
  /** Luminance of the light, stops over grey. */
  readonly stops: (signal: Triple) => number;
  /** Luma of the picture, 0..1. */
  readonly shown: (signal: Triple) => number;
  /** Luma of the picture of light that the rows before the conversion left, 0..1. */
  readonly levelOf: (light: Triple) => number;
};

/** Light that counts as the least there is. */
const LEAST = 1e-6;

/** Where a rising function reaches a value, by halving to within `near`; the nearer end where it does not. */
export const solved = (
  f: (v: number) => number,
  wanted: number,
  [from, to]: readonly [number, number],
  near: number,
): number => {
  let [low, high] = [from, to];
  while (high - low > near) {
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
  const lumaOf = ([r, g, b]: Triple) => kr * r + kg * g + kb * b;
  const shown = (signal: Triple) => lumaOf(grade.run(signal));
  return {
    grade,
    light,
    stops,
    shown,
    levelOf: (scene) => lumaOf(grade.ofLight(scene)),
  };
};

/** Marks that can be read: not clipped, with pixels. */
export const readable = (
  { patches }: Pick<StartInput, 'patches'>,
  ...kinds: readonly StartPatch['kind'][]
): readonly StartPatch[] =>
  patches.filter(({ kind, isClipped, signals }) => kinds.includes(kind) && !isClipped && signals.length > 0);
