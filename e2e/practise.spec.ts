import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { at, cell, expect, notice, reloaded, test, visit } from './fixtures.ts';

const round = (tasks: string, more = '') => `${at('practise')}&tasks=${tasks}${more}`;
const answer = (page: Page) => page.getByRole('button', { name: 'Answer' });
const result = (page: Page) => page.locator('.drill-result');

test('a round by keyboard: the knobs are turned, the miss is shown, and it is kept', async ({ page }) => {
  await visit(page, round('expose-zebra.1.7,correction-order.1.3'));
  await expect(page.locator('.drill-picture[data-painted="1"]')).toBeVisible();
  await answer(page).focus();
  await page.keyboard.press('Enter');
  await expect(result(page)).toHaveAttribute('data-right', 'false');
  // Found over the card’s place: it is said, and drawn where it lies.
  await expect(result(page)).toContainText('Off by +1.3 stops');
  await expect(result(page).locator('.miss-scale')).toBeVisible();
  await expect(result(page)).toContainText('A careful operator');
  await page.getByRole('button', { name: 'Next task' }).press('Enter');
  await expect(page.locator('.drill-order li')).toHaveCount(3);
  await answer(page).press('Enter');
  await page.locator('.drill-foot').getByRole('button', { name: 'Done' }).press('Enter');
  await expect(page.locator('.drill-text')).toContainText('of 2 right');

  // The same tasks once more, and this time the camera is put right: four thirds down.
  await page.getByRole('button', { name: 'Once more' }).press('Enter');
  await expect(page.locator('.drill-picture[data-painted="1"]')).toBeVisible();
  await page.getByRole('spinbutton', { name: 'Iris' }).focus();
  for (let click = 0; click < 4; click += 1) await page.keyboard.press('ArrowDown');
  await answer(page).press('Enter');
  await expect(result(page)).toHaveAttribute('data-right', 'true');
  await expect(result(page)).toContainText('Nobody would see it');

  await page.getByRole('button', { name: 'Leave the round' }).click();
  await page.getByRole('tab', { name: 'Progress' }).click();
  const line = page.getByRole('row', { name: /Expose by zebra alone/ });
  await expect(line).toContainText('too few to tell');
  await reloaded(page);
  await expect(line).toBeVisible();
});

test('a link gives the same task, and what was right in it is right', async ({ page }) => {
  await visit(page, round('set-zebras.1.5'));
  const text = await page.locator('.drill-text').innerText();
  const field = page.getByRole('spinbutton', { name: 'Card zebra' });
  await expect(answer(page)).toBeDisabled();
  await field.fill('1');
  await answer(page).click();
  await expect(result(page)).toHaveAttribute('data-right', 'false');
  const right = /Right is: (\d+) %/.exec(await result(page).innerText())?.[1] ?? '';
  await reloaded(page);
  await expect(page.locator('.drill-text')).toHaveText(text);
  await field.fill(right);
  await answer(page).click();
  await expect(result(page)).toHaveAttribute('data-right', 'true');
});

test('card and ladder are those of the task as long as it is on', async ({ page }) => {
  await visit(page, round('place-contrast.1.5,expose-zebra.1.7'));
  await expect(page.locator('.chooser')).toContainText('Practise');
  for (let third = 0; third < 3; third += 1) await page.keyboard.press(']');
  await expect(page.locator('.drill-place')).toHaveText('+1');
  await expect(cell(page, 'placement')).toHaveText('+1');
  // Practice is not logged.
  await page.keyboard.press('l');
  await answer(page).click();
  await page.getByRole('button', { name: 'Next task' }).click();
  await expect(page.locator('.drill-picture[data-painted="1"]')).toBeVisible();
  // The card turns the camera; what the task has not asked for stays.
  await page.locator('.cell[data-cell="iris"]').click();
  await page.locator('.cell-popover select').selectOption({ label: 'f/8' });
  await page.keyboard.press('Escape');
  await expect(page.getByRole('spinbutton', { name: 'Iris' })).toHaveAttribute('aria-valuetext', 'f/8');
  await expect(cell(page, 'iris')).toHaveText('f/8');
  await page.keyboard.press(']');
  await expect(page.getByText('That belongs to the task')).toBeVisible();
  await page.getByRole('button', { name: 'Leave the round' }).click();
  await expect(cell(page, 'placement')).toHaveText('+2/3');
  await expect(cell(page, 'iris')).toHaveText('f/4');
  await expect(notice(page)).toHaveCount(0);
});

