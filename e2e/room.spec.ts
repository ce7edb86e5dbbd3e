import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { at, openWithThreeDevices, stored, visit } from './fixtures.ts';

const ROOM = `${at('match', 'open-evening').replace('a-cam', 'hall-2')}&part=room`;
const tile = (page: Page, id: string) => page.locator(`[data-input="${id}"]`);
const state = (page: Page, id: string) => tile(page, id).locator('.room-state');
const shown = async (page: Page, id: string) =>
  Number(await tile(page, id).locator('[data-shown]').getAttribute('data-shown'));

/** Drags a rectangle onto an input's picture, in shares of it. */
const drag = async (page: Page, id: string, [x, y]: readonly [number, number]) => {
  const marks = tile(page, id).locator('.match-marks');
  await marks.scrollIntoViewIfNeeded();
  const box = (await marks.boundingBox())!;
  const to = (dx: number, dy: number) =>
    [box.x + (x + dx) * box.width, box.y + (y + dy) * box.height] as const;
  await page.mouse.move(...to(0, 0));
  await page.mouse.down();
  await page.mouse.move(...to(0.06, 0.08), { steps: 3 });
  await page.mouse.up();
};

test('two devices run side by side; one that is pulled is told, the other goes on, and it is had again', async () => {
  const { browser, page } = await openWithThreeDevices();
  try {
    // The tracks are kept at hand: nobody can pull a plug here.
    await page.addInitScript(() => {
      const tracks: MediaStreamTrack[] = [];
      Object.assign(window, { tracks });
      const real = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
      navigator.mediaDevices.getUserMedia = async (wanted) => {
        const stream = await real(wanted);
        tracks.push(...stream.getVideoTracks());
        return stream;
      };
    });
    await visit(page, ROOM);
    for (const [camera, device] of [
      ['Hall 1', 'fake_device_0'],
      ['Hall 2', 'fake_device_2'],
    ] as const) {
      await page
        .getByRole('figure')
        .filter({ hasText: camera })
        .getByRole('button', { name: 'Source' })
        .click();
      const sources = page.getByRole('dialog', { name: `Source of ${camera}` });
      await sources.getByRole('button', { name: 'Look for devices' }).click();
      await sources.getByRole('button', { name: device }).click();
    }
    for (const id of ['hall-1', 'hall-2']) {
      await expect(state(page, id)).toContainText('8-bit 4:2:0', { timeout: 30_000 });
      await expect.poll(() => shown(page, id), { timeout: 20_000 }).toBeGreaterThan(20);
    }
    await page.getByLabel('Mark', { exact: true }).selectOption({ label: 'Wall' });
    await drag(page, 'hall-1', [0.05, 0.05]);
    await expect(tile(page, 'hall-1').getByRole('button', { name: 'Wall on Hall 1' })).toBeVisible();
    await page.getByLabel('Mark', { exact: true }).selectOption({ value: '= Wall' });
    await drag(page, 'hall-2', [0.05, 0.05]);
    // These pictures have no blue in them.
    await expect(page.locator('.room-says')).toContainText('Nothing that is marked can be compared', {
      timeout: 20_000,
    });
    await page.evaluate(() => (window as unknown as { tracks: MediaStreamTrack[] }).tracks[0].stop());
    await expect(state(page, 'hall-1').getByRole('status')).toContainText(
      /gives no more pictures|No picture/,
      {
        timeout: 20_000,
      },
    );
    const before = await shown(page, 'hall-2');
    await expect.poll(() => shown(page, 'hall-2')).toBeGreaterThan(before);
    await expect(tile(page, 'hall-1').locator('[data-shown]')).toBeVisible({ timeout: 30_000 });
    await expect(page.getByRole('table', { name: 'What happened' })).toContainText('Gives pictures');
  } finally {
    await browser.close();
  }
});

test('the stage’s evening: a moment is kept, a lamp fails, it is told and seen, and stands in the log', async ({
  page,
}) => {
  await visit(page, ROOM);
  await expect(page.locator('.room-says')).toContainText('ΔE', { timeout: 30_000 });
  // Late, when the sky is gone: what changes then is the lamp.
  await page.getByRole('button', { name: /Go to “The lamp fails”/ }).click();
  await page.waitForTimeout(3000);
  await page.getByRole('button', { name: 'Keep this moment' }).click();
  const alarms = page.getByLabel('Alarms');
  await expect(alarms).toContainText('All quiet');
  await expect(alarms).toContainText(/Hall 1: Light −0\.\d+ stop/, { timeout: 60_000 });
  await expect(alarms).toContainText('the light’s');
  await expect(alarms.getByRole('button', { name: 'Seen' })).toBeVisible();
  await page.keyboard.press('a');
  await expect(alarms.getByRole('button', { name: 'Seen' })).toBeHidden();
  const log = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Log as CSV' }).click();
  expect(readFileSync(await (await log).path(), 'utf8')).toMatch(
    /Hall 1,drift,Light −0\.\d+ stop: the light’s/,
  );
  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Sheet as PDF' }).click();
  expect(
    readFileSync(await (await pdf).path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  // What was kept is there again.
  await page.reload();
  await expect(page.getByLabel('Alarms')).toContainText('Held against', { timeout: 30_000 });
  await expect(page.getByRole('table', { name: 'What happened' })).toContainText('Light −0');
});

test('a control is learnt on the running picture, turned by eye; a new face takes one drag', async ({
  page,
}) => {
  await visit(page, ROOM);
  const panel = page.locator('.match-panel');
  await panel.getByLabel('Add a control').selectOption({ label: 'R gain' });
  const line = panel.getByRole('row', { name: /R gain/ });
  await panel.getByRole('button', { name: 'Learn R gain' }).click({ timeout: 30_000 });
  await panel.getByRole('button', { name: /^Turn it by/ }).click({ timeout: 30_000 });
  await panel.getByRole('button', { name: 'Measure' }).click({ timeout: 30_000 });
  await expect(line).toContainText('R +0.02 stop', { timeout: 30_000 });
  await expect(panel.locator('.panel-learn')).toContainText('straight');
  await panel.getByRole('button', { name: /^Turn it by/ }).click();
  await panel.getByRole('button', { name: 'Measure' }).click({ timeout: 30_000 });
  await expect(line).toContainText('straight', { timeout: 30_000 });
  const stands = panel.getByLabel('R gain stands at');
  const before = Number(await stands.inputValue());
  await page.getByRole('button', { name: 'A step down' }).click();
  await expect(stands).toHaveValue(String(before - 1));
  await page.getByLabel('Mark', { exact: true }).selectOption({ label: 'New face' });
  await drag(page, 'hall-1', [0.5, 0.44]);
  const faces = page.getByRole('table', { name: 'Who speaks' });
  await expect(faces.getByRole('row', { name: /Face 1, Speaks now/ })).toContainText('as it was', {
    timeout: 30_000,
  });
  await page.getByLabel('New position of Hall 2').fill('Choir');
  await page.getByRole('button', { name: 'Add', exact: true }).nth(1).click();
  await expect(page.getByLabel('Position of Hall 2', { exact: true })).toHaveValue('choir');
  await stored(page);
  await page.reload();
  await expect(page.getByLabel('Position of Hall 2', { exact: true })).toHaveValue('choir');
  await expect(panel.getByRole('row', { name: /R gain/ })).toContainText('R +0.02 stop');
});
