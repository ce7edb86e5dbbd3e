import { at, expect, openPart, test, visit } from './fixtures.ts';

test('nothing of the page goes while a part of it is fetched', async ({ page }) => {
  await page.addInitScript(() => {
    const gone: string[] = [];
    Object.assign(globalThis, { gone });
    new MutationObserver((changes) => {
      for (const { target } of changes)
        if (target instanceof HTMLElement && target.style.display === 'none')
          gone.push(`${target.tagName}.${target.className}`);
    }).observe(document, { subtree: true, attributes: true, attributeFilter: ['style'] });
  });
  await visit(page, at('plan'));
  await page.locator('.cell[data-cell="iso"]').click();
  await page.locator('.cell-popover').waitFor();
  await page.keyboard.press('Escape');
  for (const part of ['White balance', 'Day and media', 'By thirds']) await openPart(page, part);
  await page.keyboard.press('?');
  await page.getByRole('dialog').waitFor();
  await page.keyboard.press('Escape');
  await page.locator('.order a', { hasText: 'Judge' }).click();
  await page.locator('.picture').waitFor();
  expect(await page.evaluate(() => (globalThis as unknown as { gone: string[] }).gone)).toEqual([]);
});
