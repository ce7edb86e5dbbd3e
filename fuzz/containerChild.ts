// Reads spoilt containers one after the other and prints a line for each. It may never come to its end: whoever
// started it ends it.
import { writeSync } from 'node:fs';
import { seededRandom } from '../src/core/random.ts';
import { containerSeed, framesIn, type ContainerKind } from './containers.ts';
import { mutate } from './mutate.ts';

const [kind, from, count] = process.argv.slice(2);
const clip = containerSeed(kind as ContainerKind);
for (let seed = Number(from); seed < Number(from) + Number(count); seed += 1) {
  const began = performance.now();
  const frames = await framesIn(mutate(clip, seededRandom(seed)));
  const megabytes = process.memoryUsage().rss / 1e6;
  writeSync(1, `${JSON.stringify({ seed, frames, ms: performance.now() - began, megabytes })}\n`);
}