test('a lesson is left and resumed; what was done of the course is marked', async ({ page }) => {
  await visit(page, `${at('practise')}&part=course`);
  await page.getByRole('button', { name: 'Begin: White balance and mixed light' }).click();
  await expect(page.locator('.lesson')).toContainText('half-way in mired');
  await page.getByRole('button', { name: 'Leave the round' }).click();
  await expect(page.locator('.lesson-done')).toHaveCount(0);
  await page.getByRole('button', { name: 'Begin: White balance and mixed light' }).click();
  await page.getByRole('spinbutton', { name: 'Dial, K' }).fill('4000');
  await answer(page).click();
  await page.locator('.drill-foot').getByRole('button', { name: 'Done' }).click();
  await page.locator('.drill-foot').getByRole('button', { name: 'Done' }).click();
  await expect(page.locator('.lesson-done')).toHaveCount(1);
});

test('several people at one machine, each by name', async ({ page }) => {
  await visit(page, at('practise'));
  await page.getByLabel('New name').fill('Mika');
  await page.getByRole('button', { name: 'Take this name' }).click();
  await expect(page.getByLabel('Who practises')).toHaveValue('Mika');
  await visit(page, round('find-fault.1.4'));
  await expect(page.locator('fieldset')).toHaveCount(2);
  for (const group of await page.locator('fieldset').all()) await group.getByRole('radio').first().check();
  await answer(page).click();
  await expect(result(page)).toBeVisible();
  await visit(page, `${at('practise')}&part=progress`);
  await expect(page.getByRole('heading', { name: 'Mika' })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Results as CSV' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('practice Mika.csv');
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('a task is turned and answered by touch', async ({ page }) => {
    await visit(page, round('expose-skin.1.4'));
    await expect(page.locator('.drill-picture[data-painted="1"]')).toBeVisible();
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(390);
    // Eight steps are wider than a phone: the one that is open and undo are in sight all the same.
    await expect(page.locator('.order-step[aria-current]')).toBeInViewport({ ratio: 1 });
    await expect(page.getByRole('button', { name: /^Undo/ })).toBeInViewport({ ratio: 1 });
    await page.getByRole('button', { name: 'Iris up' }).tap();
    await answer(page).tap();
    await expect(result(page)).toBeVisible();
  });
});

test('a list for a class goes into a file, and the file is opened and started', async ({ page }) => {
  await visit(page, `${at('practise')}&part=drills`);
  await page.getByLabel('Seed').fill('7');
  await page.getByRole('button', { name: 'Add to the list: Expose by zebra alone' }).click();
  await page.getByRole('button', { name: 'Add to the list: Set the zebras' }).click();
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const path = await (await coming).path();
  expect(readFileSync(path, 'utf8')).toMatch(/expose-zebra\.\d\.7 # Expose by zebra alone/);
  await page.getByRole('button', { name: 'Take out 1' }).click();
  const list = page.locator('.drill-class li');
  await expect(list).toHaveCount(1);
  const file = page.getByLabel('List of tasks');
  await file.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('milk') });
  await expect(page.getByText('notes.txt holds no tasks')).toBeVisible();
  await expect(list).toHaveCount(1);
  await file.setInputFiles(path);
  await expect(list).toHaveCount(2);
  await page.getByRole('button', { name: 'Start the list' }).click();
  await expect(page.getByText('Task 1 of 2')).toBeVisible();
});

test('a check before a shoot that the stage has not stands before its light as it was read', async ({
  page,
}) => {
  await visit(page, `${at('kit')}&part=shoots`);
  await page.getByRole('button', { name: 'Duplicate shoot Salt and Fire' }).click();
  await expect(page.locator('.chooser')).toContainText('Salt and Fire copy');
  await page.getByRole('link', { name: /Practise/ }).click();
  await page.getByRole('button', { name: 'Check before Salt and Fire copy' }).click();
  await expect(page.locator('.drill-text')).toContainText('Furnace mouth, light as read');
  await expect(page.locator('.drill-picture[data-painted="1"]')).toBeVisible();
  await page.getByRole('button', { name: 'Answer' }).click();
  await expect(result(page)).toHaveAttribute('data-right', 'false');
});

test('the spot is put on a face, and where it belonged is shown', async ({ page }) => {
  await visit(page, round('point-spot.1.3'));
  const picture = page.locator('.drill-picture[data-painted="1"]');
  await expect(picture).toBeVisible();
  await answer(page).click();
  await expect(result(page)).toHaveAttribute('data-right', 'false');
  // Where it belonged, in shares of the picture: the page may scroll meanwhile.
  const [left, top, width, height] = await page
    .locator('.drill-where')
    .evaluate(({ style }) => [style.left, style.top, style.width, style.height].map(Number.parseFloat));
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Once more' }).click();
  await expect(picture).toBeVisible();
  const box = await picture.boundingBox();
  if (!box) throw new Error('there is no picture');
  const position = {
    x: (box.width * (left + width / 2)) / 100,
    y: (box.height * (top + height / 2)) / 100,
  };
  await picture.click({ position });
  await expect(page.locator('.drill-spot')).not.toHaveAttribute('style', /left: 50%/);
  await answer(page).click();
  await expect(result(page)).toHaveAttribute('data-right', 'true');
});
