// The table of a thousand clips: how soon a filter answers, and how long its frames take while it scrolls.
import { chromium } from '@playwright/test';
import { build, fail, freePort, say, startServer } from './ground.mjs';
import { fillClips } from './many-takes.mjs';

const CLIPS = 1000;
/** Limits of the house: ms to the frame that shows what is left; ms of the page's thread a frame of scrolling. */
const LIMITS = { filter: 50, scroll: 1000 / 60 };

/** Ms from a word typed into the search to the frame in which other lines stand. */
const filterMs = (page, word) =>
  page.evaluate(async (value) => {
    const count = () =>
      document.querySelector('.clip-table')?.getAttribute('aria-rowcount') ??
      document.querySelectorAll('.clip-table tbody tr').length;
    const before = String(count());
    const field = document.querySelector('.clips-view input[type="search"]');
    const started = performance.now();
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, value);
    field.dispatchEvent(new Event('input', { bubbles: true }));
    while (String(count()) === before && performance.now() - started < 5000)
      await new Promise((resolve) => requestAnimationFrame(resolve));
    return performance.now() - started;
  }, word);

/** Ms of each frame while the table is scrolled by 40 px a frame, and the longest tasks meanwhile. */
const scrollMs = (page) =>
  page.evaluate(async () => {
    const box = document.querySelector('.clips-view .long-table');
    const tasks = [];
    const seen = new PerformanceObserver((list) =>
      tasks.push(...list.getEntries().map(({ duration }) => duration)),
    );
    seen.observe({ type: 'longtask' });
    const frames = [];
    let last = performance.now();
    for (let i = 0; i < 240; i += 1) {
      box.scrollTop += 40;
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const now = performance.now();
      frames.push(now - last);
      last = now;
    }
    seen.disconnect();
    return { frames: frames.slice(5).sort((a, b) => a - b), tasks };
  });

export const benchClipLines = async () => {
  build();
  const { server, address } = await startServer(await freePort(3370), { quietly: true });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const broken = [];
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.addInitScript(() => localStorage.setItem('candelum-first-start', '{"doors":false}'));
    const clips = `${address}/log?part=clips&shoot=salt-and-fire&setup=bench-interview&camera=a-cam`;
    await page.goto(clips);
    await page.locator('.clip-table').first().waitFor();
    await page.evaluate(fillClips, CLIPS);
    await page.reload();
    await page.waitForFunction(
      (many) => Number(document.querySelector('.clip-table')?.getAttribute('aria-rowcount')) > many,
      CLIPS,
    );
    await page.waitForTimeout(3000);
    say(`\nTable of ${CLIPS} clips`);
    const { frames, tasks } = await scrollMs(page);
    const over = frames.filter((ms) => ms > 20).length / frames.length;
    const at = (share) => frames[Math.floor(share * (frames.length - 1))].toFixed(1);
    say(
      `  scrolling: frames of ${at(0.5)} ms in the middle, ${at(0.95)} at 95 %, ${at(1)} at most (60 a second: 16.7), ${(100 * over).toFixed(0)} % of them late; ${tasks.length} tasks over 50 ms`,
    );
    const slowest = [];
    for (const word of ['hundred', '', 'M07', '']) {
      const ms = await filterMs(page, word);
      slowest.push(ms);
      say(
        `  filter, ${word === '' ? 'all again' : `"${word}"`}: ${ms.toFixed(0)} ms (limit ${LIMITS.filter})`,
      );
      await page.waitForTimeout(500);
    }
    if (Math.max(...slowest) > LIMITS.filter) broken.push(`a filter over ${LIMITS.filter} ms`);
    if (frames[Math.floor(0.5 * frames.length)] > LIMITS.scroll * 1.1)
      broken.push('scrolling under 60 frames a second');
  } finally {
    await browser.close();
    server.kill();
  }
  if (broken.length > 0) fail(`Clips: ${broken.join('; ')}.`);
};
