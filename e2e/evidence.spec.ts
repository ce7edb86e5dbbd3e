import { at, expect, test, visit } from './fixtures.ts';

test('a profile lists what it rests on; a source is added, left out and taken off, and undo brings it back', async ({
  page,
}) => {
  await visit(page, at('kit'));
  const form = page.locator('.anchor-form');
  await form.getByLabel('Name').fill('Paper log');
  for (const [label, reading] of [
    ['0 %', '3.5'],
    ['18 %', '41'],
    ['90 %', '61'],
  ])
    await form.getByLabel(label, { exact: true }).fill(reading);
  await form.getByRole('button', { name: /^Save and use on/ }).click();
  await expect(page.locator('.set-card')).toContainText('Paper log');

  await page.locator('label', { hasText: /^Evidence$/ }).click();
  const table = page.getByRole('table', { name: 'What the curve rests on' });
  await expect(table.getByRole('row')).toHaveCount(2);
  await expect(table).toContainText('3 readings');

  await page.getByLabel('Card at stop', { exact: true }).fill('-3');
  await page.getByLabel('reads, % of signal').fill('15');
  await page.getByRole('button', { name: 'Add card reading' }).click();
  await expect(table).toContainText('card at −3 reads 15 %');
  const [, paper, card] = await table.getByRole('row').all();

  // Left out, it narrows nothing; with only one source left that one carries all.
  await card.getByRole('switch').or(card.getByRole('checkbox')).uncheck();
  await expect(paper.getByRole('cell').nth(0)).toHaveText('100');
  await paper.getByRole('switch').or(paper.getByRole('checkbox')).click();
  await expect(page.getByText('What is left says too little for a curve')).toBeVisible();

  await page.getByRole('button', { name: 'Take off card at −3 reads 15 %' }).click();
  await expect(table.getByRole('row')).toHaveCount(2);
  await page.keyboard.press('Control+z');
  await expect(table.getByRole('row')).toHaveCount(3);
  await page.reload();
  await page.locator('label', { hasText: /^Evidence$/ }).click();
  await expect(table.getByRole('row')).toHaveCount(3);
});
