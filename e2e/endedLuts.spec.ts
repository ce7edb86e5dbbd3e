import { endAt, endsWhenAsked, told } from './endWorker.ts';
import {
  at,
  close,
  expect,
  frameFile,
  notice,
  openFile,
  openPart,
  pick,
  test,
  verdict,
  visit,
} from './fixtures.ts';

const card = frameFile('bench', { placement: 2 / 3 });

test.describe('the LUT worker that the browser ends', () => {
  test.beforeEach(async ({ page }) => {
    await page.addInitScript(endsWhenAsked);
  });

  test('the LUT worker in the middle of its jobs: a sentence, and the same question is answered again', async ({
    page,
  }) => {
    const part = (name: string) => openPart(page, name);
    await visit(page, `${at('luts')}&below=file`);
    await expect(page.locator('.lut-bake')).toContainText('Channels mix');
    await endAt(page, 'write');
    await page.locator('.lut-file').click();
    await expect(page.locator('.lut-write')).toContainText('The worker for LUTs was ended by the browser');
    const [file] = await Promise.all([page.waitForEvent('download'), page.locator('.lut-file').click()]);
    expect(file.suggestedFilename()).toMatch(/\.cube$/);
    await endAt(page, 'inspect');
    await part('Inspect');
    await expect(page.locator('.verdicts')).toContainText('The worker for LUTs was ended by the browser');
    await part('Compare');
    await part('Inspect');
    await expect(verdict(page, 'feed')).toBeVisible();
    await endAt(page, 'compare');
    await part('Compare');
    await expect(page.locator('.luts-picture')).toContainText('was ended by the browser');
  });

  test('asked for what only it held: the hero is gone and said to be, orders are worked out again', async ({
    page,
  }) => {
    await visit(page, `${at('judge')}&against=hero`);
    await openFile(page, 'card.png', card);
    await expect(page.locator('.picture h2')).toHaveText('card.png');
    await page.keyboard.press('h');
    await expect(page.getByRole('slider', { name: 'Wipe to hero' })).toBeVisible();
    await endAt(page, 'reference');
    await page.keyboard.press('v');
    await told(page);
    await expect(page.getByRole('slider', { name: 'Wipe to hero' })).toHaveCount(0);
    await page.keyboard.press('h');
    await expect(page.getByRole('slider', { name: 'Wipe to hero' })).toBeVisible();
    await visit(page, `${at('luts')}&part=order`);
    await expect(page.locator('[data-order-verdict]')).toBeVisible({ timeout: 30_000 });
    await endAt(page, 'order');
    await page.getByRole('slider', { name: 'Balance' }).press('ArrowRight');
    await told(page);
    await page.getByRole('slider', { name: 'Balance' }).press('ArrowRight');
    await expect(page.locator('[data-order-verdict]')).toBeVisible();
  });

  test('while a LUT file is brought to it, and while a bracket is read: the next try works', async ({
    page,
  }) => {
    await visit(page, `${at('luts')}&part=inspect`);
    const cube = {
      name: 'own.cube',
      mimeType: 'text/plain',
      buffer: Buffer.from('LUT_1D_SIZE 2\n0 0 0\n1 1 1\n'),
    };
    await expect(verdict(page, 'feed')).toBeVisible();
    await endAt(page, 'keep');
    await page.getByLabel('LUT file').setInputFiles(cube);
    await expect(notice(page)).toContainText('was ended by the browser');
    await close(page);
    await page.getByLabel('LUT file').setInputFiles(cube);
    await expect(page.locator('.luts-picture')).toContainText('own.cube');

    await visit(page, at('kit'));
    await pick(page, 'Bracket');
    await page.getByRole('button', { name: 'Nine demo frames' }).click();
    await expect(page.getByLabel(/^Stops of card-/)).toHaveCount(9);
    const marker = page.locator('.card-marker');
    const mark = async () => {
      await marker.scrollIntoViewIfNeeded();
      const box = await marker.boundingBox();
      if (!box) throw new Error('no frame to mark');
      await page.mouse.move(box.x + 0.43 * box.width, box.y + 0.36 * box.height);
      await page.mouse.down();
      await page.mouse.move(box.x + 0.5 * box.width, box.y + 0.5 * box.height);
      await page.mouse.move(box.x + 0.57 * box.width, box.y + 0.64 * box.height);
      await page.mouse.up();
    };
    await endAt(page, 'reading');
    await mark();
    await expect(page.getByText(/The worker for filmed brackets was ended/).first()).toBeVisible();
    await mark();
    await expect(page.locator('.anchor-answer')).toContainText(/Fits within 0\.\d\d %/);
  });
});
