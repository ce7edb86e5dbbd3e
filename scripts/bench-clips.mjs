// The survey of a card against ffmpeg seeking to and decoding the same frames, in one run; memory over many clips;
// the longest the page stood still; and a filter over a thousand clips. `npm run bench clips`.
import { spawn, spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, rmSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { build, freePort, say, startServer } from './ground.mjs';

const CLIPS = 8;
const SECONDS = 20;
const MANY = 200;
/** Limits of the house: share of ffmpeg's speed, ms, MB. */
const LIMITS = { speed: 0.7, still: 50, memory: 50, filter: 50 };
const FOLDER = '.bench/card';

const ffmpeg = (...args) => {
  const done = spawnSync('ffmpeg', ['-v', 'error', '-y', ...args]);
  if (done.status !== 0) throw new Error(done.stderr.toString());
};

/** Frames that a clip is looked at, as core/clips/framesToSurvey.ts has it. */
const framesOf = (frames, seconds) => {
  const count = Math.min(frames, 48, Math.max(5, Math.round(4 + 2 * Math.sqrt(seconds))));
  return Array.from({ length: count }, (_, n) => Math.floor(((n + 0.5) * frames) / count));
};

/** Ms that ffmpeg takes for the same frames of all clips, two processes at a time. */
const byFfmpeg = async (files) => {
  const jobs = files.flatMap((file) => framesOf(25 * SECONDS, SECONDS).map((frame) => [file, frame / 25]));
  const began = performance.now();
  const worker = async () => {
    for (let job = jobs.shift(); job; job = jobs.shift()) {
      const [file, at] = job;
      const args = ['-v', 'error', '-ss', String(at), '-i', file, '-frames:v', '1', '-f', 'null', '-'];
      await new Promise((resolve) => spawn('ffmpeg', args, { stdio: 'ignore' }).on('close', resolve));
    }
  };
  await Promise.all([worker(), worker()]);
  return performance.now() - began;
};

/** Ms from the choice of a folder until all is through, and the longest that no frame was drawn meanwhile. */
const bySurvey = async (page, folder) => {
  await page.evaluate(() => {
    window.longest = 0;
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) window.longest = Math.max(window.longest, duration);
    }).observe({ type: 'longtask' });
  });
  const began = performance.now();
  await page.getByLabel('Clip files').setInputFiles(folder);
  await page.locator('.clip-progress').waitFor({ timeout: 60_000 });
  await page.locator('.clip-progress').waitFor({ state: 'detached', timeout: 900_000 });
  return { ms: performance.now() - began, still: await page.evaluate(() => window.longest) };
};

const childrenOf = (pid) =>
  spawnSync('pgrep', ['-P', String(pid)])
    .stdout.toString()
    .split('\n')
    .filter(Boolean);
const descendants = (pid) => childrenOf(pid).flatMap((child) => [child, ...descendants(child)]);

/** What the browser with all its processes holds of memory that is its own, MB. */
const memoryMb = () =>
  descendants(process.pid)
    .filter((pid) =>
      spawnSync('cat', [`/proc/${pid}/comm`])
        .stdout.toString()
        .startsWith('chrom'),
    )
    .reduce((sum, pid) => {
      const told = spawnSync('grep', ['-h', 'Pss:', `/proc/${pid}/smaps_rollup`]).stdout.toString();
      return sum + Number(/\d+/.exec(told)?.[0] ?? 0) / 1024;
    }, 0);

export const benchClips = async () => {
  build();
  rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(`${FOLDER}/many`, { recursive: true });
  const files = Array.from({ length: CLIPS }, (_, n) => `${FOLDER}/A${String(n).padStart(4, '0')}.mov`);
  const source = `testsrc2=s=1920x1080:r=25:d=${SECONDS},noise=alls=6:allf=t`;
  const [first, ...others] = files;
  ffmpeg(
    '-f',
    'lavfi',
    '-i',
    source,
    '-c:v',
    'libx264',
    '-preset',
    'ultrafast',
    '-g',
    '12',
    '-pix_fmt',
    'yuv420p10le',
    first,
  );
  others.forEach((file) => copyFileSync(first, file));
  const small = `${FOLDER}/many/B0000.mov`;
  ffmpeg(
    '-f',
    'lavfi',
    '-i',
    'testsrc2=s=1280x720:r=25:d=2',
    '-c:v',
    'libx264',
    '-preset',
    'ultrafast',
    '-pix_fmt',
    'yuv420p',
    small,
  );
  const cards = ['B', 'C'].map((card) =>
    Array.from({ length: MANY }, (_, n) => `${FOLDER}/many/${card}${String(n).padStart(4, '0')}.mov`),
  );
  cards.flat().forEach((file) => file === small || copyFileSync(small, file));
  const { server, address } = await startServer(await freePort(3390), { quietly: true });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--js-flags=--expose-gc'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(() => localStorage.setItem('candelum-first-start', '{"doors":false}'));
    await page.goto(`${address}/log?part=clips&shoot=salt-and-fire&setup=furnace-mouth&camera=a-cam`);
    await page.getByRole('button', { name: 'Choose a folder' }).waitFor();
    await page.waitForTimeout(3000);
    const theirs = await byFfmpeg(files);
    const ours = await bySurvey(page, files);
    const speed = theirs / ours.ms;
    say(`\nClips: ${CLIPS} of ${SECONDS} s, 1080, 10 bit, ${framesOf(500, SECONDS).length} frames each`);
    say(
      `  survey ${(ours.ms / 1000).toFixed(1)} s, ffmpeg ${(theirs / 1000).toFixed(1)} s: ${speed.toFixed(2)} of its speed (limit ${LIMITS.speed})`,
    );
    say(`  longest the page stood still meanwhile ${ours.still.toFixed(0)} ms (limit ${LIMITS.still})`);
    const settled = async () => {
      for (const one of [page, ...page.workers()]) await one.evaluate(() => globalThis.gc());
      await page.waitForTimeout(2000);
      return memoryMb();
    };
    // The first card fills what every card needs once: what the second adds is what clips cost.
    const grown = [];
    for (const card of cards) {
      const before = await settled();
      const { ms } = await bySurvey(page, card);
      grown.push((await settled()) - before);
      say(`  ${MANY} more clips in ${(ms / 1000).toFixed(1)} s: ${grown.at(-1).toFixed(0)} MB more`);
    }
    say(`  limit for the second ${MANY}: ${LIMITS.memory} MB`);
    if (speed < LIMITS.speed || ours.still > LIMITS.still || grown[1] > LIMITS.memory) process.exitCode = 1;
  } finally {
    await browser.close();
    server.kill();
  }
};
