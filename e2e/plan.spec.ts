import { readFileSync } from 'node:fs';
import { at, cell, expect, openPart, reloaded, test, visit } from './fixtures.ts';

const plan = (setup: string, rest = '') => `/plan?shoot=salt-and-fire&setup=${setup}${rest}`;

test('a new set-up surveyed from scratch: schools speak, one is taken, the pocket card prints', async ({
  page,
}) => {
  await visit(page, plan('bench-interview', '&camera=a-cam'));
  await page.locator('.chooser').click();
  await page.getByLabel('New set-up').fill('Loading dock');
  await page.getByRole('button', { name: 'Add set-up' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'Loading dock', exact: true })).toBeVisible();

  const reading = (name: string) => page.getByLabel(`Reading of ${name}`);
  await test.step('a card by spot EV, a crate to keep, a lamp that may clip', async () => {
    await page.getByRole('button', { name: 'Add a spot' }).click();
    await expect(page.getByLabel('What Spot 1 is')).toHaveValue('card');
    await page.getByLabel('Unit of Spot 1').selectOption('EV');
    await reading('Spot 1').fill('8');
    await reading('Spot 1').press('Enter');
    // EV 8 at ISO 100 is 12.5 x 256 / 100 = 32 cd/m2 (ISO 2720).
    await expect(page.getByText(/Card 32 cd\/m²/)).toBeVisible();
    await page.getByRole('button', { name: 'Add a spot' }).click();
    await page.getByLabel('Name of the spot').nth(1).fill('Crate');
    await page.getByLabel('Name of the spot').nth(1).press('Enter');
    await reading('Crate').fill('11');
    await reading('Crate').press('Enter');
    await expect(page.locator('.spot').nth(1)).toContainText('+3.0');
    // Half typed it is said beside the field; Escape gives it up. What is kept is one step of undo.
    await reading('Crate').fill('1 1/');
    await expect(
      page.getByRole('alert').filter({ hasText: 'Type what was read, in EV; 11 stays.' }),
    ).toBeVisible();
    await reading('Crate').press('Escape');
    await expect(reading('Crate')).toHaveValue('11');
    await reading('Crate').fill('');
    await reading('Crate').pressSequentially('12,25');
    await reading('Crate').press('Enter');
    await expect(reading('Crate')).toHaveValue('12.25');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(reading('Crate')).toHaveValue('11');
    await page.getByRole('button', { name: 'Add a spot' }).click();
    await page.getByLabel('What Spot 3 is').selectOption('light in frame');
    await reading('Spot 3').fill('17');
    await reading('Spot 3').press('Enter');
    await expect(page.locator('.ladder .scene circle')).toHaveCount(3);
  });

  await test.step('taking a school fills the card, and the light lands there', async () => {
    const schools = page.locator('.schools');
    await expect(schools.locator('.advised')).toHaveCount(1);
    await expect(schools).toContainText('Spot 3 may clip');
    await schools.getByRole('button', { name: 'As bright as it holds' }).click();
    await expect(cell(page, 'placement')).toHaveText('+2 1/3');
    await expect(schools.locator('tr.taken')).toContainText('As bright as it holds');
    const free = page.getByRole('button', { name: 'Iris locked' });
    await free.click();
    await page.getByRole('button', { name: 'Dial these in' }).click();
    await expect(page.getByText(/as planned\./)).toBeVisible();
  });

  await test.step('impossible readings are said, and what was there stays', async () => {
    const before = await cell(page, 'placement').textContent();
    await page.getByLabel('Unit of Crate').selectOption('lx');
    await reading('Crate').fill('0');
    await reading('Crate').press('Enter');
    await expect(page.getByText('Crate: 0 lux is no light: nothing can be exposed by it.')).toBeVisible();
    await expect(cell(page, 'placement')).toHaveText(before ?? '');
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(reading('Crate')).toHaveValue('11');
    await expect(page.locator('.schools .advised')).toHaveCount(1);
    // The same crate on the camera's meter: +3 at the settings that call 32 cd/m2 correct, f/3.2 (3.17), 1/50, ISO 200.
    await page.getByLabel('Unit of Crate').selectOption('on the meter');
    await reading('Crate').fill('3');
    await reading('Crate').press('Enter');
    const crate = page.locator('.spot').nth(1);
    for (const [label, text] of [
      ['ISO', '200'],
      ['f/', '3.2'],
      ['1/', '50'],
      ['ND stops', '0'],
    ]) {
      await crate.getByLabel(label, { exact: true }).fill(text);
      await crate.getByLabel(label, { exact: true }).press('Enter');
    }
    // 12.5 x 10.08 / (0.02 x 200) = 31.5 cd/m2, three stops over it, against the card's 32.
    await expect(crate).toContainText('+3.0');
  });

  await test.step('the checklist is ticked off and kept', async () => {
    await openPart(page, 'Checklist');
    await page.getByLabel(/^Zebra/).check();
    await reloaded(page);
    await expect(page.getByText('1 of 11')).toBeVisible();
  });

  await test.step('the pocket card prints on one page', async () => {
    await page.keyboard.press('7');
    await expect(page.locator('.pocket')).toContainText('Loading dock');
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    expect(pdf.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
  });
});

