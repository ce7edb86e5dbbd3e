import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { openPng } from '../src/core/formats/png.ts';
import { cell, expect, printOf, reloaded, stored, test, verdict, visit } from './fixtures.ts';

const YARD = '/judge?shoot=salt-and-fire&setup=packing-yard&camera=a-cam';
const knob = (page: Page, name: string) => page.getByRole('spinbutton', { name, exact: true });

test('the simulated camera: knobs off the card, verdicts at once, back to the card', async ({ page }) => {
  await visit(page, YARD);
  await expect(page.locator('.picture h2')).toHaveText('Packing yard, sun and cloud');
  await expect(verdict(page, 'card')).toContainText('Card where planned');
  const plain = await printOf(page, '.picture canvas');

  await test.step('by keyboard: two clicks of the iris are two thirds of a stop', async () => {
    await knob(page, 'Iris').focus();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await expect(verdict(page, 'card')).toContainText('Card under the plan');
    await expect(verdict(page, 'card')).toContainText('−2/3');
    await expect(cell(page, 'iris')).toHaveText('f/5');
    await expect(page.locator('.camera-panel')).toContainText('1 off the card');
    expect(await printOf(page, '.picture canvas')).not.toBe(plain);
  });

  await test.step('by mouse: a drag on ISO, a wheel on white balance, a profile', async () => {
    const box = await knob(page, 'ISO').boundingBox();
    if (!box) throw new Error('no knob');
    await page.mouse.move(box.x + 20, box.y + 30);
    await page.mouse.down();
    await page.mouse.move(box.x + 20, box.y + 30 - 2 * 15, { steps: 4 });
    await page.mouse.up();
    await expect(knob(page, 'ISO')).toContainText('1250');
    await expect(verdict(page, 'card')).toContainText('Card where planned');
    await page.getByRole('button', { name: 'As the card' }).click();
    await expect(page.locator('.camera-panel')).toContainText('as the card');
    await expect(verdict(page, 'card')).toContainText('Card where planned');
    await expect.poll(() => printOf(page, '.picture canvas')).toBe(plain);
  });

  await test.step('a still is the picture’s own codes', async () => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Still', exact: true }).click(),
    ]);
    const opened = openPng(readFileSync(await file.path()), { range: 'legal' });
    expect(opened).toMatchObject({
      ok: true,
      value: { reading: 'repeated10', frame: { width: 960, height: 540 } },
    });
  });

  await test.step('it runs: a cloud comes, the page stays awake, what is left out is counted', async () => {
    await page.getByRole('button', { name: 'Live', exact: true }).click();
    await expect(page.locator('.picture-sheet')).toHaveAttribute('data-size', '480×270');
    await expect(verdict(page, 'card')).toContainText('Card under the plan', { timeout: 30_000 });
    await expect(page.locator('.camera-panel')).toContainText(/\d+ of \d+ left out/);
    await page.getByRole('button', { name: 'Auto ISO' }).click();
    await expect(page.getByRole('button', { name: 'Auto ISO' })).toHaveAttribute('aria-pressed', 'true');
    await page.getByRole('button', { name: 'Stop', exact: true }).click();
    await expect(page.locator('.picture-sheet')).toHaveAttribute('data-size', '960×540');
  });

  await test.step('what it sees is logged with one key', async () => {
    await page.keyboard.press('l');
    await expect(
      page.getByText(/Take \d+ logged: Packing yard.*A-cam, Packing yard, sun and cloud/),
    ).toBeVisible();
  });
});

test('at 390 px picture, verdicts, knobs and waveform stand one under the other', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await visit(page, YARD);
  await expect(verdict(page, 'card')).toContainText('Card where planned');
  const tops: number[] = [];
  for (const part of ['.picture-box', '.verdict-list', '.knobs', '.scope-first']) {
    const box = await page.locator(part).boundingBox();
    expect(box?.height ?? 0, part).toBeGreaterThan(90);
    tops.push(box?.y ?? 0);
  }
  expect(tops).toEqual([...tops].sort((a, b) => a - b));
});

test('each set-up stands before its own scene; the other camera has the other view', async ({ page }) => {
  await visit(page, '/judge?shoot=salt-and-fire&setup=open-evening&camera=hall-1');
  await expect(page.locator('.picture h2')).toHaveText('Hall, wide');
  await visit(page, '/judge?shoot=salt-and-fire&setup=open-evening&camera=hall-2');
  await expect(page.locator('.picture h2')).toHaveText('Hall, speaker');
  await page.getByLabel('Stand before a scene').selectOption('furnace-mouth');
  await expect(page.locator('.picture h2')).toHaveText('Furnace mouth');
  // The set-up and its camera stay; the scene is kept with the set-up, and undone like any change.
  await expect(page.locator('.chooser')).toContainText('Open evening');
  await expect(page).toHaveURL(/camera=hall-2/);
  await stored(page);
  await reloaded(page);
  await expect(page.locator('.picture h2')).toHaveText('Furnace mouth');
  await page.getByLabel('Stand before a scene').selectOption('wedge');
  await expect(page.locator('.picture h2')).toHaveText('step-wedge.png');
  await expect(page.locator('.camera-panel')).toHaveCount(0);
});

