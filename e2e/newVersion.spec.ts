import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { at, cell, expect, test } from './fixtures.ts';

test.use({ serviceWorkers: 'allow', storageState: { cookies: [], origins: [] } });

/** Stands before the server and, once told to, hands out the worker of a newer build. */
let proxy: Server;
let isNewer = false;
test.beforeAll(async ({}, info) => {
  const target = new URL(info.project.use.baseURL ?? '');
  proxy = createServer((incoming, outgoing) => {
    const headers = { ...incoming.headers, host: target.host };
    const { hostname, port } = target;
    const onward = request(
      { hostname, port, path: incoming.url, method: incoming.method, headers },
      (answer) => {
        const isWorker = incoming.url === '/sw.js' && isNewer;
        const { 'content-length': _length, ...rest } = answer.headers;
        outgoing.writeHead(answer.statusCode ?? 500, isWorker ? rest : answer.headers);
        answer.on('end', () => outgoing.end(isWorker ? '\n// newer' : undefined));
        answer.pipe(outgoing, { end: false });
      },
    );
    onward.on('error', () => outgoing.destroy());
    incoming.pipe(onward);
  });
  await new Promise<void>((resolve) => proxy.listen(0, '127.0.0.1', resolve));
});
test.afterAll(() => void proxy.close());

test('a new version is offered, not forced, and loading it loses nothing', async ({ page }) => {
  const address = `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`;
  const offer = page.getByText('A new version of Candelum is ready.');
  await page.goto(`${address}${at('plan')}`);
  await page.getByRole('button', { name: 'Not now' }).click();
  await expect
    .poll(() => page.evaluate(() => navigator.serviceWorker.controller?.state), { timeout: 60_000 })
    .toBe('activated');
  await expect(offer).toHaveCount(0);

  isNewer = true;
  await page.evaluate(() => Object.assign(window, { stayed: true }));
  await page.evaluate(async () => (await navigator.serviceWorker.ready).update());
  await expect(offer).toBeVisible({ timeout: 60_000 });
  // Not forced: the work goes on where it was.
  await page.keyboard.press(']');
  await expect(cell(page, 'placement')).toHaveText('+1');
  await expect(page.locator('.shell[data-stored="true"]')).toBeVisible();
  expect(await page.evaluate(() => 'stayed' in window)).toBe(true);

  await page.getByRole('button', { name: 'Load it' }).click();
  await expect
    .poll(() => page.evaluate(() => 'stayed' in window).catch(() => true), { timeout: 60_000 })
    .toBe(false);
  await expect(cell(page, 'placement')).toHaveText('+1');
  await expect(offer).toHaveCount(0);
  expect(await page.evaluate(async () => (await navigator.serviceWorker.ready).waiting)).toBeNull();
});
