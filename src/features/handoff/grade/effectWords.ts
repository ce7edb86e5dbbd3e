import type { GradeFigures } from '#core/grade/gradeFigures.ts';
import type { GradeRead } from '#workers/judge/gradeProtocol.ts';
import { printSigned } from '#core/units.ts';
import { words } from '#ui/wording/grade.ts';

const percent = (v: number) => `${Math.round(100 * v)}`;
const degrees = (v: number) => printSigned(v || 0, 1);

/** Of the picture's signal. */
const PERCENT = '\u00a0%';

type Figure = {
  readonly name: (figures: GradeFigures) => string;
  readonly of: (figures: GradeFigures) => number | undefined;
  readonly print: (v: number) => string;
  readonly unit: string;
  /** Smaller changes are not told. */
  readonly seen: number;
};

/** Figures of a graded picture. A further one is a row. */
const FIGURES: readonly Figure[] = [
  { name: () => words.blackWord, of: ({ black }) => black, print: percent, unit: PERCENT, seen: 0.005 },
  { name: () => words.middleWord, of: ({ middle }) => middle, print: percent, unit: PERCENT, seen: 0.01 },
  { name: () => words.whiteWord, of: ({ white }) => white, print: percent, unit: PERCENT, seen: 0.01 },
  {
    name: ({ face }) => face?.name ?? words.faceWord,
    of: ({ face }) => face?.level,
    print: percent,
    unit: PERCENT,
    seen: 0.01,
  },
  { name: () => words.hueWord, of: ({ face }) => face?.fromLine, print: degrees, unit: '°', seen: 0.5 },
  {
    name: () => words.colourWord,
    of: ({ colour }) => colour,
    print: (v) => (100 * v).toFixed(1),
    unit: PERCENT,
    seen: 0.004,
  },
];

/** What a row alone did to the scopes: figures without it and with it. */
export const effectOf = (read: GradeRead | undefined, rowId: string): string | undefined => {
  const without = read?.without.find(({ id }) => id === rowId)?.figures;
  if (!read || !without) return undefined;
  const moved = FIGURES.flatMap(({ name, of, print, unit, seen }) => {
    const [from, to] = [of(without), of(read.figures)];
    return from === undefined || to === undefined || Math.abs(to - from) < seen
      ? []
      : [words.moves(name(read.figures), print(from), `${print(to)}${unit}`)];
  });
  return moved.length === 0 ? words.movesNothing : words.alone(moved.join(', '));
};

/** The figures of the graded picture, in a line. */
export const figuresLine = ({ figures }: GradeRead): string =>
  FIGURES.flatMap(({ name, of, print, unit }) => {
    const v = of(figures);
    return v === undefined ? [] : [`${name(figures)} ${print(v)}${unit}`];
  }).join(', ');

/** What a row costs on the wrong side of the conversion. */
export const costOf = (read: GradeRead | undefined, rowId: string): string | undefined => {
  const loss = read?.costs.find(({ id }) => id === rowId)?.loss;
  if (!loss) return undefined;
  const levels = loss.before.levels - loss.after.levels;
  const topped = loss.after.topped - loss.before.topped;
  if (levels > 10) return words.cost(levels, loss.mean.toFixed(1));
  if (topped > 0.001) return words.costTop(`${(100 * topped).toFixed(1)} %`);
  return words.costNothing;
};
