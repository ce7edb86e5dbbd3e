import { readFileSync } from 'node:fs';
import { at, cell, expect, openPart, setCell, test, visit } from './fixtures.ts';

// The yard's B-cam: its zebra starts at 30 and ends at 100 % of signal; its log clips above that.
const yard = (step: string, more = '') => `${at(step, 'packing-yard').replace('a-cam', 'b-cam')}${more}`;
const GONE = /out of reach/;

test('a zebra the camera cannot be set to is never printed as a level, and what to use instead stands with it', async ({
  page,
}) => {
  await visit(page, yard('plan'));
  await setCell(page, 'placement', '−1');
  await expect(cell(page, 'card')).toHaveText('out of reach');
  await expect(page.locator('[data-cell="card"] .cell-note')).toHaveText(/^white patch \d+±\d$/);
  await page.locator('.cell[data-cell="card"]').click();
  for (const words of [
    'zebra starts at 30; the card would read 23.1. Set it by white patch: 45±2; ',
    'or read 23.1 % of signal on the waveform; or read −1.0 on the camera’s meter, on the card; ',
    'or place the card at −1/3, the lowest it can show: 30±2',
  ])
    await expect(page.locator('.cell-popover')).toContainText(words);
  await page.keyboard.press('Escape');
  await expect(cell(page, 'warning')).toHaveText('out of reach');

  await test.step('in the tables', async () => {
    // Crates and glare that fill the frame pull the meter so far down that the zebra starts above the card.
    await page.getByText(/^A meter of the whole frame/).click();
    await page.getByLabel('How much of the frame White crates fills').selectOption('most');
    await page.getByLabel('How much of the frame Sun on the metal fills').selectOption('most');
    await expect(page.getByRole('row', { name: /Meter, whole frame/ })).toContainText(
      /This camera’s zebra cannot show: card, Ola/,
    );
    await openPart(page, 'By thirds');
    await expect(page.getByRole('row', { name: /^−1 out of reach/ })).toContainText(/white patch 45±2/);
    await openPart(page, 'Checklist');
    await expect(page.locator('.work')).toContainText(
      /One zebra at a time: white patch 45±2|white patch 45±2/,
    );
    await openPart(page, 'Pocket cards');
    await expect(page.locator('.day-card').filter({ hasText: 'Packing yard' })).toContainText(GONE);
    await visit(page, yard('kit', '&part=zebra'));
    await expect(page.getByRole('row', { name: /^−1 / }).first()).toContainText(GONE);
  });

  await test.step('on paper, in the log and in its file', async () => {
    await visit(page, yard('handoff'));
    await expect(page.locator('.pocket')).toContainText(/out of reach white patch 45±2/);
    await page.keyboard.press('l');
    await expect(page.getByText(/^Take \d+ logged/)).toBeVisible();
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'CSV' }).click(),
    ]);
    const lines = readFileSync(await file.path(), 'utf8').split('\n');
    const mine = lines.find((line) => line.includes('out of reach'));
    expect(mine).toMatch(/out of reach: white patch 45±2/);
    expect(mine).toMatch(/out of reach: 0\.\d under clip 100\+/);
  });
});

test('light that cannot be is asked about, a unit that changes keeps the light, and Plan lives', async ({
  page,
}) => {
  await visit(page, yard('plan'));
  const unit = page.getByLabel('Unit of Card in the sun');
  const reading = page.getByLabel('Reading of Card in the sun');
  // 4000 cd/m2 are log2(100 * 4000 / 12.5) = EV 14.97 at ISO 100 (ISO 2720).
  await unit.selectOption('ev');
  await expect(reading).toHaveValue('14.97');
  await unit.selectOption('luminance');
  await expect(reading).toHaveValue(/^40[01]\d$|^3990$|^4000$/);
  for (const [id, value, words] of [
    ['ev', '1100', 'brighter than the sun’s disc'],
    ['luminance', '1e-300', 'darker than a moonless night'],
    ['fNumber', '1e200', 'brighter than the sun’s disc'],
    ['stops', '1e200', 'no two places lie 40 stops apart'],
  ] as const) {
    await unit.selectOption(id);
    await reading.fill(value);
    await reading.press('Enter');
    await expect(page.locator('.work')).toContainText(words);
    await reading.fill('4');
    await reading.press('Enter');
    await expect(page.locator('.work')).not.toContainText(words);
  }
});
