import { readFileSync } from 'node:fs';
import { at, cell, expect, openPart, test, visit } from './fixtures.ts';

const records = (rest = '') => `${at('kit')}&part=records${rest}`;

test('everything is backed up, and restored in another browser: dry run first, undo after', async ({
  page,
  browser,
}) => {
  await visit(page, at('plan'));
  await page.keyboard.press(']');
  await expect(cell(page, 'placement')).toHaveText('+1');
  await page.keyboard.press('l');
  await expect(page.locator('.notices')).toContainText('Take 1 logged');
  await visit(page, records());
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Back up everything' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^candelum-\d{4}-\d\d-\d\d\.zip$/);
  await expect(page.locator('.panel', { hasText: 'Back up everything' })).toContainText('last on');
  const buffer = readFileSync(await file.path());

  const { baseURL, storageState } = test.info().project.use;
  const other = await browser.newPage({ baseURL, storageState });
  await visit(other, records());
  const choose = (name: string, content: Buffer) =>
    other
      .getByLabel('File to restore')
      .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: content });
  await choose('notes.zip', Buffer.from('hello'));
  await expect(other.getByRole('status').filter({ hasText: 'notes.zip' })).toContainText(
    'This is no back-up',
  );
  await choose('half.zip', buffer.subarray(0, buffer.length / 2));
  await expect(other.getByRole('status').filter({ hasText: 'half.zip' })).toContainText(
    'damaged or not whole',
  );

  await choose('candelum.zip', buffer);
  const row = (name: string) =>
    other.locator('.dry-run tr', { has: other.getByRole('rowheader', { name, exact: true }) });
  await expect(row('takes').getByRole('cell').first()).toHaveText('1');
  await expect(row('plans').getByRole('cell').nth(1)).toHaveText('1');
  await expect(cell(other, 'placement')).toHaveText('+2/3');
  await other.getByRole('button', { name: 'Add, with the file’s where they differ' }).click();
  await expect(cell(other, 'placement')).toHaveText('+1');
  await other.keyboard.press('Control+z');
  await expect(cell(other, 'placement')).toHaveText('+2/3');
  await other.close();
});

test('back-ups go into a chosen folder by themselves, also after the page was closed', async ({ page }) => {
  // The folder of the browser's own stands in for one that is picked.
  await page.addInitScript(() => {
    Object.assign(window, { showDirectoryPicker: () => navigator.storage.getDirectory() });
  });
  const written = () =>
    page.evaluate(async () => {
      const found: string[] = [];
      const root = (await navigator.storage.getDirectory()) as unknown as {
        entries: () => AsyncIterable<[string, FileSystemFileHandle]>;
      };
      for await (const [name, handle] of root.entries()) {
        // One that is being written anew is gone for a moment.
        const file = await handle.getFile().catch(() => undefined);
        found.push(`${name} ${file && file.size > 1000 ? 'filled' : 'empty'}`);
      }
      return found;
    });
  await visit(page, records());
  await page.getByRole('button', { name: 'Back up into a folder by itself' }).click();
  await expect.poll(written).toEqual([expect.stringMatching(/^candelum-[\d-]+\.zip filled$/)]);
  await page.evaluate(async () => {
    const root = await navigator.storage.getDirectory();
    for await (const name of (root as unknown as { keys: () => AsyncIterable<string> }).keys())
      await root.removeEntry(name);
  });
  await page.reload();
  await expect(page.getByText('one file a day, after each change')).toBeVisible({ timeout: 20_000 });
  await page.keyboard.press(']');
  await expect.poll(written, { timeout: 60_000 }).toEqual([expect.stringMatching(/zip filled$/)]);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Back up into a folder by itself' })).toBeVisible();
});

test('a shoot goes to a colleague, who keeps what is theirs', async ({ page, browser }) => {
  await visit(page, `${at('kit')}&part=shoots`);
  await page.getByRole('button', { name: 'Duplicate shoot Salt and Fire' }).click();
  await expect(page.locator('.chooser')).toContainText('Salt and Fire copy');
  await openPart(page, 'Back-up');
  await expect(page.getByLabel('Shoot to hand over')).toHaveValue(/.+/);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save this shoot' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('salt-and-fire-copy.candelum.zip');
  const { baseURL, storageState } = test.info().project.use;
  const other = await browser.newPage({ baseURL, storageState });
  await visit(other, records());
  await other.getByLabel('File to restore').setInputFiles(await file.path());
  await expect(other.getByText('Shoot Salt and Fire copy')).toBeVisible();
  await expect(other.getByRole('button', { name: 'Replace everything here' })).toHaveCount(0);
  await other.getByRole('button', { name: 'Add what is new' }).click();
  await openPart(other, 'Shoots');
  await expect(other.getByRole('heading', { name: 'Salt and Fire copy' })).toBeVisible();
  await expect(other.getByRole('heading', { name: 'Salt and Fire', exact: true })).toBeVisible();
  await other.close();
});
