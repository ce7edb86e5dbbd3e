// The trial grade: proposed, opened, moved, kept, undone, and written as a file.
import { readFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import { at, expect, test, visit } from './fixtures.ts';

test.describe.configure({ timeout: 120_000 });

test('the first correction is proposed, opens to its arithmetic, is moved, kept and written', async ({
  page,
}) => {
  await visit(page, `${at('handoff', 'furnace-mouth')}&part=grade`);
  const exposure = page.locator('[data-row="exposure"]');
  await expect(exposure).toContainText('The card goes back to grey');
  // Each row says what it alone did to the scopes.
  await expect(exposure).toContainText(/Alone it moves middle \d+ → \d+/, { timeout: 30_000 });
  await expect(page.getByText('nothing is kept until a row is touched')).toBeVisible();

  await exposure.getByRole('button', { name: 'Exposure: open its numbers' }).click();
  await expect(exposure).toContainText('card found at');
  const light = exposure.getByRole('slider', { name: 'Light' });
  await light.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Kept for this camera and set-up')).toBeVisible();
  await expect(exposure.getByRole('button', { name: /As proposed: light −1/ })).toBeVisible();

  // On the wrong side it costs something, and says how much.
  await exposure.getByText('after', { exact: true }).click();
  await expect(exposure).toContainText(/Here it costs \d+ levels over grey/, { timeout: 30_000 });
  await page.keyboard.press('Control+z');
  await expect(exposure).not.toContainText('Here it costs');

  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'furnace-mouth-a-cam-graded.cube' }).click();
  const text = readFileSync(await (await coming).path(), 'utf8');
  expect(text).toContain('LUT_3D_SIZE 33');
  expect(text).toContain('Exposure, before the conversion');

  const still = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Graded still' }).click();
  const png = readFileSync(await (await still).path());
  // ISO/IEC 15948, 11.2.2: width, height, and 16 bits a sample.
  expect(png.readUInt8(24)).toBe(16);
  await page.getByRole('button', { name: 'Keep for the bundle' }).click();
  await expect(page.getByText(/goes into the bundle, as recorded and graded/)).toBeVisible({
    timeout: 30_000,
  });
  await page.getByRole('tab', { name: 'Files' }).click();
  await expect(page.getByText('Stills that go with it: 1.')).toBeVisible();
  // A second window, opened later, has it too.
  const second = await page.context().newPage();
  await visit(second, `${at('handoff', 'furnace-mouth')}&part=files`);
  await expect(second.getByText('Stills that go with it: 1.')).toBeVisible();
  await second.close();
  await page.getByLabel('What goes in').selectOption({ label: 'Furnace mouth' });
  const zip = page.waitForEvent('download', { timeout: 100_000 });
  await page.getByRole('button', { name: 'Make the bundle' }).click();
  const bundle = await zip;
  expect(bundle.suggestedFilename()).toBe('salt-and-fire-furnace-mouth-for-post.zip');
  const paths = Object.keys(unzipSync(readFileSync(await bundle.path())));
  expect(paths.filter((path) => path.startsWith('stills/Furnace mouth A-cam'))).toHaveLength(2);
  expect(paths.filter((path) => path.startsWith('recipes/'))).toEqual(['recipes/Furnace mouth.txt']);
  await page.getByRole('button', { name: /^Take the still Furnace mouth A-cam/ }).click();
  await expect(page.getByText(/No still is kept/)).toBeVisible();
  await page.getByRole('tab', { name: 'Trial grade' }).click();
  expect(png.readUInt32BE(16) / png.readUInt32BE(20)).toBeCloseTo(16 / 9, 2);

  await page.reload();
  await expect(page.getByText('Kept for this camera and set-up')).toBeVisible();
  await page.getByRole('button', { name: 'Propose again' }).click();
  await expect(page.getByText('nothing is kept until a row is touched')).toBeVisible();
});

