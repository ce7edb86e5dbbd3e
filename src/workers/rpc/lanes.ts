/** Something that wants to run; lanes know it by identity. */
type Task = object;
type Turn = { readonly task: Task; readonly lane: number; readonly go: () => void };

/**
 * Whose turn it is among jobs that share one thread. One at a time; of those that wait, the one in the lowest
 * lane goes first. Within a lane jobs follow each other: the next one starts when the one before is done, or
 * lets the lane go.
 */
export const createLanes = () => {
  const parked: Turn[] = [];
  const inLane = new Map<number, Task>();
  let running: Task | undefined;

  const advance = () => {
    if (running) return;
    const able = parked.filter(({ task, lane }) => (inLane.get(lane) ?? task) === task);
    if (able.length === 0) return;
    const next = able.reduce((best, turn) => (turn.lane < best.lane ? turn : best));
    parked.splice(parked.indexOf(next), 1);
    running = next.task;
    inLane.set(next.lane, next.task);
    next.go();
  };

  const park = (task: Task, lane: number, where: 'first' | 'last') =>
    new Promise<void>((go) => {
      const turn = { task, lane, go };
      if (where === 'first') parked.unshift(turn);
      else parked.push(turn);
      advance();
    });
  const stop = (task: Task) => {
    if (running === task) running = undefined;
  };
  const free = (task: Task, lane: number) => {
    if (inLane.get(lane) === task) inLane.delete(lane);
  };

  return {
    /** Resolves when it is this task's turn. */
    enter: (task: Task, lane: number): Promise<void> => park(task, lane, 'last'),
    /** Lets whoever is more urgent go first. */
    yield: (task: Task, lane: number): Promise<void> => {
      stop(task);
      return park(task, lane, 'first');
    },
    /** Gives the turn away while it waits for something; `freesLane` the lane too. `yield` takes it up again. */
    rest: (task: Task, lane: number, { freesLane }: { readonly freesLane: boolean }): void => {
      stop(task);
      if (freesLane) free(task, lane);
      advance();
    },
    leave: (task: Task, lane: number): void => {
      stop(task);
      free(task, lane);
      advance();
    },
  };
};
