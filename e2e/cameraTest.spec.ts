import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { at, stored, visit } from './fixtures.ts';

const TEST = `${at('kit', 'furnace-mouth')}&part=test`;
/** Filming a list and looking at it takes its time on a small machine. */
const LONG = { timeout: 120_000 };

const films = async (page: Page) => {
  await visit(page, TEST);
  await page.getByText('short,').click();
  await page.getByRole('button', { name: 'Film the list' }).click();
  await expect(page.getByRole('heading', { name: 'What A-cam is like' })).toBeVisible(LONG);
};

test('the stage films a test; what it means is read, opened, taken in and undone', async ({ page }) => {
  await films(page);
  const expose = page.getByRole('button', { name: /^Put the grey card at/ });
  await expect(expose).toContainText('% of signal');
  await expose.click();
  await expect(page.getByRole('table', { name: 'Figures of this part' }).first()).toContainText('clip');
  await expect(page.getByText('What we could not find out')).toBeVisible();
  await expect(page.getByText('“ISO steps” would tell')).toBeVisible();
  // Each shot of the list stands beside what was found of it.
  await expect(page.locator('.test-shots .test-found').first()).toContainText('T0001.y4m');
  const profile = page.locator('.set-card').getByText('wide log');
  await expect(profile).toBeVisible();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByText('Taken in. Undo takes it back.')).toBeVisible();
  await expect(page.locator('.set-card')).toContainText('A-cam tested');
  await stored(page);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(profile).toBeVisible();
});

test('a shot is said to be another, the card is marked anew; a test is kept, shared and held against another', async ({
  page,
}) => {
  await films(page);
  const strip = page.getByRole('list', { name: 'Shots found, in time' });
  await expect(strip.getByRole('listitem')).toHaveCount(await page.locator('.test-hold').count());
  await strip.getByRole('button').nth(2).click();
  const label = page.getByLabel(/^What T\d+\.y4m is$/);
  await label.selectOption('no shot of the list');
  await expect(page.locator('.test-problems')).toContainText('Not found: bracket');
  await expect(page.getByText('set by hand')).toBeVisible();
  await label.selectOption('as it was found');
  await expect(page.getByText('set by hand')).toBeHidden();

  await page.getByLabel('Firmware').fill('1.0');
  await page.getByRole('button', { name: 'Keep this test' }).click();
  await expect(page.locator('.test-kept')).toHaveCount(1);
  const sharing = page.waitForEvent('download');
  await page
    .getByRole('button', { name: /^Share A-cam/ })
    .first()
    .click();
  const shared = await sharing;
  expect(shared.suggestedFilename()).toMatch(/\.camera-test\.json$/);
  const text = readFileSync(await shared.path(), 'utf8');
  expect(JSON.parse(text).format).toBe('camera-test');
  await page.getByLabel('File of a test').setInputFiles({
    name: 'other.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text.replace('"firmware": "1.0"', '"firmware": "2.0"')),
  });
  await expect(page.locator('.test-kept')).toHaveCount(2);
  for (const box of await page.locator('.test-kept input').all()) await box.check();
  await expect(page.getByText('The curve is the same, as far as both are known.')).toBeVisible();
  await expect(page.getByText('No figure has moved by more than both are in doubt.')).toBeVisible();
  await page.getByLabel('File of a test').setInputFiles({
    name: 'notes.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{}'),
  });
  await expect(page.locator('.field-error')).toContainText('notes.json: It is no file of a camera test.');
  await page
    .getByRole('button', { name: /^Delete A-cam/ })
    .first()
    .click();
  await expect(page.locator('.test-kept')).toHaveCount(1);
  await page.getByRole('button', { name: /^Bring A-cam/ }).click();
  await expect(page.locator('.test-kept')).toHaveCount(2);
  await page.reload();
  await expect(page.locator('.test-kept')).toHaveCount(2);
});

test('clips that are none of a test are left out by name, and a test without a bracket says what to film', async ({
  page,
}) => {
  await visit(page, TEST);
  const header = 'YUV4MPEG2 W64 H36 F4:1 C420jpeg\n';
  const frame = `FRAME\n${'\u0060'.repeat(64 * 36 * 1.5)}`;
  await page.getByLabel('Clips of the test').setInputFiles([
    { name: 'empty.mov', mimeType: 'video/quicktime', buffer: Buffer.alloc(0) },
    { name: 'grey.y4m', mimeType: 'video/x-yuv4mpeg', buffer: Buffer.from(header + frame.repeat(12)) },
  ]);
  await expect(page.locator('.test-problems')).toContainText('empty.mov is left out.');
  await expect(page.locator('.test-clips .alert')).toContainText('at least 5 are needed');
  await page.getByRole('button', { name: 'Clear' }).click();
  await expect(page.getByText('No clip yet')).toBeVisible();
});

test('the usual list with a chart: its gamut is told, a corner moved by keys; pictures are kept and shared when asked for', async ({
  page,
}) => {
  await visit(page, TEST);
  await page.getByRole('button', { name: 'Film the list' }).click();
  await expect(page.getByRole('heading', { name: 'What A-cam is like' })).toBeVisible(LONG);
  await page.getByRole('button', { name: 'A chart of known colours: the gamut' }).click();
  await page.getByRole('button', { name: 'The stage’s chart' }).click();
  const gamut = page.getByRole('button', { name: /^Through the gamut of its chart/ });
  await expect(gamut).toContainText('post can rely on it', LONG);
  // Far off, it is no chart any more: that is said, and nothing of it is taken in.
  await page.getByRole('button', { name: 'Corner 1 of the chart' }).focus();
  for (let i = 0; i < 60; i += 1) await page.keyboard.down('ArrowDown');
  await page.keyboard.up('ArrowDown');
  await expect(gamut.or(page.getByText('post can rely on it'))).toBeHidden(LONG);

  await page.getByLabel('with a small picture of each shot').check();
  await page.getByRole('button', { name: 'Keep this test' }).click();
  await page.getByRole('button', { name: /^\d+ pictures$/ }).click();
  await expect(page.locator('.test-kept-shots img').first()).toBeVisible();
  const fileOf = async (name: RegExp) => {
    const sharing = page.waitForEvent('download');
    await page.getByRole('button', { name }).click();
    return readFileSync(await (await sharing).path(), 'utf8');
  };
  expect(await fileOf(/^Share A-cam, [^w]*as a file$/)).not.toContain('data:image');
  expect(await fileOf(/^Share A-cam.* with its pictures as a file$/)).toContain('data:image/jpeg');
});
