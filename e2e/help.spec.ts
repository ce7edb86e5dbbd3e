import AxeBuilder from '@axe-core/playwright';
import { at, expect, test, visit } from './fixtures.ts';

test('help inside: keys, words by search, the guide', async ({ page }) => {
  await visit(page, at('plan'));
  await page.keyboard.press('?');
  const help = page.getByRole('dialog', { name: 'Help' });
  await expect(help.getByRole('row', { name: /N Next file of the tray/ })).toBeVisible();
  await help.getByRole('tab', { name: 'Words' }).click();
  await help.getByLabel('Search the words').fill('ettr');
  await expect(help.locator('.words li')).toHaveCount(1);
  await expect(help.locator('.words')).toContainText('How many stops over the profile’s own grey');
  await expect(help.getByRole('img', { name: 'The card moved from 0 to +2' })).toBeVisible();
  await help.getByLabel('Search the words').fill('no such word');
  await expect(help.getByRole('status')).toContainText('No such word here');
  await help.getByRole('tab', { name: 'Guide' }).click();
  await expect(help.getByRole('heading', { name: 'The first ten minutes' })).toBeVisible();
  const axe = new AxeBuilder({ page }).setLegacyMode().include('.modal');
  expect((await axe.analyze()).violations.map(({ id }) => id)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(help).toHaveCount(0);
});

test('a word opens its meaning where it stands, by keyboard too; a cell of the card tells its own', async ({
  page,
}) => {
  await visit(page, at('plan'));
  const room = page.locator('.schools, .plan').getByRole('button', { name: 'Room', exact: true }).last();
  await room.focus();
  await page.keyboard.press('Enter');
  const meaning = page.getByRole('dialog', { name: 'What Room means' });
  await expect(meaning).toContainText('up to clip');
  await page.keyboard.press('Escape');
  await expect(meaning).toHaveCount(0);
  await page.locator('.cell[data-cell="monitor"]').click();
  await page.getByRole('button', { name: 'What it means' }).click();
  await expect(page.locator('.cell-popover')).toContainText('A card placed at +1 is pulled by −1.');
});

test('help lies over what is open, and Escape closes More wherever the focus is', async ({ page }) => {
  await visit(page, at('judge'));
  const more = page.getByRole('button', { name: 'More', exact: true });
  const panel = page.getByRole('dialog', { name: 'On the picture' });
  await more.click();
  await expect(panel).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(panel).toHaveCount(0);
  await more.click();
  await expect(panel).toBeVisible();
  await page.keyboard.press('?');
  const help = page.getByRole('dialog', { name: 'Help' });
  const row = help.getByRole('row').first();
  await expect(row).toBeVisible();
  const box = (await row.boundingBox())!;
  // What lies uppermost in the middle of the first row is the help itself.
  const isHelp = await page.evaluate(
    ([x, y]) => document.elementFromPoint(x, y)?.closest('.modal') !== null,
    [box.x + box.width / 2, box.y + box.height / 2],
  );
  expect(isHelp).toBe(true);
});
