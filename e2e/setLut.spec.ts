import { readFile } from 'node:fs/promises';
import { at, expect, test, visit } from './fixtures.ts';

test('a LUT for the set says what each size loses of its bands, and is written with what its colours mean', async ({
  page,
}) => {
  await visit(page, `${at('luts')}&part=set`);
  const table = page.getByRole('table', { name: 'Bands, and what is lost' });
  const card = table.getByRole('row').filter({ hasText: 'card' });
  // Seventeen points are too few for a third of a stop, sixty-five are enough.
  await expect(card.getByRole('cell').nth(0)).toHaveText('lost');
  await expect(card.getByRole('cell').nth(2)).toHaveText(/^0\.\d\d$/);

  await page.locator('label', { hasText: /^65 points$/ }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /card-skin-and-clip\.cube$/ }).click();
  const text = await readFile(await (await download).path(), 'utf8');
  expect(text).toContain('LUT_3D_SIZE 65');
  expect(text).toMatch(/# card: \+0\.50 to \+0\.83 stops, colour 0 158 115/);
  expect(text).toMatch(/# Bands are judged on luma/);

  await page.locator('label', { hasText: /^Stops$/ }).click();
  await expect(table.getByRole('row')).toHaveCount(17);
});
