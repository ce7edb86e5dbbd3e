import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { cell, expect, pick, reloaded, remove, test, visit } from './fixtures.ts';

const kit = (setup = 'furnace-mouth', rest = '') => `/kit?shoot=salt-and-fire&setup=${setup}${rest}`;
const rung = (page: Page) => page.locator('.rung-grey .rung-reading');
const zebraRow = (page: Page) => page.locator('.zebra-figures .taken td').nth(1);

/** What a new user types off a spec sheet, and what follows from it. */
const SHEET = { '0 %': '9.4', '18 %': '36', '90 %': '56' } as const;

/** What the ladder reads at grey; on a phone it is a sheet that is opened for it. */
const greyReads = async (page: Page, percent: string) => {
  const sheet = page.getByRole('button', { name: 'Stop ladder' });
  const isSheet = await sheet.isVisible();
  if (isSheet) await sheet.tap();
  await expect(rung(page)).toHaveText(percent);
  if (isSheet) await page.getByRole('button', { name: 'Put the ladder away' }).tap();
};

const followed = async (page: Page) => {
  await greyReads(page, '36');
  // What a lone reading lacked, the next one mended.
  await expect(page.locator('.anchor-form .is-invalid')).toHaveCount(0);
  // The plan places a new camera's card at grey: the zebra table, the card and the ladder say the same.
  await expect(zebraRow(page)).toHaveText('36±2');
  await expect(cell(page, 'card')).toHaveText('36±2');
  await expect(page.locator('.anchor-answer')).toContainText('would narrow it most');
  await expect(page.locator('.chart .curve-band')).toHaveAttribute('d', /^M/);
};

test.describe('a new user: a camera, three numbers, and ladder, zebra table and card change', () => {
  const byPointer = async (page: Page, press: (target: Locator) => Promise<void>) => {
    await visit(page, kit());
    await press(page.getByRole('button', { name: 'Duplicate camera A-cam' }));
    const editor = page.locator('.panel', { has: page.getByRole('button', { name: 'Save camera' }) });
    await editor.getByLabel('Name', { exact: true }).fill('Paper cam');
    await press(editor.getByRole('button', { name: 'Save camera' }));
    await expect(page.locator('.chooser')).toContainText('Paper cam');
    await expect(cell(page, 'card')).toHaveText('41±2');
    for (const [label, number] of Object.entries(SHEET)) {
      await press(page.getByLabel(label, { exact: true }));
      await page.getByLabel(label, { exact: true }).fill(number);
    }
    await followed(page);
    await press(page.getByRole('button', { name: 'Save and use on Paper cam' }));
    await expect(cell(page, 'profile')).toHaveText('Paper cam log');
    await reloaded(page);
    await greyReads(page, '36');
    await expect(cell(page, 'card')).toHaveText('36±2');
  };

  test('by mouse', async ({ page }) => byPointer(page, (target) => target.click()));

  test.describe('at 390 px, by touch', () => {
    test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
    test('the same path', async ({ page }) => byPointer(page, (target) => target.tap()));
  });

  test('by keyboard alone', async ({ page }) => {
    await visit(page, kit());
    /** Tab, as often as it takes, to what has this name. */
    const tabTo = async (target: Locator, key = 'Tab') => {
      for (let presses = 0; presses < 140; presses += 1) {
        await page.keyboard.press(key);
        if ((await target.count()) > 0 && (await target.evaluate((e) => e === document.activeElement)))
          return;
      }
      throw new Error(`the keyboard never came to ${target}`);
    };
    await tabTo(page.getByRole('button', { name: 'Duplicate camera A-cam' }));
    await page.keyboard.press('Enter');
    const editor = page.locator('.panel', { has: page.getByRole('button', { name: 'Save camera' }) });
    await tabTo(editor.getByLabel('Name', { exact: true }));
    await page.keyboard.press('Control+a');
    await page.keyboard.type('Paper cam');
    await page.keyboard.press('Enter');
    await expect(page.locator('.chooser')).toContainText('Paper cam');
    for (const [label, number] of Object.entries(SHEET)) {
      await tabTo(page.getByLabel(label, { exact: true }));
      await page.keyboard.press('Control+a');
      await page.keyboard.type(number);
    }
    await followed(page);
    await page.keyboard.press('Enter');
    await expect(cell(page, 'profile')).toHaveText('Paper cam log');
  });
});

