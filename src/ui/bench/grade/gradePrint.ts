import type { GradeValue } from '#core/grade/rows/types.ts';
import { kindOf, valueOf } from '#core/grade/rows/rowKinds.ts';
import type { Grade, GradeRow } from '#core/grade/rows/types.ts';
import { printSigned, printStopsDecimal } from '#core/units.ts';
import { words } from '#ui/wording/grade.ts';

/** A value of a row with its unit. A further unit is a row. */
const PRINTS: { readonly [U in GradeValue['unit']]: (v: number) => string } = {
  stops: (v) => `${printStopsDecimal(v, 2)} ${words.stopsUnit}`,
  mired: (v) => `${printSigned(v) === '+0' ? '0' : printSigned(v)} ${words.miredUnit}`,
  points: (v) => `${printSigned(v) === '+0' ? '0' : printSigned(v)} ${words.pointsUnit}`,
  times: (v) => `× ${v.toFixed(2)}`,
  percent: (v) => `${(100 * v).toFixed(Math.abs(v) < 0.1 && v !== 0 ? 2 : 0)} %`,
  degrees: (v) => `${v.toFixed(0)}°`,
  choice: (v) => (v > 0 ? words.yes : words.no),
};

/** The unit never stands alone on the next line. */
export const printGradeValue = ({ unit }: Pick<GradeValue, 'unit'>, v: number): string =>
  PRINTS[unit](v).replaceAll(' ', '\u00a0');

/** Names that say what a row does rather than where: the range of hues is told by its ring. */
const WHERE = new Set(['hue', 'width', 'soft', 'at', 'ends', 'from', 'offset', 'log']);

/** The rows of a grade that are on, a line each, in their order. */
export const rowLines = ({ rows }: Pick<Grade, 'rows'>): readonly string[] =>
  (['before', 'after'] as const).flatMap((side) =>
    rows
      .filter((row) => row.on && row.side === side)
      .map((row) => words.rowLine(kindOf(row)?.name ?? row.kind, rowSays(row), words[side].toLowerCase())),
  );

/** What a row does in a line: its values that are not neutral. */
export const rowSays = (row: GradeRow): string => {
  const kind = kindOf(row);
  if (!kind) return words.unknownKind;
  if (kind.isNote) return words.isNote;
  const value = valueOf(kind, row.values);
  const parts = Object.entries(kind.values).flatMap(([name, spec]) =>
    WHERE.has(name) || Math.abs(value(name) - spec.neutral) < 0.4 * spec.step
      ? []
      : [`${spec.name.toLowerCase()} ${printGradeValue(spec, value(name))}`],
  );
  return parts.length > 0 ? parts.join(', ') : words.doesNothing;
};