test('a set-up of one’s own stands before any scene, and before the light of its survey', async ({
  page,
}) => {
  await visit(page, '/plan?shoot=salt-and-fire&setup=dunes&camera=a-cam');
  await page.locator('.chooser').click();
  await page.getByLabel('New set-up').fill('Back door');
  await page.getByRole('button', { name: 'Add set-up' }).click();
  await expect(page.locator('.chooser')).toContainText('Back door');
  await page.keyboard.press('3');
  await expect(page.getByText('Nothing to hand? Pick a scene below')).toBeVisible();
  const scenes = page.getByLabel('Stand before a scene');
  await expect(scenes.getByRole('option', { name: /Survey light: no spots yet/ })).toBeDisabled();
  await scenes.selectOption('slipway');
  await expect(page.locator('.picture h2')).toHaveText('Slipway');
  await expect(page.locator('.chooser')).toContainText('Back door');
  await expect(page.locator('.camera-panel')).toBeVisible();

  await page.keyboard.press('2');
  const read = async (name: string, value: string) => {
    await page.getByRole('button', { name: 'Add a spot' }).click();
    await page.getByLabel(`Reading of ${name}`).fill(value);
    await page.getByLabel(`Reading of ${name}`).press('Enter');
    await expect(page.locator('.spots .spot-stops').last()).toHaveText(/\d/);
    await page.locator('h2').first().click();
  };
  // A spot that was not read is none of the survey.
  await page.getByRole('button', { name: 'Add a spot' }).click();
  await expect(page.getByLabel('Reading of Spot 1')).toHaveAttribute('placeholder', 'such as 40');
  await page.keyboard.press('Tab');
  await expect(page.locator('.spots .spot-stops')).toHaveText('–');
  await page.getByRole('button', { name: 'Take Spot 1 out' }).click();
  await expect(page.locator('.spots > li')).toHaveCount(0);
  await read('Spot 1', '40');
  await page.keyboard.press('3');
  await scenes.selectOption('of-spots');
  await expect(page.locator('.picture h2')).toHaveText('Survey light');
  await expect(verdict(page, 'card')).toBeVisible();
  // A further reading shows at once.
  const before = await printOf(page, '.picture canvas');
  await page.keyboard.press('2');
  await read('Spot 2', '300');
  await page.keyboard.press('3');
  await expect(page.locator('.picture h2')).toHaveText('Survey light');
  await expect.poll(() => printOf(page, '.picture canvas')).not.toBe(before);
});

test('a scene file cut short is named, and the last good picture stays', async ({ page }) => {
  await visit(page, YARD);
  await expect(verdict(page, 'card')).toContainText('Card where planned');
  const before = await printOf(page, '.picture canvas');
  await page.route('**/scenes/furnace-mouth/light-1.png', async (route) => {
    const answer = await route.fetch();
    await route.fulfill({ response: answer, body: (await answer.body()).subarray(0, 20_000) });
  });
  await page.getByLabel('Stand before a scene').selectOption('furnace-mouth');
  await expect(page.locator('.notice-bad')).toContainText('light 1 is damaged or cut short');
  expect(await printOf(page, '.picture canvas')).toBe(before);
});

test('in Plan one looks through the camera and reads spots with its meter', async ({ page }) => {
  await visit(page, '/plan?shoot=salt-and-fire&setup=packing-yard&camera=a-cam');
  const spots = page.locator('.spots > li');
  const count = await spots.count();
  await page.getByRole('button', { name: 'Through the camera' }).click();
  const picture = page.getByLabel('Picture of the simulated camera');
  await expect
    .poll(() => picture.evaluate((canvas) => (canvas as HTMLCanvasElement).width))
    .toBeGreaterThan(300);
  const box = await picture.boundingBox();
  if (!box) throw new Error('no picture');
  const overCard = async () => {
    const stops = await spots.last().locator('.spot-stops').innerText();
    return Math.abs(Number(stops.replace('−', '-')));
  };
  // The grey card of the yard.
  await picture.click({ position: { x: 0.27 * box.width, y: 0.58 * box.height } });
  await expect(spots).toHaveCount(count + 1);
  expect(await overCard()).toBeLessThan(0.2);

  // By keyboard: back from a place beside it.
  await page.getByRole('button', { name: /^Read the spot 27 % across/ }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  await expect(spots).toHaveCount(count + 2);
  expect(await overCard()).toBeLessThan(0.2);
});