test('a filmed bracket of nine demo frames solves to the known curve', async ({ page }) => {
  await visit(page, kit('dunes'));
  await pick(page, 'Bracket');
  await page.getByRole('button', { name: 'Nine demo frames' }).click();
  await expect(page.getByLabel(/^Stops of card-/)).toHaveCount(9);
  // Drag over the card in the frame: it is read off all nine.
  await page.locator('.card-marker').scrollIntoViewIfNeeded();
  const box = await page.locator('.card-marker').boundingBox();
  if (!box) throw new Error('no frame to mark');
  const at = (u: number, v: number) => [box.x + u * box.width, box.y + v * box.height] as const;
  await page.mouse.move(...at(0.43, 0.36));
  await page.mouse.down();
  await page.mouse.move(...at(0.5, 0.5));
  await page.mouse.move(...at(0.57, 0.64));
  await page.mouse.up();
  const answer = page.locator('.anchor-answer');
  await expect(answer).toContainText(/Fits within 0\.\d\d %/);
  await expect(answer).toContainText('Stopped rising at 100 %: clip at +5.0');
  await expect(answer).toContainText(/signal is twice the noise at −6\.\d/);
  await answer.getByText('Residual of each reading').click();
  const residuals = await answer.locator('.residuals span').allTextContents();
  expect(residuals).toHaveLength(7);
  for (const text of residuals)
    expect(Math.abs(Number(text.split(': ')[1].replace('−', '-')))).toBeLessThan(0.05);
  // The known curve is the mild log: the ladder shows both, rung by rung, within a percent.
  await page.getByLabel('Compare with').selectOption({ label: 'against mild log' });
  const [own, known] = await Promise.all(
    ['.rung-reading', '.rung-compared'].map((name) => page.locator(name).allTextContents()),
  );
  expect(known.filter((text) => text !== '–')).toHaveLength(14);
  own.forEach((text, i) => {
    if (known[i] !== '–') expect(Math.abs(Number(text) - Number(known[i]))).toBeLessThanOrEqual(1);
  });
  await page.getByRole('button', { name: 'Save and use on Air cam' }).click();
  await expect(page.locator('.ladder')).toContainText(/floor −6\.\d/);
  await expect(page.locator('.facts-foot')).toContainText('from a filmed bracket');
});

test('what is wrong is said, and what was there stays', async ({ page }) => {
  await visit(page, kit());
  const answer = page.locator('.anchor-answer');
  const stays = async () => {
    await expect(rung(page)).toHaveText('41');
    await expect(cell(page, 'profile')).toHaveText('wide log');
  };
  const way = (name: string) => pick(page, name);

  await test.step('a formula with a pole inside the range', async () => {
    await way('Formula');
    const typed = { a: '1', c: '0.3', d: '0.62', cut: '0.005', clip: '6', b: '-0.05' };
    for (const [name, text] of Object.entries(typed))
      await page.getByLabel(name === 'clip' ? 'clip, stops' : name, { exact: true }).fill(text);
    await expect(answer).toContainText(/pole at 0.05.* inside the range/);
    await stays();
  });
  await test.step('a table of a million rows, one with a NaN, one that falls', async () => {
    await way('Table');
    const rows = page.getByLabel(/^Rows:/);
    const before = await rows.inputValue();
    const drop = (name: string, text: string) =>
      page
        .getByLabel('Table or curve file')
        .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
    await drop('long.csv', Array.from({ length: 1_000_000 }, (_, i) => `${i},1`).join('\n'));
    await expect(answer).toContainText('long.csv holds 1000000 rows; up to 4096 are read');
    await expect(rows).toHaveValue(before);
    await drop('nan.csv', '-2,20\n-1,NaN\n0,40\n1,50\n2,60\n');
    await expect(answer).toContainText('Line 2 needs two numbers');
    await drop('falls.csv', '-2,20\n-1,30\n0,29\n1,50\n2,60\n');
    await expect(answer).toContainText('they do not at line 3');
    await drop('cut.cube', 'LUT_1D_SIZE 4\n0 0 0\n1 1 1\n');
    await expect(answer).toContainText('cut.cube, end of file: 2 rows, but LUT_1D_SIZE 4 asks for 4');
    await stays();
  });
  await test.step('a bracket with equal or reversed readings', async () => {
    await way('Bracket');
    for (const stops of ['−2', '−1', '0', '+1', '+2'])
      await page.getByLabel(`Reading at ${stops}`, { exact: true }).fill('40');
    await expect(answer.getByRole('alert')).toContainText(/readings must rise from the darkest/);
    await stays();
  });
  await test.step('a profile file of a newer version', async () => {
    const newer = JSON.stringify({ format: 'candelum-profile', version: 9, profile: {} });
    await page
      .getByLabel('Profile file')
      .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(newer) });
    await expect(page.locator('.profile-tools ~ .field-error')).toContainText(
      'The file is of version 9; this Candelum reads version 1: update it. Nothing was changed.',
    );
    await stays();
  });
});

