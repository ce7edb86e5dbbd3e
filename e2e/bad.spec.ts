import { encode } from 'fast-png';
import {
  cell,
  expect,
  frameFile,
  markCard,
  MISSING_PAGE,
  openFile,
  test,
  verdict,
  visit,
} from './fixtures.ts';

const judge = '/judge?shoot=salt-and-fire&setup=furnace-mouth&camera=a-cam';

test('bad files get one sentence each, and the frame on the bench stays', async ({ page }) => {
  await visit(page, judge);
  await openFile(page, 'good.png', frameFile('bench', { placement: 1 }));
  await expect(page.locator('.picture h2')).toHaveText('good.png');
  await markCard(page, 'bench');
  await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'holds');

  const good = frameFile('bench', { placement: 1 });
  const patched = (at: number, bytes: number[]) => {
    const copy = Buffer.from(good);
    copy.set(bytes, at);
    return copy;
  };
  const bad: [string, Buffer, RegExp][] = [
    ['cut.png', good.subarray(0, good.length / 2), /cut\.png \(byte \d+\): The PNG is cut short/],
    ['large.png', patched(16, [0, 1, 0, 0, 0, 1, 0, 0]), /65536 x 65536; up to 64 million pixels/],
    ['notes.png', Buffer.from('take, notes\n1, good\n'.repeat(20)), /text file with another name/],
    ['palette.png', patched(25, [3]), /uses a palette/],
    ['empty.png', Buffer.alloc(0), /The file is empty/],
    ['zero.png', patched(16, [0, 0, 0, 0]), /0 x 270 pixels: nothing to judge/],
  ];
  for (const [name, bytes, sentence] of bad) {
    await openFile(page, name, bytes);
    await expect(page.locator('.notice-bad')).toContainText(sentence);
    await expect(page.locator('.notice-bad')).toContainText('good.png stays open.');
    await expect(page.locator('.picture h2')).toHaveText('good.png');
    await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'holds');
    await page.locator('.notice-bad').getByRole('button', { name: 'Close' }).click();
    await expect(page.locator('.notice-bad')).toHaveCount(0);
  }
});

test('bad anchors get one sentence each, and the profile in use stays', async ({ page }) => {
  await visit(page, '/kit?shoot=salt-and-fire&setup=furnace-mouth&camera=a-cam');
  const grey = page.getByLabel('18 %', { exact: true });
  await page.getByLabel('90 %', { exact: true }).fill('61');
  const save = page.getByRole('button', { name: /Save and use/ });
  const cases: [string, RegExp][] = [
    ['70', /90 % reads lower than 18 %/],
    ['61', /18 % and 90 % have the same reading/],
    ['140', /18 % reads 140, outside/],
    ['grey', /“grey” is none/],
  ];
  for (const [text, sentence] of cases) {
    await grey.fill(text);
    await expect(page.locator('.anchor-answer [role="alert"]')).toHaveText(sentence);
    await expect(save).toBeDisabled();
    await expect(cell(page, 'profile')).toHaveText('wide log');
    await expect(page.locator('.rung-grey .rung-reading')).toHaveText('41');
  }
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(grey).toHaveValue('');
  await expect(grey).toHaveAttribute('placeholder', '40.6');
});

test('a broken URL says what it does not name and shows the first; nothing stored changes', async ({
  page,
}) => {
  await visit(page, '/plan?shoot=salt-and-fire&setup=moon&camera=a-cam');
  await expect(page.locator('.notice-bad')).toHaveText(
    'The address names no set-up “moon”; showing Furnace mouth.',
  );
  await expect(cell(page, 'card')).toHaveText('49±2');
  await page.goto('/judge?view=sideways&zoom=9&shoot=%00%ff');
  await expect(page.locator('.set-card')).toBeVisible();
  await page.goto(MISSING_PAGE);
  await expect(page.getByText('No such page')).toBeVisible();
  await visit(page, '/log');
  await expect(page.locator('.take').first()).toBeVisible();
});

test('8-bit, true 16-bit and alpha open; range and reading can be set by hand', async ({ page }) => {
  await visit(page, judge);
  await openFile(
    page,
    'eight.png',
    frameFile('bench', { placement: 1, coding: { bitDepth: 8, range: 'legal' } }),
  );
  await expect(page.locator('.picture h2')).toHaveText('eight.png');
  await markCard(page, 'bench');
  await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'holds');
  await expect(verdict(page, 'card')).toContainText('Reads 49.3 % of signal');
  // The same codes over 0..255 instead of 16..235.
  await page.getByLabel('Range of the codes').selectOption('full');
  await expect(verdict(page, 'card')).toContainText(/Reads 48\.[67] % of signal/);

  const data = Uint16Array.from({ length: 32 * 32 * 4 }, (_, i) => (i * 4099 + 17) % 65536);
  await openFile(
    page,
    'sixteen.png',
    Buffer.from(encode({ width: 32, height: 32, data, depth: 16, channels: 4 })),
  );
  await expect(page.locator('.picture h2')).toHaveText('sixteen.png');
  await page.getByRole('button', { name: '16-bit', exact: true }).click();
  await expect(page.getByLabel('How the samples are read')).toHaveValue('full16');
  await page.getByLabel('How the samples are read').selectOption('shifted10');
  await expect(page.locator('[data-evidence]')).toHaveText('set by hand');
});
