import type { Page } from '@playwright/test';
import { fillLog } from '../scripts/many-takes.mjs';
import { expect, test, visit, remove } from './fixtures.ts';

const log = '/log?shoot=salt-and-fire&setup=bench-interview&camera=a-cam';
const COUNT = 2500;
/** Most elements in the page, however long the log. */
const MOST_NODES = 4000;

const filled = async (page: Page) => {
  await visit(page, log);
  await expect(page.locator('.take')).toHaveCount(8);
  await page.evaluate(fillLog, COUNT);
  await page.reload();
  await expect(page.locator('.log')).toContainText(`${COUNT + 8} logged`, { timeout: 60_000 });
};
const nodes = (page: Page) => page.evaluate(() => document.querySelectorAll('*').length);
const first = (page: Page) => page.locator('.take').first();

test('thousands of takes: only what is in sight is drawn, and the oldest can be scrolled to', async ({
  page,
}) => {
  await filled(page);
  expect(await nodes(page)).toBeLessThan(MOST_NODES);
  await expect(first(page).getByRole('textbox')).toHaveValue(`no. ${COUNT - 1}`);
  await page.locator('.takes-long').evaluate((list) => list.scrollTo(0, list.scrollHeight));
  await expect(page.locator('.takes-long li').last()).toHaveAttribute('aria-posinset', String(COUNT + 8));
  expect(await nodes(page)).toBeLessThan(MOST_NODES);
});

test('the log is searched and narrowed, the address keeps it, and all comes back', async ({ page }) => {
  await filled(page);
  const shown = (count: number) =>
    expect(page.locator('.log')).toContainText(`${count} of ${COUNT + 8} shown`);
  await page.getByLabel('Search the log').fill('HUNDRED');
  await shown(COUNT / 100);
  await expect(first(page).getByRole('textbox')).toHaveValue('no. 2400 hundred');
  await page.getByLabel('Set-up', { exact: true }).selectOption('Packing yard at noon');
  await expect(page.locator('.take-name').first()).toContainText('Packing yard at noon');
  await page.reload();
  await expect(page.getByLabel('Search the log')).toHaveValue('HUNDRED');
  await expect(page.locator('.take-name').first()).toContainText('Packing yard at noon');
  await page.getByLabel('Search the log').fill('no such word');
  await expect(page.locator('.log')).toContainText('No take fits');
  await page.getByRole('button', { name: 'Show all', exact: true }).click();
  await expect(page.locator('.log')).toContainText(`${COUNT + 8} logged`, { timeout: 60_000 });
  await page.getByText('Circled', { exact: true }).click();
  await expect(page.locator('.take-circled').first()).toBeVisible();
  await expect(page.locator('.take:not(.take-circled)')).toHaveCount(0);
});

test('a take far down is circled, its notes typed and kept, and it can be deleted and brought back', async ({
  page,
}) => {
  await filled(page);
  await page.getByLabel('Search the log').fill('no. 1234');
  // By its note, and another one by its number.
  await expect(page.locator('.take')).toHaveCount(2);
  await page.getByRole('button', { name: 'Circle take 1334' }).click();
  await expect(page.locator('.take-circled')).toContainText('1334');
  await page.getByRole('textbox', { name: 'Notes of take 1334' }).fill('no. 1234 gate slammed');
  await page.getByLabel('Search the log').fill('slammed');
  await expect(page.locator('.take')).toHaveCount(1);
  await remove(page, 'take 1334');
  await expect(page.locator('.log')).toContainText('No take fits');
  await page.keyboard.press('Control+z');
  await expect(page.locator('.take')).toHaveCount(1);
  await expect(page.getByRole('textbox', { name: 'Notes of take 1334' })).toHaveValue(
    'no. 1234 gate slammed',
  );
});
