import { drillOf } from '#core/practice/drillList.ts';
import { LEVELS, type Level } from '#core/practice/types.ts';

/** A task by its name: the same for everybody who has the link. */
export type TaskName = { readonly drill: string; readonly level: Level; readonly seed: number };

/** Tasks of a link, at most. */
const MOST = 40;
const MOST_SEED = 2 ** 31;

/** `expose-zebra.1.7`, several with commas. */
export const writeTasks = (tasks: readonly TaskName[]): string =>
  tasks.map(({ drill, level, seed }) => `${drill}.${level}.${seed}`).join(',');

/** Tasks of a link; what cannot be read is left out. */
export const readTasks = (text: string): TaskName[] =>
  text
    .split(',')
    .slice(0, MOST)
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
