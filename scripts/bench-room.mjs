// The live room on two inputs of 1080p25: what is shown and left out of each, how long the page stood still, what
// memory does while the evening goes on.
import { writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { flags, memory } from './bench-live.mjs';
import { build, freePort, say, startServer } from './ground.mjs';

const INPUTS = ['Hall 1', 'Hall 2'];
/** Parts of the run; memory is looked at between them. */
const PARTS = 6;

/** What both inputs and the page do for so many seconds. */
const watch = (page, seconds) =>
  page.evaluate(async (ms) => {
    const read = () =>
      [...document.querySelectorAll('.room-tile [data-shown]')].map(({ dataset }) => [
        Number(dataset.shown),
        Number(dataset.dropped),
      ]);
    const tasks = [];
    const long = new PerformanceObserver((list) =>
      list.getEntries().forEach(({ duration }) => tasks.push(Math.round(duration))),
    );
    long.observe({ entryTypes: ['longtask'] });
    const before = read();
    await new Promise((resolve) => setTimeout(resolve, ms));
    long.disconnect();
    const after = read();
    return { tasks, inputs: before.map((was, i) => was.map((value, k) => after[i][k] - value)) };
  }, seconds * 1000);

const mark = async (page, camera) => {
  const box = await page
    .getByRole('figure')
    .filter({ hasText: camera })
    .locator('.match-marks')
    .boundingBox();
  await page.mouse.move(box.x + 0.3 * box.width, box.y + 0.3 * box.height);
  await page.mouse.down();
  await page.mouse.move(box.x + 0.4 * box.width, box.y + 0.45 * box.height, { steps: 4 });
  await page.mouse.up();
};

const room = async (page, address, seconds, rate) => {
  await page.goto(`${address}/match?shoot=salt-and-fire&setup=open-evening&camera=hall-2&part=room`);
  for (const camera of INPUTS) {
    const tile = page.getByRole('figure').filter({ hasText: camera });
    await tile.getByRole('button', { name: 'Source' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Any video input' }).click();
    await tile.getByText('8-bit').waitFor();
  }
  // A wall that both see: then everything is measured, solved and watched.
  await page.getByLabel('Mark', { exact: true }).selectOption({ label: 'Wall' });
  await mark(page, 'Hall 1');
  await page.getByLabel('Mark', { exact: true }).selectOption({ value: '= Wall' });
  await mark(page, 'Hall 2');
  await page.locator('.room-says').filter({ hasText: 'ΔE' }).waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Keep this moment' }).click();
  await page.waitForTimeout(5000);
  const looks = [await memory(page)];
  const parts = [];
  for (let n = 0; n < PARTS; n += 1) {
    await page.waitForTimeout(500);
    parts.push(await watch(page, seconds / PARTS));
    looks.push(await memory(page));
  }
  say(
    `\nLive room, two inputs of 1920x1080 at ${rate} a second, waveform, vectorscope, verdicts, ${seconds} s`,
  );
  for (const [i, name] of INPUTS.entries()) {
    const [shown, dropped] = [0, 1].map((k) => parts.reduce((sum, { inputs }) => sum + inputs[i][k], 0));
    say(
      `  ${name}: shown ${(shown / seconds).toFixed(1)} a second, left out ${(dropped / seconds).toFixed(1)} a second`,
    );
  }
  const tasks = parts.flatMap((part) => part.tasks);
  const long = tasks.length > 12 ? `${tasks.length}, at most ${Math.max(...tasks)} ms` : tasks.join(', ');
  say(`  page’s tasks over 50 ms: ${long || 'none'}`);
  // The first look is left out: what is kept ready fills in the beginning.
  const [first, last] = [looks[1], looks.at(-1)];
  const hours = (seconds * (PARTS - 1)) / PARTS / 3600;
  say(
    `  memory of page and workers ${looks.map((mb) => mb.toFixed(0)).join(', ')} MB: ` +
      `${((last - first) / hours).toFixed(0)} MB an hour from the first part on`,
  );
};

/** @param rate Pictures a second of both inputs; fewer leave room for other work beside an hour of it */
export const benchRoom = async (seconds = 60, rate = 25) => {
  const { cameraClip } = await import(new URL('../.bench/frame.mjs', import.meta.url).href);
  const bytes = Buffer.from(cameraClip());
  const head = bytes.indexOf('\n');
  const slowed = bytes.subarray(0, head).toString('latin1').replace(/ F\S+/, ` F${rate}:1`);
  writeFileSync('.bench/room.y4m', Buffer.concat([Buffer.from(slowed, 'latin1'), bytes.subarray(head)]));
  build();
  const { server, address } = await startServer(await freePort(3500), { quietly: true });
  try {
    const browser = await chromium.launch({
      executablePath: '/usr/bin/chromium',
      args: flags('.bench/room.y4m'),
    });
    await room(await browser.newPage({ viewport: { width: 1280, height: 800 } }), address, seconds, rate);
    await browser.close();
  } finally {
    server.kill();
  }
};
