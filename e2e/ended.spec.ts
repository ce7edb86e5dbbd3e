import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { y4mFrame, y4mHeader } from '../src/core/formats/y4m.ts';
import { ARCHETYPES } from '../src/core/profile/index.ts';
import { encodePicture, TEST_PICTURES } from '../src/core/fixtures/testPictures.ts';
import {
  at,
  close,
  expect,
  frameFile,
  inked,
  markCard,
  notice,
  openFile,
  openWithDevice,
  printOf,
  test,
  verdict,
  visit,
} from './fixtures.ts';
import { endAt, endsWhenAsked, told } from './endWorker.ts';

const picture = '.picture-sheet > canvas';
const card = frameFile('bench', { placement: 2 / 3 });

test.describe('a worker that the browser ends', () => {
  test.beforeEach(async ({ page }) => {
    await page.addInitScript(endsWhenAsked);
  });

  test('in the middle of any job on a still says so; the picture comes back and the next action works', async ({
    page,
  }) => {
    await visit(page, at('judge'));
    await openFile(page, 'card.png', card);
    await expect(page.locator('.picture h2')).toHaveText('card.png');
    await markCard(page, 'bench');
    await expect(verdict(page, 'card')).toContainText('Card where planned');
    const back = async () => {
      await told(page);
      await expect(page.locator('.picture h2')).toHaveText('card.png');
      await expect(verdict(page, 'card')).toContainText('Card where planned');
      await expect.poll(() => inked(page, picture)).toBeGreaterThan(10_000);
    };
    const jobs: [job: string, act: () => Promise<unknown>][] = [
      ['picture', () => page.keyboard.press('v')],
      [
        'scope',
        () => page.getByRole('radiogroup', { name: 'Scope scale' }).first().getByText('code').click(),
      ],
      ['hold', () => page.keyboard.press('h')],
      ['reread', () => page.getByLabel('Range of the codes').selectOption('full')],
      ['codes', () => page.keyboard.press('m')],
    ];
    for (const [job, act] of jobs)
      await test.step(job, async () => {
        await endAt(page, job);
        await act();
        await told(page);
        await expect(page.locator('.picture h2')).toHaveText('card.png');
        await expect.poll(() => inked(page, picture), { timeout: 20_000 }).toBeGreaterThan(10_000);
        await expect(verdict(page, 'card')).toBeVisible();
      });
    await page.keyboard.press('m');
    await test.step('measure', async () => {
      await endAt(page, 'measure');
      await openFile(page, 'card.png', card);
      await told(page);
      await expect(page.locator('.patch-edge')).toHaveCount(0);
      await markCard(page, 'bench');
      await expect(verdict(page, 'card')).toContainText('Card where planned');
    });
    await test.step('still', async () => {
      await page.locator('.reading > button').click();
      await endAt(page, 'still');
      await page.getByRole('button', { name: 'Save the codes as PNG' }).click();
      await page.keyboard.press('Escape');
      await back();
    });
    await test.step('open', async () => {
      await endAt(page, 'open');
      await openFile(page, 'second.png', card);
      await back();
      await openFile(page, 'second.png', card);
      await expect(page.locator('.picture h2')).toHaveText('second.png');
    });
    await test.step('capture', async () => {
      await markCard(page, 'bench');
      await expect(verdict(page, 'card')).toContainText('Card where planned');
      await endAt(page, 'capture');
      await page.keyboard.press('l');
      await expect(page.getByText(/Take 1 logged: .* the card alone, no frame measured/)).toBeVisible();
      await told(page);
      await expect(verdict(page, 'card')).toContainText('Card where planned');
      await page.keyboard.press('l');
      await expect(page.getByText(/Take 2 logged: .* second.png/)).toBeVisible();
    });
  });

  test('in the middle of a clip: played, stepped, judged whole, it is at the same frame again', async ({
    page,
  }) => {
    const frame = encodePicture(TEST_PICTURES.bench(), {
      width: 320,
      height: 180,
      profile: ARCHETYPES.wideLog,
      coding: { bitDepth: 10, range: 'legal' },
      placement: 2 / 3,
      seed: 9,
      greyElectrons: 900,
    });
    const head = y4mHeader(frame, { chroma: '4:2:2', rate: [25, 1] });
    const one = y4mFrame(frame, '4:2:2');
    const buffer = Buffer.concat([Buffer.from(head), ...Array.from({ length: 20 }, () => one)]);
    await visit(page, at('judge'));
    await page
      .getByLabel('Frame file')
      .setInputFiles({ name: 'falls.y4m', mimeType: 'video/x-yuv4mpeg', buffer });
    await expect(page.locator('.picture h2')).toHaveText('falls.y4m');
    const stands = page.locator('[data-frame]');
    await stands.waitFor();
    for (const n of ['1', '2']) {
      await page.keyboard.press('.');
      await expect(stands).toHaveAttribute('data-frame', n);
    }
    await test.step('judged whole', async () => {
      await endAt(page, 'survey');
      await page.getByRole('button', { name: 'Judge clip' }).click();
      await told(page);
      await expect(stands).toHaveAttribute('data-frame', '2');
      await page.getByRole('button', { name: 'Judge clip' }).click();
      await expect(page.getByRole('button', { name: 'Worst' })).toBeVisible();
    });
    await test.step('stepped', async () => {
      await endAt(page, 'seek');
      await page.keyboard.press('.');
      await told(page);
      await expect(stands).toHaveAttribute('data-frame', '2');
      await page.keyboard.press('.');
      await expect(stands).toHaveAttribute('data-frame', '3');
    });
    await test.step('played', async () => {
      await endAt(page, 'seek');
      await page.keyboard.press('p');
      await told(page);
      await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
      await page.keyboard.press('p');
      await expect(stands).toHaveAttribute('data-frame', '19');
    });
  });

  test('in the middle of the simulated camera’s jobs: its scene stands again, its buttons are free', async ({
    page,
  }) => {
    await visit(page, at('judge'));
    await expect.poll(() => inked(page, picture), { timeout: 30_000 }).toBeGreaterThan(10_000);
    for (const job of ['expose', 'clip', 'scene'])
      await test.step(job, async () => {
        await endAt(page, job);
        if (job === 'expose')
          await page.getByRole('spinbutton', { name: 'ISO', exact: true }).press('ArrowUp');
        if (job === 'clip') await page.locator('.camera-foot').getByLabel('Clip').click();
        if (job === 'scene') await page.getByLabel('Stand before a scene').selectOption('packing-yard');
        await told(page);
        await expect.poll(() => inked(page, picture), { timeout: 30_000 }).toBeGreaterThan(10_000);
      });
    const before = await printOf(page, picture);
    await page.getByLabel('Stand before a scene').selectOption('dunes');
    await expect.poll(() => printOf(page, picture), { timeout: 30_000 }).not.toBe(before);
  });

  test('in the middle of a feed: the device is let go and said to be, and can be chosen again', async () => {
    const frame = encodePicture(TEST_PICTURES.bench(), {
      width: 320,
      height: 180,
      profile: ARCHETYPES.wideLog,
      coding: { bitDepth: 8, range: 'legal' },
      placement: 2 / 3,
      seed: 9,
      greyElectrons: 900,
    });
    const played = join(mkdtempSync(join(tmpdir(), 'candelum-feed-')), 'camera.y4m');
    const head = y4mHeader(frame, { chroma: '4:2:0', rate: [25, 1] });
    writeFileSync(played, Buffer.concat([Buffer.from(head), y4mFrame(frame, '4:2:0')]));
    const { browser, page } = await openWithDevice(played);
    try {
      await page.addInitScript(endsWhenAsked);
      await visit(page, at('judge'));
      const choose = async () => {
        await page.getByRole('button', { name: 'Device' }).click();
        await page.getByRole('button', { name: 'Any video input' }).click();
      };
      for (const job of ['feed', 'feedNext'])
        await test.step(job, async () => {
          if (job === 'feed') await endAt(page, job);
          await choose();
          if (job === 'feedNext') {
            await expect(page.locator('.transport')).toContainText(/left out/);
            await endAt(page, job);
          }
          await expect(notice(page)).toContainText('was ended by the browser');
          await close(page);
        });
      await choose();
      await expect(page.locator('.transport')).toContainText(/left out/);
      await expect.poll(() => inked(page, picture)).toBeGreaterThan(10_000);
    } finally {
      await browser.close();
    }
  });
});
