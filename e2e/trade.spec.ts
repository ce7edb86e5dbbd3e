import { at, cell, expect, openPart, test, visit } from './fixtures.ts';

test('the ratio of a face stands in its band, on the ladder, and asks for fill where more is wanted', async ({
  page,
}) => {
  await visit(page, at('plan', 'bench-interview'));
  await page.getByText('Ratio: Ola, key side to Ola, shadow side 1.6 stops (3:1), shaped').click();
  await expect(page.getByText('As wanted: shaped.')).toBeVisible();
  await expect(page.locator('.scene-ratio')).toBeVisible();
  await page.getByLabel('Wanted').selectOption('flat');
  await expect(page.getByText('For flat: 0.6 stop more on the shadow side.')).toBeVisible();
  await page.getByLabel('Shadow side', { exact: true }).selectOption('');
  await expect(page.getByText('Ratio of key to fill, and to the background')).toBeVisible();
  await expect(page.locator('.scene-ratio')).toHaveCount(0);
});

test('cameras side by side: one number for all is one step, undone as one', async ({ page }) => {
  await visit(page, `${at('plan', 'bench-interview')}&part=cameras`);
  await expect(
    page.getByText(/^3 settings that must be equal differ: profile, grey card at, white balance/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Placement +2/3 for all' }).click();
  await expect(page.getByRole('button', { name: 'Placement is one for all' })).toBeDisabled();
  await expect(page.getByText(/^2 settings that must be equal differ: profile, white balance/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Placement +2/3 for all', exact: true })).toBeEnabled();
});

test('a new set-up from a template has its light read as examples, and one from another set-up its plans', async ({
  page,
}) => {
  await visit(page, at('plan', 'packing-yard'));
  const add = async (name: string, from: string) => {
    await page.getByRole('button', { name: /^Salt and Fire/ }).click();
    await page.getByRole('textbox', { name: 'New set-up' }).fill(name);
    await page.getByLabel('Start from').selectOption({ label: from });
    await page.getByRole('button', { name: 'Add set-up' }).click();
    await expect(page.getByRole('heading', { name, level: 2 })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('textbox', { name: 'New set-up' })).toHaveCount(0);
  };
  await add('Corner table', 'Interview by the window');
  await expect(page.getByLabel('Reading of Card (example)')).toHaveValue('25');
  await expect(page.getByRole('row', { name: /By card/ })).toBeVisible();
  await add('Yard again', 'Packing yard at noon, Salt and Fire');
  await expect(page.getByLabel('Reading of Card in the sun')).toHaveValue('4000');
  await expect(cell(page, 'iris')).toHaveText('f/5');
});

test('a screen is trusted as far as its steps were seen, and keeps how far off it shows', async ({
  page,
}) => {
  await visit(page, `${at('kit', 'bench-interview')}&part=screens`);
  await expect(page.getByText(/^By eye between −3.5 and \+6.0 from grey/)).toBeVisible();
  await page.getByRole('button', { name: '12 %', exact: true }).click();
  await expect(page.getByText(/^By eye between −2.3 and/)).toBeVisible();
  await page.getByLabel('How it is set').fill('brightness 3');
  await page.getByLabel('Patch measured, cd/m²').fill('36.4');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Shows 0.5 stop too dark, at brightness 3.')).toBeVisible();
  await page.getByLabel('It stands in').selectOption('sun');
  await expect(page.getByText(/^Nothing can be judged by eye here/)).toBeVisible();
  // The bag's own form leaves what was measured alone.
  await openPart(page, 'Bag');
  await openPart(page, 'Screens');
  await expect(page.getByText('Shows 0.5 stop too dark, at brightness 3.')).toBeVisible();
});

test('a picture menu is set by either school, measured by two frames and stands in the checklist', async ({
  page,
}) => {
  await visit(page, `${at('kit', 'packing-yard')}&camera=b-cam&part=settings`);
  const menu = page.getByRole('table', { name: 'In-camera settings' });
  const detail = menu.getByRole('row', { name: /^Detail/ });
  await expect(detail).toContainText('lowest');
  await page.getByText('Some of it in the camera', { exact: true }).first().click();
  await expect(detail).toContainText('one or two steps over lowest');
  await page.getByLabel('How Detail, sharpness is set').fill('−7');
  await page.getByLabel('How Noise reduction is set').fill('off');
  await page.getByRole('button', { name: 'Let the simulated camera film both' }).click();
  await expect(
    page.getByText(/^It changes .*edge overshoots \(\d+ to \d+ ±\d+ % of the step\)/),
  ).toBeVisible();
  await expect(detail).toContainText('Edge overshoots');
  await page.getByRole('button', { name: 'Noise reduction' }).click();
  const file = (name: string, body: string) => ({ name, mimeType: 'image/png', buffer: Buffer.from(body) });
  await page.getByLabel('Frame without it').setInputFiles(file('a.png', 'hello'));
  await expect(page.getByText('a.png is in.')).toBeVisible();
  await page.getByLabel('Frame with it').setInputFiles(file('b.png', 'hello'));
  await expect(page.getByText(/^The frame without it: /)).toBeVisible();
  await visit(page, `${at('plan', 'packing-yard')}&camera=b-cam`);
  await openPart(page, 'Checklist');
  await expect(
    page.getByText('detail, sharpness −7; noise reduction off; the rest left alone'),
  ).toBeVisible();
});

test('meters of a plan, lamps at its rate, and what a whole frame would have made of the picture', async ({
  page,
}) => {
  await visit(page, `${at('plan', 'bench-interview')}&part=figures`);
  const meters = page.getByRole('table', { name: 'What meters read of this plan' });
  await expect(meters.getByRole('row', { name: /the grey card/ })).toContainText('compensation +2/3');
  await openPart(page, 'Day and media');
  const lamps = page.getByRole('table', { name: 'Lamps at this rate and shutter' });
  await expect(lamps.getByRole('row', { name: /LED dimmed by pulses/ })).toContainText('up to');
  await visit(page, at('judge', 'furnace-mouth'));
  await expect(page.locator('.verdict-meter')).toContainText(/A meter of the whole frame reads [+−]?\d/);
});

test('colours: what melts is said with the way out, a colour is added, and green off leaves is told', async ({
  page,
}) => {
  await visit(page, `${at('plan', 'bench-interview')}&part=colours`);
  await expect(page.getByText('Ola’s checked shirt melts into Brick wall.')).toBeVisible();
  await expect(page.getByText(/^Ola’s checked shirt parts best towards green, by \d+ more/)).toBeVisible();
  await page.getByLabel('Repeat of its pattern, mm: Ola’s checked shirt').fill('0.2');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/It will crawl/)).toBeVisible();
  await page.getByLabel('Light on the face that comes off leaves').selectOption('much');
  await expect(page.getByText(/^It turns the face by .* of tint/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a colour' }).click();
  await expect(page.getByLabel('Where Colour 4 is')).toHaveValue('behind');
  await page.getByRole('button', { name: 'Take Ola’s checked shirt out' }).click();
  await expect(page.getByText(/melts into Brick wall/)).toHaveCount(0);
  await expect(page.getByText(/It will crawl/)).toHaveCount(0);
});

test('raw: whether it is worth its bits, how bright it holds, what post makes of it', async ({ page }) => {
  await visit(page, `${at('plan', 'furnace-mouth')}&camera=a-cam&part=figures`);
  await expect(page.getByText('Raw is worth its bits here.')).toBeVisible();
  await page.getByRole('button', { name: 'This plan records raw' }).click();
  await expect(
    page.getByText(/^Before the LUT: develop raw at ISO 800 and 4000 K to wide log/),
  ).toBeVisible();
  await page.getByLabel('Post develops to').selectOption({ index: 1 });
  await page.getByText('This camera’s raw').click();
  const isos = page.getByLabel('ISOs with real gain');
  await isos.fill('801');
  await isos.press('Tab');
  await expect(page.getByText(/^Type ISOs of this camera/)).toBeVisible();
  await isos.fill('800 1600 3200');
  await isos.press('Tab');
  await expect(page.getByText(/^Real gain: ISO 800, 1600, 3200\./)).toBeVisible();
  await page.getByLabel('Data rate, Mb/s').fill('2400');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^18.0 GB a minute/)).toBeVisible();
  await page.getByRole('button', { name: /^Place the card at/ }).click();
  await expect(page.getByRole('button', { name: /^Place the card at/ })).toBeHidden();
});

test('two cards of one set-up are switched by a key on any screen; a window’s light stands by the hour', async ({
  page,
}) => {
  await visit(page, `${at('plan', 'packing-yard')}&camera=b-cam`);
  await page.getByLabel('Light falls by, stops').fill('3');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Make the other card' }).click();
  await expect(page.getByText(/^Dialled in: the card for sun\./)).toBeVisible();
  await visit(page, `${at('judge', 'packing-yard')}&camera=b-cam`);
  const balance = page.getByRole('button', { name: /^White bal/ }).first();
  await expect(balance).toContainText('5600');
  await page.keyboard.press('k');
  await expect(balance).toContainText('6500');
  await page.keyboard.press('k');
  await expect(balance).toContainText('5600');
  await visit(page, `${at('plan', 'bench-interview')}&part=day`);
  await page.getByLabel('Window looks to').selectOption('south');
  await expect(page.getByText(/The sun lies in the room from/)).toBeVisible();
  await page.getByLabel('Sky', { exact: true }).selectOption('overcast');
  await expect(page.getByText(/The sun does not come in\./)).toBeVisible();
});

test('lamps that light a set-up are ticked, and the checklist asks for a test', async ({ page }) => {
  await visit(page, `${at('plan', 'bench-interview')}&part=day`);
  const lamps = page.getByRole('table', { name: 'Lamps at this rate and shutter' });
  await lamps.getByLabel('Here: old tubes, discharge on a choke').check();
  await expect(page.getByText('Steady at this rate and shutter.')).toBeVisible();
  await lamps.getByLabel('Here: LED dimmed by pulses').check();
  await expect(page.getByText(/^Film a test: LED dimmed by pulses \(up to \d/)).toBeVisible();
  await openPart(page, 'Checklist');
  await expect(page.getByText(/^film a test: LED dimmed by pulses/)).toBeVisible();
});

test('a high rate is filmed twice in Kit, and Plan says what brings both rates together', async ({
  page,
}) => {
  await visit(page, `${at('kit', 'bench-interview')}&part=settings`);
  await page.getByRole('button', { name: 'High frame rate' }).click();
  await page.getByRole('button', { name: 'Let the simulated camera film both' }).click();
  await expect(page.getByText(/^It changes noise .*edge rise/)).toBeVisible();
  await visit(page, `${at('plan', 'bench-interview')}&part=day`);
  await expect(page.getByRole('list', { name: 'Matching both rates, as measured' })).toContainText(
    /Edges: blur normal speed by 0\.\d pixels/,
  );
  await expect(page.getByText('Filmed by the simulated camera: a stand-in, not your body.')).toBeVisible();
});

test('a spot in the middle counts for more on a meter that weighs the middle', async ({ page }) => {
  await visit(page, at('plan', 'bench-interview'));
  const weighed = async () => {
    await openPart(page, 'By thirds');
    const shown = await page
      .getByRole('row', { name: /the middle weighed more/ })
      .getByRole('cell')
      .nth(0)
      .innerText();
    await openPart(page, 'Light and placement');
    return Number(shown.replace('−', '-').replace('past ', ''));
  };
  const before = await weighed();
  await page.getByText(/^A meter of the whole frame reads/).click();
  await page.getByLabel('Where in the frame Ola, key side lies').selectOption('in the middle');
  await expect.poll(weighed).toBeGreaterThan(before);
});
