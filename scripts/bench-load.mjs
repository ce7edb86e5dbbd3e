// The first load: how much script each route asks for, and how soon the set card is seen.
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { build, fail, freePort, median, say, startServer } from './ground.mjs';

const ROUNDS = 5;
const ROUTES = ['kit', 'plan', 'judge', 'log', 'luts', 'handoff'];
/** Limits of the house: kB of script (gzip, 1000 bytes) that a page names, ms until the card is drawn. */
const LIMITS = { script: 250, card: 700 };

const kB = (bytes) => (bytes / 1000).toFixed(1);

/** Scripts that a page names in its HTML, without those that only old browsers ask for. */
const namedIn = (html) =>
  [...html.matchAll(/<script[^>]*src="(\/_next\/[^"]+)"[^>]*>/g)]
    .filter(([tag]) => !/nomodule/i.test(tag))
    .map(([, path]) => path);

const sizeOf = async (address, path, sizes) => {
  if (!sizes.has(path)) {
    const bytes = Buffer.from(await (await fetch(`${address}${path}`)).arrayBuffer());
    sizes.set(path, gzipSync(bytes, { level: 6 }).length);
  }
  return sizes.get(path);
};

const sum = async (address, paths, sizes) => {
  let bytes = 0;
  for (const path of new Set(paths)) bytes += await sizeOf(address, path, sizes);
  return bytes;
};

/** Runs in the page before its own scripts: notes the frame in which the card is first drawn. */
const watchCard = () => {
  const look = () => {
    if (document.querySelector('.set-card .cell-value')) globalThis.cardSeen = performance.now();
    else requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
};

/** One load in a page: ms until the card is seen, scripts that came until the screen stood still. */
const load = async (page, url) => {
  const scripts = [];
  const note = (request) => {
    if (request.resourceType() === 'script') scripts.push(new URL(request.url()).pathname);
  };
  page.on('request', note);
  await page.goto(url);
  await page.waitForFunction(() => globalThis.cardSeen !== undefined);
  const seen = await page.evaluate(() => globalThis.cardSeen);
  await page.waitForTimeout(1500);
  page.off('request', note);
  return { seen, scripts };
};

export const benchLoad = async () => {
  build();
  const { server, address } = await startServer(await freePort(3330), { quietly: true });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const broken = [];
  const sizes = new Map();
  try {
    say('route     named kB   with all that came kB   card, first visit ms   card, later ms');
    for (const route of ROUTES) {
      const url = `${address}/${route}`;
      const named = await sum(address, namedIn(await (await fetch(url)).text()), sizes);
      const [first, later] = [[], []];
      let all = 0;
      for (let round = 0; round < ROUNDS; round += 1) {
        // A browser that was never here: no cache, no records; then the same again.
        const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
        const page = await context.newPage();
        await page.addInitScript(watchCard);
        const visit = await load(page, url);
        first.push(visit.seen);
        later.push((await load(page, url)).seen);
        all = await sum(address, visit.scripts, sizes);
        await context.close();
      }
      say(
        [
          route.padEnd(9),
          kB(named).padStart(8),
          kB(all).padStart(23),
          median(first).toFixed(0).padStart(22),
          median(later).toFixed(0).padStart(16),
        ].join(' '),
      );
      if (named > LIMITS.script * 1000) broken.push(`${route}: ${kB(named)} kB of script`);
      for (const [visit, times] of Object.entries({ first, later }))
        if (median(times) > LIMITS.card)
          broken.push(`${route}: the card after ${median(times).toFixed(0)} ms of the ${visit} visit`);
    }
  } finally {
    await browser.close();
    server.kill();
  }
  if (broken.length > 0) fail(`Over the limit: ${broken.join('; ')}.`);
};