test('profile advice: nobody grades, the standard picture leads; a muted rule is silent', async ({
  page,
}) => {
  await visit(page, plan('furnace-mouth', '&camera=a-cam&part=profile'));
  const first = page.locator('.advice').first();
  await expect(first).toContainText('wide log');
  await page.getByRole('button', { name: 'Will be graded' }).click();
  await expect(first).toContainText('standard');
  await expect(first).toContainText('Nobody will grade: this picture is finished as it is.');
  await page.getByRole('button', { name: 'Will it be graded' }).click();
  await expect(page.locator('.advice').filter({ hasText: 'Nobody will grade' })).toHaveCount(0);
  const standard = page.locator('.advice').filter({ hasText: 'standard' });
  await standard.locator('.accordion-button').click();
  await standard.getByRole('button', { name: 'Take standard' }).click();
  await expect(cell(page, 'profile')).toHaveText('standard');
});

test('white balance by school, and what water leaves', async ({ page }) => {
  await visit(page, plan('bench-interview', '&camera=b-cam&part=balance'));
  // The window at 6300 K, the body 9 mired warm: 10^6 / (158.7 + 9) is 5962, on its dial 6000.
  await page.getByRole('button', { name: /Custom from the card/ }).click();
  await expect(cell(page, 'kelvin')).toHaveText('6000 K');
  await visit(page, plan('slipway', '&camera=small-cam&part=balance'));
  await expect(page.getByText(/Red stands .* stops under green: under the floor/)).toBeVisible();
  await page.getByLabel('Depth, m').fill('1');
  await page.getByLabel('Depth, m').press('Enter');
  await expect(page.getByText(/Red stands .* stops under green: a balance at depth/)).toBeVisible();
});

test('the day: sun of a typed place, set-ups reordered, every camera’s cards on a page and as PDF', async ({
  page,
}) => {
  await visit(page, plan('furnace-mouth', '&camera=a-cam&part=day'));
  await expect(page.getByText(/sunrise/)).toBeVisible();
  await page.getByLabel('Latitude, north +').fill('80');
  await page.getByLabel('Latitude, north +').press('Enter');
  // By keyboard, digit by digit: a year half typed is not taken, and the field keeps the focus.
  const day = page.getByLabel('Day', { exact: true });
  await day.focus();
  await day.pressSequentially('06212026');
  await expect(day).toBeFocused();
  await expect(day).toHaveValue('2026-06-21');
  await expect(page.getByText('The sun does not set on this day')).toBeVisible();
  await page.getByLabel('Latitude, north +').fill('95');
  await expect(page.getByText('Type degrees from −90 to 90; 80 stays.')).toBeVisible();

  const rows = page.locator('.order-row .row-pick');
  await expect(rows.first()).toContainText('Furnace mouth');
  await page.getByRole('button', { name: 'Move Furnace mouth' }).focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(250);
  await page.keyboard.press('ArrowDown');
  await page.waitForTimeout(250);
  await page.keyboard.press('Space');
  await expect(rows.first()).toContainText('Bench interview');
  await reloaded(page);
  await expect(rows.first()).toContainText('Bench interview');
  await page.keyboard.press('Control+z');

  await openPart(page, 'Pocket cards');
  await expect(page.locator('.day-card')).toHaveCount(4);
  await expect(page.locator('.day-card h3').first()).toHaveText(/1 Bench interview/);
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'PDF' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('a-cam-salt-and-fire.pdf');
});

test('the sun while a set-up is shot: the camera is turned on the compass, and stays where it looks', async ({
  page,
}) => {
  await visit(page, plan('dunes', '&camera=air-cam&part=day'));
  const says = page.locator('.hour-answer');
  // Nobody has said yet where the camera looks: nothing is claimed of it.
  await expect(says).toContainText('Turn the camera on the compass');
  const looks = page.getByRole('slider', { name: 'Where the camera looks' });
  await looks.focus();
  for (let i = 0; i < 16; i += 1) await page.keyboard.press('ArrowRight');
  await expect(looks).toHaveAttribute('aria-valuetext', '80 degrees from north over east');
  await expect(says).toContainText('back lit');
  await reloaded(page);
  await expect(says).toContainText('back lit');
  await expect(page.getByRole('table', { name: 'Sun and sky while you shoot' })).toContainText('4600 lx');
  // Inside there is no sun to turn to.
  await visit(page, plan('furnace-mouth', '&camera=a-cam&part=day'));
  await expect(page.getByText('Sun and sky while you shoot')).toBeHidden();
});

test('lens and glass: a wish gives irises, a picked one is set; a polariser is in the card’s light and the log', async ({
  page,
}) => {
  await visit(page, `${at('plan', 'bench-interview')}&part=lens`);
  const depth = page.locator('.panel').filter({ hasText: 'Depth of field' });
  await expect(depth).toContainText('f/1.4 to f/5.6 give it: eyes only. The card’s f/4 is one of them.');
  await page.getByLabel('What is wanted of the depth').selectOption('soft');
  await page.getByLabel('Blur of the background, %').fill('2');
  await page.keyboard.press('Enter');
  await expect(depth).toContainText('too far stopped down: more is sharp than is asked');
  await depth.getByRole('button', { name: 'f/2', exact: true }).click();
  await expect(cell(page, 'iris')).toHaveText('f/2');
  await expect(depth).toContainText('The card’s f/2 is one of them.');
  await page.getByLabel('Focus, m', { exact: true }).fill('0.1');
  await page.keyboard.press('Enter');
  await expect(depth).toContainText('focus 1.80 m');
  await page.getByRole('button', { name: 'polariser' }).click();
  await expect(page.getByText('Together they take 1.6 stops ±0.3.')).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByText(/^Take \d+ logged/)).toBeVisible();
  await visit(page, at('handoff', 'bench-interview'));
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'CSV' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('polariser');
});
