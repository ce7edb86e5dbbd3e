import { createEmptyCard, fsrs, Rating, type Card, type Grade } from 'ts-fsrs';
import { isRight, worstOf, type PracticeResult } from './result.ts';
import { LEVELS, type Level } from './types.ts';

/** A task that is off by up to so many tolerances was nearly right. Our own. */
const NEARLY = 1.5;
/** Right with so little of the tolerance used is easy. Our own. */
const EASILY = 0.5;
/** Right answers in a row, on different tasks, that move a drill up a level; wrong ones that move it down. */
const UP_AFTER = 3;
const DOWN_AFTER = 2;

/** How a result is graded for the schedule. */
const gradeOf = (result: PracticeResult): Grade => {
  if (!isRight(result)) return worstOf(result) <= NEARLY ? Rating.Hard : Rating.Again;
  return worstOf(result) <= EASILY ? Rating.Easy : Rating.Good;
};

// No chance in it: the same results give the same days.
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });

const byTime = (results: readonly PracticeResult[]) =>
  [...results].sort((a, b) => a.at.localeCompare(b.at) || a.seed - b.seed);

/** The level that comes next, from what was done before. */
export const levelAfter = (results: readonly PracticeResult[]): Level => {
  let level: Level = 1;
  let [right, wrong] = [0, 0];
  for (const result of byTime(results)) {
    // A task that was asked for at another level says as much about that one.
    if (result.level !== level) [level, right, wrong] = [result.level, 0, 0];
    if (isRight(result)) [right, wrong] = [right + 1, 0];
    else [right, wrong] = [0, wrong + 1];
    const step = right >= UP_AFTER ? 1 : wrong >= DOWN_AFTER ? -1 : 0;
    const next = LEVELS.find((one) => one === level + step);
    if (step !== 0 && next !== undefined) [level, right, wrong] = [next, 0, 0];
  }
  return level;
};

export type Due = {
  readonly drill: string;
  readonly level: Level;
  /** When it is due, ISO 8601; what was never done is due from the start. */
  readonly due?: string;
  /** Chance that it is still there, 0..1 (FSRS); undefined before the first try. */
  readonly recall?: number;
};

/**
 * Where a drill stands, worked out anew from its results (FSRS, as ts-fsrs has it): there is nothing to be kept
 * beside them.
 */
export const dueOf = (drill: string, results: readonly PracticeResult[], now: Date): Due => {
  const own = byTime(results.filter((result) => result.drill === drill));
  const level = levelAfter(own);
  if (own.length === 0) return { drill, level };
  let card: Card = createEmptyCard(new Date(own[0].at));
  for (const result of own) card = scheduler.next(card, new Date(result.at), gradeOf(result)).card;
  return {
    drill,
    level,
    due: card.due.toISOString(),
    recall: scheduler.get_retrievability(card, now, false),
  };
};

/** Tasks of a round, and how long one takes, seconds: a round is five minutes. */
const ROUND = 5;

/**
 * The drills of the next round: what is due, the least sure first; then what was never tried, in the order of the
 * list; then what comes soonest.
 */
export const nextRound = (
  drills: readonly string[],
  results: readonly PracticeResult[],
  now: Date,
  count = ROUND,
): Due[] => {
  const all = drills.map((drill) => dueOf(drill, results, now));
  const today = now.toISOString();
  const due = all
    .filter((one) => one.due !== undefined && one.due <= today)
    .sort((a, b) => (a.recall ?? 0) - (b.recall ?? 0));
  const untried = all.filter((one) => one.due === undefined);
  const later = all
    .filter((one) => one.due !== undefined && one.due > today)
    .sort((a, b) => a.due!.localeCompare(b.due!));
  return [...due, ...untried, ...later].slice(0, count);
};
