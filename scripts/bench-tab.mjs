// A page in Chromium with the benchmark's worker, isolated as the app is.
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { chromium } from '@playwright/test';

const FILES = {
  '/worker.js': ['.bench/worker.js', 'text/javascript'],
  '/hand.js': ['.bench/hand.js', 'text/javascript'],
  '/scopes.wasm': ['public/kernels/scopes.wasm', 'application/wasm'],
  '/scopes-shared.wasm': ['public/kernels/scopes-shared.wasm', 'application/wasm'],
};
export const openBenchTab = async () => {
  const server = createServer((request, response) => {
    const [file, type] = FILES[request.url] ?? [undefined, 'text/html'];
    response.setHeader('Content-Type', type);
    response.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
    response.setHeader('Cross-Origin-Embedder-Policy', 'require-corp');
    response.setHeader('Cross-Origin-Resource-Policy', 'same-origin');
    response.end(file ? readFileSync(file) : '<!doctype html><title>bench</title>');
  });
  await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address();

  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const tab = await browser.newPage();
  await tab.goto(`http://127.0.0.1:${port}/`);
  await tab.evaluate(() => {
    globalThis.worker = new Worker('/worker.js');
  });
  const ask = (what) =>
    tab.evaluate(
      (job) =>
        new Promise((resolve, reject) => {
          globalThis.worker.onmessage = ({ data }) => resolve(data);
          globalThis.worker.onerror = (event) => reject(new Error(event.message));
          globalThis.worker.postMessage(job);
        }),
      what,
    );

  return {
    ask,
    close: async () => {
      await browser.close();
      server.close();
    },
  };
};