test('a range of hues is picked off the picture and shown as a matte; a school changes the order', async ({
  page,
}) => {
  await visit(page, `${at('handoff', 'bench-interview')}&part=grade`);
  const skin = page.locator('[data-row="skin"]');
  await skin.getByRole('button', { name: 'Skin: open its numbers' }).click();
  await skin.getByRole('button', { name: 'As Ana' }).click();
  await expect(page.getByText('Kept for this camera and set-up')).toBeVisible();
  await skin.getByRole('button', { name: 'Show what it takes' }).click();
  await expect(page.getByRole('img', { name: /behind Show what it takes/ })).toBeVisible();
  await skin.getByRole('button', { name: 'Pick on the picture' }).click();
  await page.locator('.grade-pick').click({ position: { x: 5, y: 60 } });
  await expect(skin).toContainText(/Nothing there has a colour|Pick on the picture/);

  await page.getByRole('button', { name: /^Schools:/ }).click();
  await page.getByText('shadows', { exact: true }).click();
  await expect(page.locator('[data-row]').nth(1)).toHaveAttribute('data-row', /points|match/);
  await expect(page.getByText('nothing is kept until a row is touched')).toBeVisible();
});

test('under water red stays where it is, and what an automatic balance invents is shown', async ({
  page,
}) => {
  await visit(page, at('handoff', 'slipway').replace('a-cam', 'small-cam') + '&part=grade');
  await expect(page.locator('[data-row="channels"]')).toContainText('they meet half way');
  await expect(page.locator('[data-row="red"]')).toContainText(/of the picture/);
  await page.getByText('automatic balance', { exact: true }).click();
  await expect(page.getByRole('img', { name: /behind automatic balance/ })).toBeVisible();
});

test('for a clip only exposure and warmth move', async ({ page }) => {
  await visit(page, `${at('handoff', 'furnace-mouth')}&part=grade`);
  const field = page
    .getByLabel('Exposure of A0003.y4m, stops')
    .or(page.getByLabel(/^Exposure of .*, stops$/));
  await field.first().fill('0,25');
  await field.first().press('Enter');
  await expect(field.first()).toHaveValue('+0.25');
  await field.first().fill('99');
  await field.first().press('Enter');
  await expect(page.getByText('Exposure: type stops from −6 to 6')).toBeVisible();
});

test('an HDR picture is told in cd/m², and a brief that wants none says so', async ({ page }) => {
  await visit(page, `${at('handoff', 'furnace-mouth')}&part=grade`);
  await page.getByLabel('Picture for').selectOption('pq');
  await page.getByLabel('Peak of the display').selectOption('600');
  await expect(page.getByText(/Brightest pixel (59\d|600) cd\/m², mean \d+ cd\/m²/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(page.getByText(/This picture is PQ, the brief is SDR/)).toBeVisible();
  await page.getByLabel('Picture for').selectOption('bt1886');
  await expect(page.getByText(/Brightest pixel/)).toBeHidden();
});

test('one grade for SDR and HDR: trimmed for the other alone, light levels of both', async ({ page }) => {
  await visit(page, `${at('handoff', 'furnace-mouth')}&part=grade`);
  await expect(page.getByText(/Alone it moves middle/).first()).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('Beside it', { exact: true }).selectOption('pq');
  const panel = page.locator('section').filter({ hasText: 'one grade, a trim for each' });
  await expect(panel.locator('canvas')).toHaveCount(2);
  await panel.getByRole('button', { name: 'Measure MaxCLL and MaxFALL' }).last().click();
  // Counted on every pixel: an open furnace reaches the display's peak.
  await expect(panel.getByText(/MaxCLL (9\d\d|1000), MaxFALL \d+ cd/)).toBeVisible({ timeout: 30_000 });
  await expect(panel.getByText(/plain 2.2 display grey comes out \+0.23 stop/)).toBeVisible();

  const light = panel.getByRole('slider', { name: 'Light' });
  await light.focus();
  await page.keyboard.press('ArrowRight');
  await expect(panel.getByText('+0.05 stops')).toBeVisible();
  await page.reload();
  await expect(panel.getByText('+0.05 stops')).toBeVisible({ timeout: 30_000 });
  // A figure of another picture is not shown for this one.
  await expect(panel.getByText(/MaxCLL/)).toHaveCount(2);
});
