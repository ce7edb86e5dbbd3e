import { NEUTRAL_CDL, type Cdl } from '../lut/cdl.ts';
import { cubeScale, type CubeScale } from '../lut/cubeScale.ts';
import type { Triple } from '../maths/matrix.ts';
import type { Coding } from '../signal/scale.ts';
import { spacesOf } from './compileGrade.ts';
import { kindOf, valueOf } from './rows/rowKinds.ts';
import type { Grade, GradeRow, Sop } from './rows/types.ts';

/** What a CDL on the recording holds of a grade, and the rows before the conversion that it cannot hold. */
export type GradeCdl = {
  readonly cdl: Cdl;
  readonly held: readonly GradeRow[];
  readonly left: readonly GradeRow[];
};

const PLAIN: Sop = { slope: [1, 1, 1], offset: [0, 0, 0], saturation: 1 };

/** One slope and offset after another. */
const after = (first: Sop, then: Sop): Sop => {
  const each = (f: (c: number) => number): Triple => [f(0), f(1), f(2)];
  return {
    slope: each((c) => first.slope[c] * then.slope[c]),
    offset: each((c) => first.offset[c] * then.slope[c] + then.offset[c]),
    saturation: then.saturation,
  };
};

/** Whether a row that is on changes nothing. */
const isIdle = ({ slope, offset, saturation }: Sop): boolean =>
  saturation === 1 && slope.every((v) => v === 1) && offset.every((v) => v === 0);

/**
 * The rows before the conversion as one ASC CDL on the recording's scale, exact for those it holds: offsets and slopes
 * of the code, and saturation after which nothing else comes. `left` is what it does not hold, for the LUT and the
 * recipe in words.
 */
export const gradeCdl = (grade: Grade, scale: CubeScale, coding: Coding): GradeCdl => {
  const { before: space } = spacesOf(grade);
  let sum = PLAIN;
  const [held, left]: [GradeRow[], GradeRow[]] = [[], []];
  for (const row of grade.rows) {
    const kind = kindOf(row);
    if (!row.on || row.side !== 'before' || !kind || kind.isNote) continue;
    const own = kind.sop?.(valueOf(kind, row.values), space);
    // Saturation comes last in a CDL: nothing more fits behind it.
    if (!own || (sum.saturation !== 1 && !isIdle(own))) {
      left.push(row);
      continue;
    }
    if (!isIdle(own)) held.push(row);
    sum = isIdle(own) ? sum : after(sum, own);
  }
  const { fromSignal } = cubeScale(scale, coding);
  const [zero, span] = [fromSignal(0), fromSignal(1) - fromSignal(0)];
  // A slope turns about 0 of the signal, which may lie elsewhere on the file's scale.
  const offset = sum.offset.map((o, c) => o * span + zero * (1 - sum.slope[c])) as unknown as Triple;
  return { cdl: { ...NEUTRAL_CDL, slope: sum.slope, offset, saturation: sum.saturation }, held, left };
};
