// npm run bench [part…]: the pixel loops against ffmpeg, and the whole app on a live feed and a long clip.
// Parts are `load`, `tasks`, `scopes`, `luts`, `profiles`, `camera`, `pictures`, `log`, `clips`, `open`, `live` and `room`; `live 3600`
// lets the feed run for an hour, `room 3600 5` two of them at
// five pictures a second, `pictures folder` takes its photographs in. Ends with 1 when a limit does not hold.
import { mkdirSync } from 'node:fs';
import { buildKernels, fail, installDebian, installPackages, nodeIsNew } from './ground.mjs';

nodeIsNew();
installPackages();
const missing = installDebian({ chromium: 'chromium', ffmpeg: 'ffmpeg' });
if (missing.length > 0) fail(`Missing: ${missing.join(', ')}. Install from Debian with apt-get.`);
buildKernels();

mkdirSync('.bench', { recursive: true });
const { build } = await import('esbuild');
const bundle = (entry, outfile, format) =>
  build({ entryPoints: [entry], bundle: true, format, target: 'chrome120', outfile, logLevel: 'error' });
await bundle('bench/worker.ts', '.bench/worker.js', 'iife');
await bundle('src/workers/judge/hand.worker.ts', '.bench/hand.js', 'iife');
await bundle('bench/frame.ts', '.bench/frame.mjs', 'esm');

const wanted = process.argv.slice(2);
const asked = (part) => wanted.length === 0 || wanted.includes(part);
if (asked('load')) await (await import('./bench-load.mjs')).benchLoad();
if (asked('tasks')) await (await import('./bench-tasks.mjs')).benchTasks();
if (asked('scopes')) await (await import('./bench-scopes.mjs')).benchScopes();
if (asked('luts')) await (await import('./bench-luts.mjs')).benchLuts();
if (asked('profiles')) await (await import('./bench-profiles.mjs')).benchProfiles();
if (asked('camera')) await (await import('./bench-cameraTest.mjs')).benchCameraTest();
if (asked('pictures'))
  await (await import('./bench-pictures.mjs')).benchPictures(wanted[wanted.indexOf('pictures') + 1]);
if (asked('log')) await (await import('./bench-log.mjs')).benchLog();
if (asked('cliplines')) await (await import('./bench-cliplines.mjs')).benchClipLines();
if (asked('clips')) await (await import('./bench-clips.mjs')).benchClips();
if (asked('open')) await (await import('./bench-open.mjs')).benchOpen();
if (asked('live')) {
  const seconds = Number(wanted[wanted.indexOf('live') + 1]);
  await (await import('./bench-live.mjs')).benchLive(seconds > 0 ? seconds : undefined);
}
if (asked('room')) {
  const [seconds, rate] = wanted.slice(wanted.indexOf('room') + 1).map(Number);
  await (
    await import('./bench-room.mjs')
  ).benchRoom(seconds > 0 ? seconds : undefined, rate > 0 ? rate : undefined);
}