test('a profile is duplicated, trimmed, shared and taken in; a conflict is asked about', async ({ page }) => {
  await visit(page, kit());
  await page.getByRole('button', { name: 'Duplicate profile wide log' }).click();
  await expect(cell(page, 'profile')).toHaveText('wide log 2');
  const [sharing] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Share' }).click(),
  ]);
  expect(sharing.suggestedFilename()).toBe('wide-log-2.profile.json');
  const shared = JSON.parse(readFileSync(await sharing.path(), 'utf8'));
  const takeIn = (file: unknown) =>
    page.getByLabel('Profile file').setInputFiles({
      name: 'wide-log-2.profile.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(file)),
    });
  await takeIn(shared);
  await expect(page.getByRole('status').filter({ hasText: 'there already' })).toBeVisible();

  const chips = page.locator('.profile-chips button');
  const count = await chips.count();
  const other = { ...shared, profile: { ...shared.profile, data: { ...shared.profile.data, clipStops: 5 } } };
  await takeIn(other);
  const ask = page.getByRole('alertdialog');
  await expect(ask).toContainText('wide log 2 is in the kit with another curve');
  await ask.getByRole('button', { name: 'Leave it' }).click();
  await expect(chips).toHaveCount(count);
  await expect(page.locator('.ladder')).toContainText('clip +6.0');
  await takeIn(other);
  await ask.getByRole('button', { name: 'Keep both' }).click();
  await expect(chips).toHaveCount(count + 1);
  await expect(cell(page, 'profile')).toHaveText('wide log 2 2');
  await expect(page.locator('.ladder')).toContainText('clip +5.0');
  await remove(page, 'profile wide log 2 2');
  await expect(chips).toHaveCount(count);
  await expect(cell(page, 'profile')).toHaveText('wide log');

  await pick(page, 'Trim');
  await page.getByLabel('Black level, %').fill('3');
  await expect(rung(page)).toHaveText('44');
  await page.getByLabel('Knee from, %').fill('80');
  await page.getByLabel('reads at clip, %').fill('70');
  await expect(page.locator('.anchor-answer')).toContainText('No knee from 80.0 % reads 70.0 %');
  await page.getByLabel('reads at clip, %').fill('92');
  await expect(page.locator('.rung .rung-reading').nth(2)).toHaveText('92');
});

test('the gamut is a standard or typed; its matrix is exported', async ({ page }) => {
  await visit(page, kit('furnace-mouth', '&figures=matrix'));
  await expect(page.locator('.matrix td').nth(1)).toHaveText('0.6369580');
  await pick(page, 'Trim');
  await page.getByLabel('Gamut', { exact: true }).selectOption('typed primaries');
  await page.getByLabel('red x y').fill('0.64 0.33');
  await page.getByLabel('green x y').fill('0.3 0.6');
  await page.getByLabel('blue x y').fill('0.15 0.06');
  // BT.709's own, by SMPTE RP 177: 0.4124 0.3576 0.1805.
  await expect(page.locator('.matrix td').nth(1)).toHaveText(/^0\.41239/);
  await page.getByLabel('green x y').fill('0.64');
  await expect(page.getByText('Type x and y for green')).toBeVisible();
  await expect(page.locator('.matrix td').nth(1)).toHaveText(/^0\.41239/);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export as CLF' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('<Array dim="3 3">');
});

test('the zebra sheet prints on one page, and so does the pocket card', async ({ page }) => {
  const pages = async () => {
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    return {
      count: pdf.match(/\/Type\s*\/Page\b(?!s)/g)?.length,
      box: /\/MediaBox\s*\[([^\]]+)\]/.exec(pdf)?.[1].trim().split(/\s+/).map(Number),
    };
  };
  await visit(page, kit('bench-interview', '&part=zebra'));
  await page.locator('.sheet').waitFor();
  const sheet = await pages();
  expect(sheet.count).toBe(1);
  // A4 is 595 x 842 points (ISO 216).
  expect(sheet.box?.slice(2).map(Math.round)).toEqual([595, 842]);
  await visit(page, '/handoff?shoot=salt-and-fire&setup=bench-interview&camera=a-cam');
  expect((await pages()).count).toBe(1);
});

test('a profile that is given up leaves nothing of itself: numbers, gamut, ladder', async ({ page }) => {
  await visit(page, kit());
  const gamut = page.getByLabel('Gamut', { exact: true });
  const before = await gamut.inputValue();
  await page.getByLabel('18 %', { exact: true }).fill('36');
  await page.getByLabel('90 %', { exact: true }).fill('56');
  await expect(rung(page)).toHaveText('36');
  await gamut.selectOption('bt709');
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(rung(page)).toHaveText('41');
  await expect(gamut).toHaveValue(before);
  await expect(page.getByLabel('18 %', { exact: true })).toHaveValue('');
  await expect(page.getByRole('button', { name: 'Discard' })).toBeDisabled();
});

test('glass, extended ISO and lean reach the card', async ({ page }) => {
  await visit(page, kit('packing-yard', '&part=bag'));
  await page.getByRole('button', { name: 'Add ND set' }).click();
  const form = page.locator('.bag-form');
  await form.getByLabel('Name').fill('borrowed');
  await form.getByLabel('Written in').selectOption('factor (2, 4, 8 …)');
  await form.getByLabel('Values, or least and most').fill('512');
  await form.getByRole('button', { name: 'Add ND set' }).click();
  await page.locator('.cell[data-cell="nd"]').click();
  await page.locator('.cell-popover select').selectOption({ label: 'ND512  borrowed' });
  await page.keyboard.press('Escape');
  await expect(cell(page, 'nd')).toHaveText('2.7');
  await page.locator('.cell[data-cell="kelvin"]').click();
  await expect(page.getByRole('dialog', { name: 'White bal.' })).toContainText(
    'B-cam leans 9 mired warm: dial 5300',
  );
});
