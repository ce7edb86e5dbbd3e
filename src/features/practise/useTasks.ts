'use client';

import { useMemo } from 'react';
import { parseAsString, useQueryStates } from 'nuqs';
import { readTasks, writeTasks, type TaskName } from './round.ts';

type Round = {
  readonly tasks: readonly TaskName[];
  /** A check before this shoot. */
  readonly check?: string;
  /** The lesson that the task belongs to. */
  readonly lesson?: string;
};

/** The round that is on, in the address: who has the link gets the same tasks. */
export const useTasks = () => {
  const [{ tasks, check, lesson }, set] = useQueryStates({
    tasks: parseAsString,
    check: parseAsString,
    lesson: parseAsString,
  });
  const put = (round: Round | undefined) =>
    void set(
      round === undefined
        ? { tasks: null, check: null, lesson: null }
        : {
            tasks: writeTasks(round.tasks),
            check: round.check ?? null,
            lesson: round.lesson ?? null,
          },
    );
  // The same tasks as long as the address says the same.
  const round = useMemo(
    () => (tasks === null ? undefined : { text: tasks, tasks: readTasks(tasks), check, lesson }),
    [tasks, check, lesson],
  );
  return [round, put] as const;
};
