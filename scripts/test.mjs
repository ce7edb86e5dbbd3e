// npm test: what it needs, then format, lint, types, layers, what is unused, unit, end to end.
import { spawnSync } from 'node:child_process';
import {
  build,
  buildKernels,
  fail,
  inTurn,
  installDebian,
  installPackages,
  nodeIsNew,
  run,
  say,
} from './ground.mjs';

nodeIsNew();
installPackages();

const missing = installDebian({
  chromium: 'chromium',
  ociochecklut: 'opencolorio-tools',
  ffmpeg: 'ffmpeg',
  oiiotool: 'openimageio-tools',
});
if (missing.includes('chromium'))
  fail('Chromium is missing: install it with "apt-get install chromium" and run npm test again.');
if (missing.length > 0) {
  const text = `Not installed: ${missing.join(', ')}.`;
  if (process.env.CI) fail(`${text} CI compares with them: install them from Debian.`);
  say(`${text} The comparisons with them are skipped, in plain sight.`);
}

buildKernels();

// What reads the sources goes two at a time; each is told as a whole once it is done.
await Promise.all(
  [
    ['format:check', 'lint'],
    ['types', 'layers', 'unused'],
  ].map(inTurn),
);
say('\n== unit');
run('npm', ['run', '--silent', 'unit']);
say('\n== end to end');
build();
const e2e = spawnSync('npm', ['run', '--silent', 'e2e'], { stdio: 'inherit', env: process.env });
if (e2e.status !== 0) fail('The end-to-end tests failed.');
say('\nAll checks passed.');
