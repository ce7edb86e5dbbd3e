// The log of ten thousand takes: how soon its first lines stand, how soon a filter answers, how much is drawn.
import { chromium } from '@playwright/test';
import { build, fail, freePort, say, startServer } from './ground.mjs';
import { fillLog } from './many-takes.mjs';

const TAKES = 10_000;
/** Limits of the house: ms, ms, nodes. */
const LIMITS = { firstLine: 1000, filter: 50, nodes: 4000 };

/** Ms from a change of a control to the frame in which the count of what is shown has changed. */
const filterMs = (page, pick) =>
  page.evaluate(async (what) => {
    const note = document.querySelector('.log');
    const before = note.textContent;
    const control = document.querySelector(what.selector);
    const started = performance.now();
    const set = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(control), what.property).set;
    set.call(control, what.value);
    control.dispatchEvent(new Event(what.event, { bubbles: true }));
    while (note.textContent === before && performance.now() - started < 5000)
      await new Promise((resolve) => requestAnimationFrame(resolve));
    return performance.now() - started;
  }, pick);

export const benchLog = async () => {
  build();
  const { server, address } = await startServer(await freePort(3350), { quietly: true });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const broken = [];
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    const log = `${address}/log?shoot=salt-and-fire&setup=bench-interview&camera=a-cam`;
    await page.goto(log);
    await page.locator('.take').first().waitFor();
    await page.evaluate(fillLog, TAKES);
    // From the press on the step, the app being there; not the loading of the app.
    await page.goto(log.replace('/log', '/plan'));
    await page.locator('.set-card').waitFor();
    await page.waitForTimeout(2000);
    const firstLine = await page.evaluate(async () => {
      const started = performance.now();
      document.querySelector('a.order-step[href^="/log"]').click();
      while (!document.querySelector('.take-card') && performance.now() - started < 20_000)
        await new Promise((r) => requestAnimationFrame(r));
      return performance.now() - started;
    });
    await page.waitForFunction(() => /\d+ logged/.test(document.querySelector('.log').textContent), null, {
      timeout: 60_000,
    });
    const picks = {
      'a word': {
        selector: '.log-filter input[type="search"]',
        property: 'value',
        value: 'hundred',
        event: 'input',
      },
      'all again': {
        selector: '.log-filter input[type="search"]',
        property: 'value',
        value: '',
        event: 'input',
      },
      'a set-up': {
        selector: '.log-filter select',
        property: 'value',
        value: 'Slipway under water',
        event: 'change',
      },
    };
    say('');
    say(`Log of ${TAKES} takes`);
    say(`  first line ${firstLine.toFixed(0)} ms after the step is pressed`);
    const slowest = [];
    for (const [name, pick] of Object.entries(picks)) {
      const ms = await filterMs(page, pick);
      slowest.push(ms);
      say(`  filter, ${name}: ${ms.toFixed(0)} ms`);
      await page.waitForTimeout(300);
    }
    const nodes = await page.evaluate(() => document.querySelectorAll('*').length);
    say(`  ${nodes} nodes in the page`);
    if (firstLine > LIMITS.firstLine) broken.push(`first line over ${LIMITS.firstLine} ms`);
    if (Math.max(...slowest) > LIMITS.filter) broken.push(`a filter over ${LIMITS.filter} ms`);
    if (nodes > LIMITS.nodes) broken.push(`over ${LIMITS.nodes} nodes`);
  } finally {
    await browser.close();
    server.kill();
  }
  if (broken.length > 0) fail(`Log: ${broken.join('; ')}.`);
};
