// Opening: from the drop of a file to its first verdict, against ffmpeg's bare decode of the same file in one run.
import { spawnSync } from 'node:child_process';
import { statSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { build, freePort, median, say, startServer } from './ground.mjs';

const ROUNDS = 3;
const SIZES = { 1080: '1920x1080', UHD: '3840x2160' };
/** Each kind of file: its ending, how many frames, and how ffmpeg writes it. */
const KINDS = [
  ['PNG, 16 bit', 'png', 1, ['-pix_fmt', 'rgb48be']],
  ['TIFF, 16 bit', 'tiff', 1, ['-pix_fmt', 'rgb48le', '-compression_algo', 'raw']],
  ['DPX, 10 bit', 'dpx', 1, ['-pix_fmt', 'gbrp10be']],
  ['H.264, 8 bit', 'mp4', 50, ['-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p']],
  ['H.264, 10 bit', 'mov', 50, ['-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p10le']],
  [
    'HEVC, 10 bit',
    'mp4',
    50,
    ['-c:v', 'libx265', '-preset', 'ultrafast', '-x265-params', 'log-level=none', '-pix_fmt', 'yuv420p10le'],
  ],
  [
    'VP9, 10 bit',
    'webm',
    25,
    ['-c:v', 'libvpx-vp9', '-cpu-used', '8', '-deadline', 'realtime', '-pix_fmt', 'yuv420p10le'],
  ],
  [
    'H.264 intra, 10 bit 4:2:2',
    'mxf',
    25,
    ['-c:v', 'libx264', '-preset', 'ultrafast', '-g', '1', '-pix_fmt', 'yuv422p10le'],
  ],
];

const ffmpeg = (...args) => {
  const began = performance.now();
  const done = spawnSync('ffmpeg', ['-v', 'error', '-y', ...args]);
  if (done.status !== 0) throw new Error(done.stderr.toString());
  return performance.now() - began;
};
/** One frame of a clip, or the still, decoded and thrown away. */
const decode = (file) => ffmpeg('-threads', '1', '-i', file, '-frames:v', '1', '-f', 'null', '-');
/** What ffmpeg takes to start and end, ms. */
const startOf = () => ffmpeg('-f', 'lavfi', '-i', 'nullsrc=s=16x16', '-frames:v', '1', '-f', 'null', '-');

/** Ms from the file's being given to the page to the first verdict about it. */
const opening = async (page, path, name) => {
  const done = page.evaluate(async (wanted) => {
    const input = document.querySelector('input[aria-label="Frame file"]');
    const verdicts = document.querySelector('.verdicts');
    const { opening: before } = verdicts.dataset;
    await new Promise((resolve) => input.addEventListener('change', resolve, { once: true, capture: true }));
    const began = performance.now();
    for (;;) {
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const isThere = document.querySelector('.picture h2').textContent === wanted;
      const isNew = verdicts.dataset.opening !== undefined && verdicts.dataset.opening !== before;
      if (isThere && isNew && verdicts.querySelector('[data-verdict]')) break;
      if (document.querySelector('.notice-bad')) return undefined;
      if (performance.now() - began > 20_000) return undefined;
    }
    return performance.now() - began;
  }, name);
  await page.getByLabel('Frame file').setInputFiles(path);
  return done;
};

export const benchOpen = async () => {
  build();
  const { server, address } = await startServer(await freePort(3370), { quietly: true });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/judge?shoot=salt-and-fire&setup=bench-interview&camera=a-cam`);
    await page.locator('[data-verdict="forecast"]').waitFor();
    say(
      '\nOpening: drop to first verdict, and ffmpeg’s bare decode (one thread, its start taken off), ms, medians',
    );
    for (const [size, pixels] of Object.entries(SIZES))
      for (const [kind, ending, frames, args] of KINDS) {
        const shown = `${kind.replace(/\W+/g, '')}-${size}.${ending}`;
        const file = `.bench/${shown}`;
        const source = `testsrc2=s=${pixels}:r=25,noise=alls=6:allf=t`;
        ffmpeg('-f', 'lavfi', '-i', source, '-frames:v', String(frames), ...args, file);
        const [opened, decoded] = [[], []];
        for (let n = 0; n < ROUNDS; n += 1) {
          const ms = await opening(page, file, shown);
          if (ms === undefined) break;
          opened.push(ms);
          decoded.push(decode(file) - startOf());
          // Nothing in between, or the browser sees no change.
          await page.getByLabel('Frame file').setInputFiles([]);
          await page.waitForTimeout(150);
        }
        const name = `  ${size} ${kind}, ${(statSync(file).size / 1e6).toFixed(1)} MB`;
        if (opened.length === 0) {
          const why = (await page.locator('.notice-bad').allTextContents()).join(' ');
          say(`${name}: not opened (${why.slice(0, 120)})`);
        } else {
          const [ours, theirs] = [median(opened), Math.max(1, median(decoded))];
          say(`${name}: ${ours.toFixed(0)} / ${theirs.toFixed(0)} = ${(ours / theirs).toFixed(1)}`);
        }
        for (const close of await page.locator('.notice-bad').getByRole('button', { name: 'Close' }).all())
          await close.click();
      }
  } finally {
    await browser.close();
    server.kill();
  }
};
