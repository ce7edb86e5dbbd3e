import type { Judged, Mark } from './judge.ts';
import type { Answers, Level, MissUnit, Task } from './types.ts';

/** One answer as it is kept: what was said, what was right, how far apart. */
export type KeptMark = {
  readonly ask: string;
  readonly unit: MissUnit;
  readonly miss: number;
  readonly tolerance: number;
  readonly ok: boolean;
  /** What was said and what was right, where both are one number. */
  readonly said?: number;
  readonly truth?: number;
  /** What those two are written in, where it is not what misses are measured in. */
  readonly written?: 'kelvin' | 'f-number';
};

/** One task that was done. */
export type PracticeResult = {
  readonly drill: string;
  readonly level: Level;
  readonly seed: number;
  /** ISO 8601, UTC. */
  readonly at: string;
  readonly seconds: number;
  readonly subjectId?: string;
  readonly when?: string;
  readonly marks: readonly KeptMark[];
};

const keptMark = (task: Task, answers: Answers, { share: _, ...mark }: Mark): KeptMark => {
  const ask = task.asks.find(({ id }) => id === mark.ask);
  const said = answers[mark.ask];
  // What was not answered has no distance.
  const plain = { ...mark, miss: Number.isFinite(mark.miss) ? mark.miss : 0 };
  return ask?.kind === 'number' && typeof said === 'number'
    ? {
        ...plain,
        said,
        truth: (ask.truth[0] + ask.truth[1]) / 2,
        ...(ask.unit === 'kelvin' || ask.unit === 'f-number' ? { written: ask.unit } : {}),
      }
    : plain;
};

/** What of a task and its answers is kept. */
export const resultOf = (
  task: Task,
  answers: Answers,
  judged: Judged,
  { at, seconds }: Pick<PracticeResult, 'at' | 'seconds'>,
): PracticeResult => ({
  drill: task.drill,
  level: task.level,
  seed: task.seed,
  at,
  seconds,
  ...(task.subject ? { subjectId: task.subject.id } : {}),
  ...(task.when === undefined ? {} : { when: task.when }),
  marks: judged.marks.map((mark) => keptMark(task, answers, mark)),
});

/** Whether all of a task was right. */
export const isRight = ({ marks }: Pick<PracticeResult, 'marks'>): boolean => marks.every(({ ok }) => ok);

/** How far off the worst of its answers was, in tolerances: 1 and under is right. A wrong choice counts 2. */
export const worstOf = ({ marks }: Pick<PracticeResult, 'marks'>): number =>
  Math.max(
    0,
    ...marks.map(({ unit, miss, tolerance, ok }) => {
      if (unit === 'choices') return ok ? 0 : 2;
      return ok || tolerance === 0
        ? Math.abs(miss) / Math.max(tolerance, 1e-9)
        : Math.max(1.01, Math.abs(miss) / tolerance);
    }),
  );
