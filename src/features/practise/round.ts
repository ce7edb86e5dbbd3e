import { drillOf } from '#core/practice/drillList.ts';
import { LEVELS, type Level } from '#core/practice/types.ts';

/** A task by its name: the same for everybody who has the link. */
export type TaskName = { readonly drill: string; readonly level: Level; readonly seed: number };

/** Tasks of a link or a list, at most. */
export const MOST_TASKS = 40;
const MOST_SEED = 2 ** 31;

/** `expose-zebra.1.7`, several with commas. */
export const writeTasks = (tasks: readonly TaskName[]): string =>
  tasks.map(({ drill, level, seed }) => `${drill}.${level}.${seed}`).join(',');

/** The page that is open, with these tasks on. */
export const linkOf = (tasks: readonly TaskName[], here: string): string => {
  const url = new URL(here);
  url.searchParams.set('tasks', writeTasks(tasks));
  return url.href;
};

/** Tasks as a file: one a line, with what it is about behind it. */
export const taskList = (tasks: readonly TaskName[]): string =>
  [
    '# Tasks to practise: drill.level.seed, one a line. Open it in Practise, Drills.',
    ...tasks.map((task) => `${writeTasks([task])} # ${drillOf(task.drill)?.name ?? ''}`),
    '',
  ].join('\n');

/** Tasks of a link or a list; what cannot be read is left out, and what stands behind a # on a line. */
export const readTasks = (text: string): TaskName[] =>
  text
    .replaceAll(/#.*/g, '')
    .split(/[,\n]/)
    .filter((one) => one.trim() !== '')
    .slice(0, MOST_TASKS)
    .flatMap((one) => {
      const [drill, level, seed] = one.trim().split('.');
      const found = LEVELS.find((l) => String(l) === level);
      const isSeed = /^\d{1,10}$/.test(seed ?? '') && Number(seed) <= MOST_SEED;
      return drillOf(drill) && found && isSeed ? [{ drill, level: found, seed: Number(seed) }] : [];
    });

/** A seed that nobody had: of the moment. */
export const freshSeed = (now: Date): number => now.getTime() % MOST_SEED;

/** Ten tasks before a shoot: what its cameras are worked with, at the level of a job. */
export const checkTasks = (seed: number, hasFaces: boolean): TaskName[] => {
  const skin = hasFaces ? 'expose-skin' : 'expose-waveform';
  const ids = [
    'expose-zebra',
    skin,
    'meter-whole',
    'set-zebras',
    'read-stops',
    'what-clips',
    'place-contrast',
    'nd-iris',
    'mixed-light',
    'find-pull',
  ];
  return ids.map((drill, i) => ({ drill, level: 2, seed: seed + i }));
};
