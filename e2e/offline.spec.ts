import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { at, cell, expect, test } from './fixtures.ts';

// A server of its own, which is stopped under the page.
test.use({ stopsServer: true, serviceWorkers: 'allow', storageState: { cookies: [], origins: [] } });

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

let server: ChildProcess;
let address: string;
test.beforeAll(async () => {
  const port = await freePort();
  address = `http://127.0.0.1:${port}`;
  server = spawn(
    'node',
    ['node_modules/next/dist/bin/next', 'start', '--hostname', '127.0.0.1', '-p', String(port)],
    { stdio: 'ignore' },
  );
  await expect
    .poll(
      () =>
        fetch(`${address}/plan`).then(
          ({ status }) => status,
          () => 0,
        ),
      { timeout: 60_000 },
    )
    .toBe(200);
});
test.afterAll(() => void server.kill('SIGKILL'));

test('after the first load every step works with the server stopped', async ({ page }) => {
  await page.goto(`${address}${at('plan')}`);
  await page.getByRole('button', { name: 'Not now' }).click();
  // Kept: all files are there, and this page goes by the worker.
  await expect
    .poll(() => page.evaluate(() => navigator.serviceWorker.controller?.state), { timeout: 60_000 })
    .toBe('activated');
  server.kill('SIGKILL');
  await expect
    .poll(() =>
      fetch(`${address}/plan`).then(
        () => 'up',
        () => 'down',
      ),
    )
    .toBe('down');

  await page.reload();
  await expect(cell(page, 'card')).toHaveText('46±2');
  await page.keyboard.press(']');
  await expect(cell(page, 'placement')).toHaveText('+1');
  for (const [key, ready] of [
    ['1', '.profile-chips'],
    ['3', '.picture'],
    ['4', '.take'],
    ['5', '.lut-chart'],
    ['7', '.pocket'],
    ['8', '.drill-round'],
    ['2', '.schools'],
  ]) {
    await page.keyboard.press(key);
    await expect(page.locator(ready).first()).toBeVisible();
  }
  await page.keyboard.press('3');
  await expect(page.locator('.picture-sheet[data-painted]')).toBeVisible();
  await expect(page.locator('[data-verdict]').first()).toBeVisible();
  await page.getByLabel('Frame file').setInputFiles('public/demo/step-wedge.png');
  await expect(page.locator('.picture h2')).toHaveText('step-wedge.png');
  await page.keyboard.press('l');
  await expect(page.locator('.notices')).toContainText('Take 1 logged');
  await page.goto(`${address}${at('log')}`);
  await expect(page.locator('.take')).toHaveCount(9);
  // A page that was never open, from the address bar.
  await page.goto(`${address}/`);
  await expect(page).toHaveURL(/\/log/);
  expect(await page.evaluate(() => crossOriginIsolated)).toBe(true);
});
