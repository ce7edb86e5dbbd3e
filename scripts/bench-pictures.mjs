// What a picture is: scenes of the stage, and photographs of a folder if one is named, recorded in every archetype and
// range and read as every other. `npm run bench pictures [folder]`.
import { build } from 'esbuild';
import { say } from './ground.mjs';

const ANSWERS = ['right', 'cannot tell', 'missed', 'wrong remedy'];

export const benchPictures = async (folder) => {
  await build({
    entryPoints: ['bench/pictures.ts'],
    bundle: true,
    format: 'esm',
    platform: 'node',
    outfile: '.bench/pictures.mjs',
    logLevel: 'error',
  });
  const { pictureFigures } = await import('../.bench/pictures.mjs');
  const { shots, tally } = pictureFigures(folder);
  say(`\nWhat a picture is: ${shots} pictures, two placements, seven archetypes, two ranges\n`);
  say(`${'read'.padEnd(18)}${ANSWERS.map((answer) => answer.padStart(14)).join('')}`);
  for (const [task, row] of tally) {
    const all = [...row.values()].reduce((sum, n) => sum + n, 0);
    const shares = ANSWERS.map((answer) =>
      `${((100 * (row.get(answer) ?? 0)) / all).toFixed(1)} %`.padStart(14),
    );
    say(`${task.padEnd(18)}${shares.join('')}`);
  }
};
