// Tests of simulated cameras: how near each comes to what the camera really does.
import { build } from 'esbuild';
import { say } from './ground.mjs';

const HELD = { covered: 0.92, clip: 0.1, mired: 4, tint: 2, meter: 0.1, iso: 0.05, floor: 0.3, read: 0.1 };
const SEEDS = 5;
/** Share of shots named right and surely, over all mixes of slips. */
const RECOGNISED = 0.98;
const RECOGNITION_SEEDS = 2;

const sorted = (values) => [...values].sort((a, b) => a - b);
const at = (values, share) => sorted(values)[Math.min(values.length - 1, Math.floor(share * values.length))];

export const benchCameraTest = async (seeds = SEEDS) => {
  await build({
    entryPoints: ['bench/cameraTest.ts'],
    bundle: true,
    format: 'esm',
    platform: 'node',
    outfile: '.bench/cameraTest.mjs',
    logLevel: 'error',
  });
  const { cameraTestFigures, recognitionFigures } = await import('../.bench/cameraTest.mjs');
  say(`\nCamera tests: seven profiles, 8 and 10 bit, legal and full, ${seeds} bodies each\n`);
  const all = [...cameraTestFigures(seeds)];
  const covered = all.reduce((sum, one) => sum + one.covered, 0) / all.length;
  say(`${all.length} tests: the whole curve in its band in ${(100 * covered).toFixed(1)} %`);
  if (covered < HELD.covered) process.exitCode = 1;
  for (const [key, unit] of [
    ['curve', 'stop'],
    ['clip', 'stop'],
    ['mired', 'mired'],
    ['tint', 'points'],
    ['meter', 'stop'],
    ['iso', 'stop'],
    ['floor', 'stop'],
    ['read', 'of it'],
    ['ms', 'ms to evaluate'],
  ]) {
    // What a test does not tell is no figure of it.
    const values = all.map((one) => one[key]).filter(Number.isFinite);
    const worst = all.reduce((a, b) => (b[key] > a[key] ? b : a));
    const held = HELD[key] === undefined || at(values, 0.9) <= HELD[key];
    if (!held) process.exitCode = 1;
    say(
      `${key.padEnd(6)} middle ${at(values, 0.5).toFixed(3)}  p90 ${at(values, 0.9).toFixed(3)}` +
        `  worst ${worst[key].toFixed(3)} ${unit} (${worst.name})${held ? '' : '  over its limit'}`,
    );
  }
  const mixes = [];
  for (const one of recognitionFigures(RECOGNITION_SEEDS)) {
    mixes.push(one);
    const asked = one.shots - one.right - one.wrong;
    say(`${one.name}: ${one.right} of ${one.shots} shots right, ${asked} asked about, ${one.wrong} wrong`);
  }
  const sum = (key) => mixes.reduce((total, one) => total + one[key], 0);
  const recognised = sum('right') / sum('shots');
  const held = recognised >= RECOGNISED && sum('wrong') === 0;
  if (!held) process.exitCode = 1;
  const over = held ? '' : '  over its limit';
  say(`shots told apart: ${(100 * recognised).toFixed(1)} % of ${sum('shots')}${over}`);
};
