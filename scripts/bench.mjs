// npm run bench: ms per 1920x1080 10-bit frame of each scope, in a Chromium worker, with ratios of one run.
import { mkdirSync, readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { fail, installDebian, installPackages, nodeIsNew, say } from './ground.mjs';

nodeIsNew();
installPackages();
if (installDebian({ chromium: 'chromium' }).length > 0)
  fail('Chromium is missing: install it with "apt-get install chromium".');

const { build } = await import('esbuild');
const { chromium } = await import('@playwright/test');

mkdirSync('.bench', { recursive: true });
await build({
  entryPoints: ['bench/worker.ts'],
  bundle: true,
  format: 'iife',
  target: 'chrome120',
  outfile: '.bench/worker.js',
  logLevel: 'error',
});

const page = '<!doctype html><title>bench</title>';
const server = createServer((request, response) => {
  const script = request.url === '/worker.js';
  response.setHeader('Content-Type', script ? 'text/javascript' : 'text/html');
  response.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
  response.setHeader('Cross-Origin-Embedder-Policy', 'require-corp');
  response.setHeader('Cross-Origin-Resource-Policy', 'same-origin');
  response.end(script ? readFileSync('.bench/worker.js') : page);
});
await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve));
const { port } = server.address();

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const tab = await browser.newPage();
await tab.goto(`http://127.0.0.1:${port}/`);
const rows = await tab.evaluate(
  () =>
    new Promise((resolve, reject) => {
      const worker = new Worker('/worker.js');
      worker.onmessage = ({ data }) => resolve(data);
      worker.onerror = (event) => reject(new Error(event.message));
    }),
);
await browser.close();
server.close();

const plain = rows.find(({ name }) => name.startsWith('plain loop')).ms;
say('1920x1080, 10 bit, Chromium worker, median of 25; ratio to the plain loop of the same run\n');
for (const { name, ms } of rows)
  say(`${ms.toFixed(ms < 1 ? 3 : 1).padStart(9)} ms  ${(ms / plain).toFixed(3).padStart(7)}  ${name}`);
