import type { Locator, Page } from '@playwright/test';
import { SPOT_UNIT_IDS } from '../src/core/exposure/spot.ts';
import { parseNumber } from '../src/core/units.ts';
import { cell, expect, test, visit } from './fixtures.ts';

// Whatever is typed into a number field: it is taken as it stands, or a sentence says why not, and the step
// goes on.

const WORST = ['1e200', '1e309', '-1e9', '0', 'abc', '', '1/0', '999999', '5 to -2', '٣'];

const here = (step: string) => {
  const [path, ...rest] = step.split('&');
  return `/${path}?${['shoot=salt-and-fire', 'setup=packing-yard', 'camera=a-cam', ...rest].join('&')}`;
};

const labelOf = (field: Locator) =>
  field.evaluate((input: HTMLInputElement) => input.ariaLabel ?? input.labels?.[0]?.textContent ?? '');

/** Fills a field with each of them; what is taken stays, what is not is told of, also after the field was left. */
const typeAll = async (page: Page, field: Locator, name: string) => {
  for (const text of WORST) {
    if ((await field.count()) === 0) return;
    await field.fill(text);
    const isRefused = await field.evaluate((input) => input.classList.contains('is-invalid'));
    const says = () => page.getByRole('alert').filter({ hasText: /\S/ });
    if (isRefused) await expect(says().first(), `${name}: “${text}”`).toBeVisible();
    await field.press('Tab');
    // Where it was taken the row may go; where it stands, it stands as typed or is told of.
    if ((await field.count()) === 0) return;
    if (isRefused) await expect(says().first(), `${name}: “${text}” left`).toBeVisible();
    else {
      const shown = parseNumber(await field.inputValue());
      const typed = parseNumber(text);
      if (!Object.is(shown, typed))
        await expect(says().first(), `${name}: “${text}” became ${shown}`).toBeVisible();
    }
    await expect(page.getByText('This screen stopped')).toHaveCount(0);
  }
};

for (const view of ['kit', 'kit&part=new', 'plan', 'plan&part=profile', 'plan&part=day'])
  test(`${view}: no number stops it, and none snaps back without a word`, async ({ page }) => {
    test.slow();
    await visit(page, here(view));
    const fields = page.locator('.work input[inputmode="decimal"]');
    await expect(fields.first()).toBeVisible();
    const count = await fields.count();
    for (let n = 0; n < count; n += 1) {
      const field = fields.nth(n);
      await typeAll(page, field, await labelOf(field));
    }
    await expect(cell(page, 'card')).toHaveText(/\d/);
  });

test('the card: each of its typed numbers', async ({ page }) => {
  test.slow();
  await visit(page, here('plan'));
  for (const id of ['iso', 'kelvin', 'shutter', 'iris', 'nd', 'placement', 'warning']) {
    const opener = page.locator(`.cell[data-cell="${id}"]`);
    if ((await opener.count()) === 0) continue;
    await opener.click();
    const fields = page.locator('.cell-popover input[inputmode="decimal"]');
    for (let n = 0; n < (await fields.count()); n += 1) await typeAll(page, fields.nth(n), `${id} ${n + 1}`);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
  }
  await expect(cell(page, 'card')).toHaveText(/\S/);
  await expect(page.locator('.schools')).toBeVisible();
});

test('a spot in each unit: what the light cannot be is said, and Plan stays usable', async ({ page }) => {
  test.slow();
  await visit(page, here('plan'));
  const row = page.locator('.spots > li').first();
  for (const unit of SPOT_UNIT_IDS) {
    await row.getByLabel(/^Unit/).selectOption(unit);
    const fields = row.locator('input[inputmode="decimal"]');
    for (let n = 0; n < (await fields.count()); n += 1)
      await typeAll(page, fields.nth(n), `${unit} ${n + 1}`);
    await expect(page.getByRole('button', { name: 'Add a spot' })).toBeVisible();
  }
});

test('a camera’s fields: what is not taken is said, and the camera stays as it was', async ({ page }) => {
  test.slow();
  await visit(page, here('kit'));
  await page.getByRole('button', { name: 'Edit', exact: true }).click();
  const form = page.locator('.panel', { has: page.getByRole('button', { name: 'Save camera' }) });
  await expect(form.locator('.fold').first()).toBeVisible();
  for (const fold of (await form.locator('.fold button[aria-expanded="false"]').all()).toReversed())
    await fold.click();
  // Names are free, and measuring has its own button; everything else typed here is a figure or a list of them.
  const fields = form.getByRole('textbox', {
    name: /^(?!Name$|Job$|Meter modes$|Card R G B|Light, K|Lens cap|Grey patch|and its)/,
  });
  await expect(fields.first()).toBeVisible();
  const card = await cell(page, 'card').innerText();
  await expect.poll(() => fields.count()).toBeGreaterThan(6);
  for (let n = 0; n < (await fields.count()); n += 1) {
    const field = fields.nth(n);
    const was = await field.inputValue();
    const name = await labelOf(field);
    await field.fill('abc');
    await form.getByRole('button', { name: 'Save camera' }).click();
    await expect(form.getByRole('alert').filter({ hasText: /\S/ }).first(), name).toBeVisible();
    await field.fill(was);
  }
  await expect(cell(page, 'card')).toHaveText(card);
});
