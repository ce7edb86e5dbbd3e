// What a first hour asks for, through the interface: presses, typed fields and seconds for each job, by a script that
// types at once. A hand takes longer at the fields; the presses are the same.
import { chromium } from '@playwright/test';
import { build, fail, freePort, say, startServer } from './ground.mjs';

/** What each job may cost at most: presses, and seconds of a script on this machine. */
const LIMITS = { presses: 12, seconds: 60 };

/** A page that counts what is pressed and typed into. */
const counting = async (browser, options) => {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, ...options });
  const page = await context.newPage();
  const counts = { presses: 0, fields: 0 };
  return {
    page,
    counts,
    press: async (locator) => {
      counts.presses += 1;
      await (options?.hasTouch ? locator.tap() : locator.click());
    },
    type: async (label, text) => {
      counts.fields += 1;
      await page.getByLabel(label, { exact: true }).fill(text);
    },
    choose: async (label, option) => {
      counts.fields += 1;
      await page.getByLabel(label, { exact: true }).selectOption(option);
    },
    close: () => context.close(),
  };
};

const ownCard = async (address, { page, press, type, choose }) => {
  await page.goto(`${address}/`);
  await press(page.getByRole('link', { name: 'Set up my own camera' }));
  await type('What you call it', 'Shoulder cam');
  await choose('It records', '8-bit');
  await choose('Its picture profile', 'log or flat, figures at hand');
  await choose('Its paper prints', '10-bit code');
  await type('18 % grey reads', '420');
  await type('90 % white reads', '590');
  await type('Clip reads', '940');
  await press(page.getByRole('button', { name: 'Add camera and show its card' }));
  await page.locator('.chooser', { hasText: 'My shoot' }).waitFor({ state: 'attached' });
  await page.locator('.cell[data-cell="card"] .cell-value', { hasText: /\d/ }).waitFor();
};

const secondSetup = async (_address, { page, press, type }) => {
  await press(page.locator('.chooser'));
  await type('New set-up', 'Back door');
  await press(page.getByRole('button', { name: 'Add set-up' }));
  await page.locator('.chooser', { hasText: 'Back door' }).waitFor();
};

const backUp = async (_address, { page, press }) => {
  await press(page.getByRole('link', { name: /Kit/ }));
  await press(page.getByRole('tab', { name: 'Back-up' }));
  const coming = page.waitForEvent('download');
  await press(page.getByRole('button', { name: 'Back up everything' }));
  return (await coming).path();
};

/** In a browser that was never here. */
const restore = async (address, { page, press, counts }, file) => {
  await page.goto(`${address}/kit?part=records`);
  const skip = page.getByRole('button', { name: /^(Not now|Skip|Close|Look round later)/ });
  if ((await skip.count()) > 0) await press(skip.first());
  counts.fields += 1;
  await page.getByLabel('File to restore').setInputFiles(file);
  await press(page.getByRole('button', { name: 'Add what is new' }));
  await page.getByText('My shoot').first().waitFor({ state: 'attached' });
};

export const benchTasks = async () => {
  build();
  const { server, address } = await startServer(await freePort(3340), { quietly: true });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const broken = [];
  const row = (name, { presses, fields }, seconds) => {
    say(
      `${name.padEnd(44)}${String(presses).padStart(8)}${String(fields).padStart(8)}${seconds.toFixed(1).padStart(10)}`,
    );
    if (presses > LIMITS.presses || seconds > LIMITS.seconds) broken.push(name);
  };
  const timed = async (name, hand, job) => {
    const before = { ...hand.counts };
    const started = performance.now();
    const made = await job();
    const seconds = (performance.now() - started) / 1000;
    const { presses, fields } = hand.counts;
    row(name, { presses: presses - before.presses, fields: fields - before.fields }, seconds);
    return made;
  };
  try {
    say(`${'job'.padEnd(44)} presses  fields   seconds`);
    const hand = await counting(browser, { acceptDownloads: true });
    await timed('first card of an own camera, first visit', hand, () => ownCard(address, hand));
    await timed('a second set-up', hand, () => secondSetup(address, hand));
    const file = await timed('back-up of everything', hand, () => backUp(address, hand));
    const other = await counting(browser);
    await timed('restored in another browser', other, () => restore(address, other, file));
    await other.close();
    await hand.close();
    const phone = await counting(browser, {
      viewport: { width: 390, height: 844 },
      hasTouch: true,
      isMobile: true,
    });
    await timed('a phone, from the address to its own card', phone, () => ownCard(address, phone));
    await phone.close();
  } finally {
    await browser.close();
    server.kill();
  }
  if (broken.length > 0) fail(`Over the limit: ${broken.join('; ')}.`);
};
