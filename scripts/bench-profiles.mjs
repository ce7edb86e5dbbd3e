// Profiles from few readings: coverage, width, accuracy and time of the solver, 300 curves for each kind of evidence.
import { build } from 'esbuild';
import { say } from './ground.mjs';

const HELD = { covered: [0.92, 0.99], overOracle: 1.6, accused: 0.01, ms: 30 };
const percent = (share) => `${(100 * share).toFixed(1)} %`;

export const benchProfiles = async () => {
  await build({
    entryPoints: ['bench/profiles.ts'],
    bundle: true,
    format: 'esm',
    platform: 'node',
    outfile: '.bench/profiles.mjs',
    logLevel: 'error',
  });
  const { profileFigures } = await import('../.bench/profiles.mjs');
  say('\nProfiles, 300 random curves each: bands to hold 92 to 99 %, at most 1.6 of the oracle’s, 30 ms\n');
  for (const { trial, figures } of profileFigures()) {
    const { evidence, printed, shutter = 0, chipOff = 0, isOddToe } = trial;
    const errs = [
      shutter > 0 && `shutter ${shutter}`,
      chipOff > 0 && `chip ${percent(chipOff)}`,
      isOddToe && 'odd toe',
    ].filter(Boolean);
    const missed = [
      figures.covered < HELD.covered[0] && 'band too narrow',
      figures.covered > HELD.covered[1] && 'band too wide',
      figures.overOracle > HELD.overOracle && 'over the oracle',
      figures.accused > HELD.accused && 'accused',
      figures.ms > HELD.ms && 'slow',
    ].filter(Boolean);
    if (figures.covered < HELD.covered[0] || figures.overOracle > HELD.overOracle) process.exitCode = 1;
    say(
      `${evidence.padEnd(7)} ${printed.padEnd(8)} ${errs.join(', ').padEnd(24)}` +
        `held ${percent(figures.covered).padStart(7)}  ×${figures.overOracle.toFixed(2)}` +
        `  p90 ${figures.error90.toFixed(3)} stop  accused ${percent(figures.accused)}` +
        `  ${figures.ms.toFixed(1).padStart(5)} ms  ${missed.join(', ')}`,
    );
  }
};
