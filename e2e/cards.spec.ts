import { readFileSync } from 'node:fs';
import { decode } from 'fast-png';
import jsQR from 'jsqr';
import { PDFDocument } from 'pdf-lib';
import { at, expect, test, visit } from './fixtures.ts';

/** What a reader of codes finds in an RGBA or RGB picture. */
const readCode = (png: Uint8Array): string | undefined => {
  const { data, width, height, channels } = decode(png);
  const rgba = new Uint8ClampedArray(4 * width * height).fill(255);
  for (let i = 0; i < width * height; i += 1)
    for (let c = 0; c < 3; c += 1) rgba[4 * i + c] = data[channels * i + c];
  return jsQR(rgba, width, height)?.data;
};

test('the card’s code is read off the screen and off its picture, by a reader of its own', async ({
  page,
}) => {
  await visit(page, at('handoff', 'furnace-mouth'));
  const code = page.locator('.pocket .card-code');
  await expect(code).toBeVisible();
  const text = readCode(await code.screenshot());
  expect(text).toContain(
    'A-cam, Salt and Fire\n1 Furnace mouth\nCard zebra 49±2\nAna zebra 60±3\nWarning zebra 90+',
  );
  expect(text).toContain('licensed practice decide');

  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Picture' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('a-cam-salt-and-fire-furnace-mouth.png');
  expect(readCode(readFileSync(await file.path()))).toBe(text);
});

test('where the device shares, the card goes as picture and as text; closing it is no fault', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const shared: unknown[] = [];
    Object.assign(window, { shared });
    Object.assign(navigator, {
      canShare: () => true,
      share: async ({ files, text }: { files: File[]; text: string }) => {
        shared.push([files[0].name, files[0].size > 1000, text.split('\n')[1]]);
        if (shared.length > 1) throw new DOMException('closed', 'AbortError');
      },
    });
  });
  await visit(page, at('handoff', 'dunes'));
  const share = page.getByRole('button', { name: 'Share' });
  await share.click();
  const shared = () => page.evaluate(() => (window as unknown as { shared: unknown[] }).shared);
  await expect
    .poll(shared)
    .toEqual([[expect.stringMatching(/dunes.*\.png$/), true, '4 Dunes at first light']]);
  await share.click();
  await expect.poll(async () => (await shared()).length).toBe(2);
  await expect(page.locator('.pocket-panel').getByRole('alert')).toHaveCount(0);
});

test('the day on paper keeps names in any script: they are drawn into the PDF', async ({ page }) => {
  await visit(page, at('plan', 'furnace-mouth'));
  await page.locator('.chooser').click();
  await page.getByLabel('New set-up').fill('窯の口 الفرن 🔥');
  await page.getByRole('button', { name: 'Add set-up' }).click();
  await page.getByRole('tab', { name: 'Pocket cards' }).click();
  await expect(page.locator('.day-card').last()).toContainText('窯の口 الفرن 🔥');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'PDF' }).click(),
  ]);
  const bytes = readFileSync(await file.path());
  const document = await PDFDocument.load(bytes);
  expect(document.getPageCount()).toBe(1);
  expect(document.getTitle()).toBe('A-cam, Salt and Fire');
  expect(bytes.includes('/Subtype /Image')).toBe(true);
});
