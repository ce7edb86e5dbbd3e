import type { Page } from '@playwright/test';
import { at, changeStored, expect, reloaded, test, visit } from './fixtures.ts';

/** Puts more takes into the log, each like the newest but for its number. */
const addTakes = (page: Page, count: number) =>
  changeStored(page, 'takes', (takes) => {
    for (let i = 0; i < count; i += 1) takes.push({ ...takes[0], id: `more-${i}`, number: 100 + i });
  });

test('a table is sorted by its heading, the other way round, and as it was', async ({ page }) => {
  await visit(page, at('plan', 'furnace-mouth'));
  const table = page.getByRole('table', { name: 'Placement, school by school' });
  const schools = () => table.getByRole('rowheader').allTextContents();
  const noise = async () => {
    const rows = await table.locator('tbody tr').all();
    const texts = await Promise.all(rows.map((row) => row.locator('td').nth(5).textContent()));
    return texts.filter((text) => text !== '–').map((text) => Number(text?.replace('×', '')));
  };
  const heading = table.getByRole('columnheader', { name: 'Noise' });
  await table.getByRole('rowheader').first().waitFor();
  const before = await schools();
  await heading.getByRole('button').click();
  await expect(heading).toHaveAttribute('aria-sort', 'descending');
  expect(await noise()).toEqual((await noise()).toSorted((a, b) => b - a));
  await heading.getByRole('button').press('Enter');
  await expect(heading).toHaveAttribute('aria-sort', 'ascending');
  expect(await noise()).toEqual((await noise()).toSorted((a, b) => a - b));
  // A school that places nothing here stands last either way.
  await heading.getByRole('button').click();
  await expect(heading).not.toHaveAttribute('aria-sort');
  expect(await schools()).toEqual(before);
  // A school is taken by its name, however the table is sorted.
  await heading.getByRole('button').click();
  await table.getByRole('button', { name: 'By card' }).click();
  await expect(page.locator('.cell[data-cell="placement"] .cell-value')).toHaveText('0');
});

test('a log of two thousand takes draws those in sight, and reaches the last', async ({ page }) => {
  await visit(page, at('handoff', 'furnace-mouth'));
  const table = page.getByRole('table', { name: 'The log' });
  await expect(table.locator('tbody tr')).toHaveCount(8);
  await addTakes(page, 2000);
  await reloaded(page);
  await expect(table).toHaveAttribute('aria-rowcount', '2009');
  expect(await table.locator('tbody tr').count()).toBeLessThan(60);
  await table.getByRole('columnheader', { name: 'Take' }).getByRole('button').click();
  const box = page.locator('.long-table');
  await box.focus();
  await page.keyboard.press('End');
  await expect(table.locator('tr[aria-rowindex="2009"]')).toBeVisible();
  expect(await table.locator('tbody tr').count()).toBeLessThan(60);
});
