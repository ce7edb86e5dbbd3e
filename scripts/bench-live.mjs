// The whole app on a live feed, 1080p and UHD: what is shown, how late, what is left out, how long the page stood
// still, what memory does; then on a clip of ten minutes.
import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { build, freePort, say, startServer } from './ground.mjs';

/** Two frames at 25 a second, ms. */
const TWO_FRAMES = 80;
/** Parts of the run; memory is looked at between them, when nothing else is counted: the look itself takes time. */
const PARTS = 4;
/** A browser that plays a clip as its camera. */
export const flags = (clip) => [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--use-fake-device-for-media-stream',
  '--use-fake-ui-for-media-stream',
  `--use-file-for-fake-video-capture=${clip}`,
];

const sum = (values) => values.reduce((a, b) => a + b, 0);

/** Page and workers together, after their garbage is gone, MB. */
export const memory = async (page) =>
  (await page.evaluate(async () => (await performance.measureUserAgentSpecificMemory()).bytes)) / 1e6;

/** What the page and its feed do for so many seconds. */
const watch = (page, seconds) =>
  page.evaluate(async (ms) => {
    const counter = document.querySelector('[data-shown]');
    const read = () => [Number(counter.dataset.shown), Number(counter.dataset.dropped)];
    const [tasks, late] = [[], []];
    const long = new PerformanceObserver((list) =>
      list.getEntries().forEach(({ duration }) => tasks.push(Math.round(duration))),
    );
    long.observe({ entryTypes: ['longtask'] });
    const drawn = new MutationObserver(() => late.push(Number(counter.dataset.late)));
    drawn.observe(counter, { attributeFilter: ['data-shown'] });
    const [shown, dropped] = read();
    await new Promise((resolve) => setTimeout(resolve, ms));
    long.disconnect();
    drawn.disconnect();
    const [shownThen, droppedThen] = read();
    return { tasks, late, shown: shownThen - shown, dropped: droppedThen - dropped };
  }, seconds * 1000);

const feed = async (page, address, { size, seconds, withMemory }) => {
  await page.goto(`${address}/judge?shoot=salt-and-fire&setup=bench-interview&camera=a-cam&under=scope`);
  await page.locator('[data-verdict="forecast"]').waitFor();
  await page.getByRole('button', { name: 'Device' }).click();
  await page.getByRole('button', { name: 'Any video input' }).click();
  await page.locator('[data-shown]').waitFor();
  await page.waitForTimeout(5000);
  const look = async () => (withMemory ? [await memory(page)] : []);
  const looks = await look();
  const parts = [];
  for (let n = 0; n < PARTS; n += 1) {
    await page.waitForTimeout(500);
    parts.push(await watch(page, seconds / PARTS));
    looks.push(...(await look()));
  }
  const of = (key) => parts.flatMap((part) => part[key]);
  const late = of('late').toSorted((a, b) => a - b);
  const at = (share) => late[Math.floor(share * (late.length - 1))].toFixed(0);
  say(
    `\nLive, ${size} at 25 a second from a played device, waveform, vectorscope, both zebras, ` +
      `monitoring LUT, ${seconds} s`,
  );
  say(
    `  shown ${(sum(of('shown')) / seconds).toFixed(1)} a second, ` +
      `left out ${(sum(of('dropped')) / seconds).toFixed(1)} a second`,
  );
  say(
    `  picture drawn ${at(0.5)} ms after it came (one in a hundred over ${at(0.99)}, at most ${at(1)}); ` +
      `over two frames: ${late.filter((ms) => ms > TWO_FRAMES).length} of ${late.length}`,
  );
  say(`  page’s tasks over 50 ms: ${of('tasks').join(', ') || 'none'}`);
  if (withMemory) say(`  memory of page and workers ${looks.map((mb) => mb.toFixed(0)).join(', ')} MB`);
};

/** A clip of ten minutes: judged as a whole, then sought in from end to end. */
const clip = async (page) => {
  spawnSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-f',
    'lavfi',
    '-i',
    'testsrc2=s=640x360:r=25:d=600',
    '-c:v',
    'libx264',
    '-preset',
    'ultrafast',
    '-g',
    '50',
    '.bench/long.mp4',
  ]);
  await page.getByLabel('Frame file').setInputFiles('.bench/long.mp4');
  await page.locator('[data-frame]').waitFor();
  const looks = [await memory(page)];
  await page.getByRole('button', { name: 'Judge clip' }).click();
  await page.locator('.drift').waitFor({ timeout: 120_000 });
  looks.push(await memory(page));
  for (let n = 1; n <= 300; n += 1) {
    const frame = String((n * 4999) % 15000);
    await page.getByLabel('Frame of the clip').fill(frame);
    await page.locator(`[data-frame="${frame}"]`).waitFor({ timeout: 60_000 });
    if (n % 100 === 0) looks.push(await memory(page));
  }
  say(
    '\nA clip of ten minutes: memory when opened, when judged whole (its second bench stays), after 100, ' +
      '200, 300 jumps',
  );
  say(`  ${looks.map((mb) => mb.toFixed(0)).join(', ')} MB`);
};

/** A browser that plays a clip as its camera. */
const withCamera = async (camera, work) => {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: flags(camera) });
  try {
    await work(await browser.newPage({ viewport: { width: 1280, height: 800 } }));
  } finally {
    await browser.close();
  }
};

/** The same pictures four times as large. */
const enlarge = () =>
  spawnSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-i',
    '.bench/camera.y4m',
    '-vf',
    'scale=3840:2160',
    '.bench/uhd.y4m',
  ]);

export const benchLive = async (seconds = 20) => {
  const { cameraClip } = await import(new URL('../.bench/frame.mjs', import.meta.url).href);
  writeFileSync('.bench/camera.y4m', cameraClip());
  enlarge();
  build();
  const { server, address } = await startServer(await freePort(3500), { quietly: true });
  try {
    await withCamera('.bench/camera.y4m', async (page) => {
      await feed(page, address, { size: '1920x1080', seconds, withMemory: true });
      await clip(page);
    });
    await withCamera('.bench/uhd.y4m', (page) =>
      feed(page, address, { size: '3840x2160', seconds: Math.min(20, seconds), withMemory: false }),
    );
  } finally {
    server.kill();
  }
};
