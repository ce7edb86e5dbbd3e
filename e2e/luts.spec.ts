import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { writeCube, writeCubeFile } from '../src/core/formats/cube.ts';
import { openLut } from '../src/core/formats/openLut.ts';
import { sampleLattice } from '../src/core/lut/lattice.ts';
import { UNIT_DOMAIN } from '../src/core/lut/lut.ts';
import { compileNodes } from '../src/core/lut/node.ts';
import { ARCHETYPES, compileProfile } from '../src/core/profile/index.ts';
import {
  cell,
  expect,
  inked,
  openPart,
  printOf,
  reloaded,
  setCell,
  test,
  verdict,
  visit,
} from './fixtures.ts';

const furnace = '/luts?shoot=salt-and-fire&setup=furnace-mouth&camera=a-cam';
const hasOcio = spawnSync('sh', ['-c', 'command -v ociochecklut']).status === 0;
if (process.env.CI && !hasOcio) throw new Error('CI needs opencolorio-tools');

const out = async (page: Page, tone: string) =>
  Number(await page.locator(`[data-tone="${tone}"]`).getAttribute('data-out'));
const picture = '.lut-picture .picture-sheet canvas';
const painted = (page: Page) =>
  expect.poll(() => inked(page, picture), { timeout: 30_000 }).toBeGreaterThan(10_000);
const under = (page: Page, name: string) =>
  page.getByRole('radiogroup', { name: 'Under the picture' }).getByText(name, { exact: true }).click();
const write = async (page: Page): Promise<string> => {
  const [file] = await Promise.all([page.waitForEvent('download'), page.locator('.lut-file').click()]);
  return readFileSync(await file.path(), 'utf8');
};
const cubeFile = (name: string, text: string) => ({
  name,
  mimeType: 'text/plain',
  buffer: Buffer.from(text),
});

test('a LUT for the furnace with pull 1, exported, says the same in OpenColorIO', async ({ page }) => {
  await visit(page, furnace);
  await painted(page);
  await expect(cell(page, 'placement')).toHaveText('+1');
  await expect(page.getByRole('combobox', { name: 'Pull' })).toHaveValue('plan');
  const [card, skin, clip] = [await out(page, 'card'), await out(page, 'skin-ana'), await out(page, 'clip')];
  expect(card).toBeCloseTo(0.45, 4);
  expect(skin).toBeGreaterThan(0.6);
  expect(clip).toBeCloseTo(1, 3);

  await under(page, 'File');
  await expect(page.locator('.lut-losses [data-size="65"]')).toBeVisible({ timeout: 60_000 });
  const worst = await page.locator('.lut-losses [data-shaped="false"] td:nth-child(4)').allTextContents();
  expect(worst).toHaveLength(3);
  expect(worst.map(Number)).toEqual(worst.map(Number).toSorted((a, b) => b - a));
  const profile = compileProfile(ARCHETYPES.wideLog);
  const folder = mkdtempSync(join(tmpdir(), 'candelum-luts-'));
  for (const format of ['.cube', 'CLF']) {
    await page.getByRole('combobox', { name: 'Format' }).selectOption({ label: format });
    const text = await write(page);
    await expect(page.locator('.lut-bake [role="status"]')).toContainText('built in');
    for (const words of ['wide log', '-1.000 stops', 'BT.2020 to BT.709', 'legal'])
      expect(text).toContain(words);
    const file = join(folder, `furnace.${format === 'CLF' ? 'clf' : 'cube'}`);
    writeFileSync(file, text);
    const read = openLut(text);
    if (!read.ok) throw new Error(read.reason);
    const mine = compileNodes(read.value.nodes);
    for (const [stops, wanted] of [
      [1, card],
      [2.2, skin],
      [6, clip],
    ] as const) {
      const v = profile.signalAt(stops);
      expect(Math.abs(mine([v, v, v])[1] - wanted)).toBeLessThan(0.01);
      if (!hasOcio) continue;
      const printed = execFileSync('ociochecklut', [file, ...[v, v, v].map((x) => x.toFixed(9))], {
        encoding: 'utf8',
      });
      const theirs = printed.trim().split('\n').at(-1)?.trim().split(/\s+/).map(Number) ?? [];
      expect(theirs).toHaveLength(3);
      theirs.forEach((x, c) => expect(Math.abs(x - mine([v, v, v])[c])).toBeLessThan(1 / 1023));
      expect(Math.abs(theirs[1] - wanted)).toBeLessThan(0.01);
    }
  }
  rmSync(folder, { recursive: true });
});

test('sliders, presets and outputs answer on table, ladder and picture; a LUT goes onto a monitor', async ({
  page,
}) => {
  await visit(page, furnace);
  await painted(page);

  await test.step('a slider moves its tone and leaves grey', async () => {
    const before = await printOf(page, picture);
    const white = await out(page, 'white');
    await page.getByRole('slider', { name: 'Shoulder' }).focus();
    for (let i = 0; i < 12; i += 1) await page.keyboard.press('ArrowRight');
    await expect.poll(() => out(page, 'white')).toBeLessThan(white);
    expect(await out(page, 'card')).toBeCloseTo(0.45, 4);
    await expect.poll(() => printOf(page, picture)).not.toBe(before);
    const moved = await out(page, 'white');
    await page.keyboard.press('Control+z');
    await expect.poll(() => out(page, 'white')).toBeGreaterThan(moved);
    const kept = await out(page, 'white');
    await reloaded(page);
    await painted(page);
    await expect.poll(() => out(page, 'white')).toBeCloseTo(kept, 5);
    await page.getByRole('slider', { name: 'Shoulder' }).focus();
    await page.keyboard.press('Delete');
    await expect.poll(() => out(page, 'white')).toBeCloseTo(white, 4);
    await expect(page.locator('.ladder-laid path')).toBeVisible();
    await page.getByRole('button', { name: 'Curve', exact: true }).click();
    const curve = page.locator('.lut-over path').last();
    const line = await curve.getAttribute('d');
    await page.getByRole('radiogroup', { name: 'Tone scale' }).getByText('firm').click();
    await expect(curve).not.toHaveAttribute('d', line ?? '');
    await page.keyboard.press('Control+z');
    await expect(curve).toHaveAttribute('d', line ?? '');
  });

  await test.step('HDR shows cd/m2, grey at 26', async () => {
    await page.getByRole('radiogroup', { name: 'Output' }).getByText('PQ').click();
    await expect(page.locator('[data-tone="card"] td').last()).toHaveText('26');
    await expect(page.locator('.lut-note')).toContainText('203');
    await page.getByRole('radiogroup', { name: 'Output' }).getByText('BT.1886').click();
  });

  await test.step('without the pull it goes onto the cart monitor: card and Judge say so', async () => {
    await page.getByRole('combobox', { name: 'Pull' }).selectOption({ label: 'no pull' });
    await under(page, 'Kit and monitors');
    await page.getByLabel('Name of the LUT').fill('Furnace without pull');
    await page
      .locator('.lut-monitors li')
      .filter({ hasText: 'Cart monitor' })
      .getByRole('button', { name: 'Put on' })
      .click();
    const monitor = page.locator('.cell[data-cell="monitor"]');
    await expect(monitor).toContainText('Furnace without pull');
    await expect(cell(page, 'monitor')).toHaveText('no pull');
    await page.keyboard.press('3');
    await expect(verdict(page, 'monitorPlan')).toContainText('LUT with another pull', { timeout: 30_000 });
    await expect(verdict(page, 'monitorPlan')).toHaveAttribute('data-state', 'watch');
    await reloaded(page);
    await expect(cell(page, 'monitor')).toHaveText('no pull');
    await setCell(page, 'monitor', 'computed, pull of the card');
    await expect(cell(page, 'monitor')).toHaveText('pull −1');
    await expect(verdict(page, 'monitorPlan')).toHaveCount(0);
  });
});

test('a LUT is inspected, kept, combined and compared; what is none is named', async ({ page }) => {
  await visit(page, furnace);
  await painted(page);
  await openPart(page, 'Inspect');
  await expect(verdict(page, 'feed')).toHaveAttribute('data-state', 'holds', { timeout: 30_000 });

  await test.step('a look from a file, fed log', async () => {
    const look = sampleLattice(17, ([r, g, b]) => [r ** 1.2, g ** 1.2, b ** 1.1]);
    await page
      .getByLabel('LUT file')
      .setInputFiles(cubeFile('warm.cube', writeCube(look, { title: 'Warm', comments: ['by hand'] })));
    await expect(verdict(page, 'feed')).toContainText('Made for another kind of picture', {
      timeout: 30_000,
    });
    await expect(verdict(page, 'feed')).toContainText('a display picture');
    await expect(verdict(page, 'neutral')).toHaveAttribute('data-state', 'watch');
    await expect(page.locator('.lut-zebras')).toContainText('Card');
    await verdict(page, 'feed').getByRole('button').click();
    await expect(verdict(page, 'feed')).toContainText('kind, by the grey axis');
  });

  await test.step('bad files are named with their line and change nothing', async () => {
    for (const [name, text, says] of [
      ['rows.cube', 'LUT_3D_SIZE 2\n0 0 0\n', 'asks for 8'],
      ['big.cube', 'LUT_3D_SIZE 257\n', 'from 2 to 129'],
      ['nan.cube', 'LUT_1D_SIZE 2\n0 0 0\nnan 0 0\n', 'three finite numbers'],
      ['odd.clf', '<ProcessList id="a"><Twirl/></ProcessList>', 'Twirl'],
    ] as const) {
      await page.getByLabel('LUT file').setInputFiles(cubeFile(name, text));
      await expect(page.locator('.notice-bad')).toContainText(name);
      await expect(page.locator('.notice-bad')).toContainText(says);
    }
    await expect(page.getByRole('combobox', { name: 'LUT', exact: true })).toHaveValue('opened');
  });

  await test.step('kept in the kit it is there after a reload', async () => {
    await page.getByRole('button', { name: 'Keep' }).click();
    await expect(page.getByRole('button', { name: /^Delete LUT / })).toBeVisible();
    await reloaded(page);
    await painted(page);
    await page.getByRole('combobox', { name: 'LUT', exact: true }).selectOption({ label: 'Warm' });
    await expect(verdict(page, 'feed')).toContainText('Made for another kind of picture', {
      timeout: 30_000,
    });
  });

  await test.step('a chain: pull, conversion, look at 50 %, as CLF; the pull alone as a CDL', async () => {
    await openPart(page, 'Combine and bake');
    await page.getByRole('slider', { name: 'Pull or push' }).focus();
    await page.keyboard.press('ArrowLeft');
    await page.getByRole('combobox', { name: 'Look' }).selectOption({ label: 'Warm' });
    await expect.poll(() => out(page, 'card')).toBeLessThan(0.42);
    await under(page, 'Bake');
    await page.getByRole('combobox', { name: 'Format' }).selectOption({ label: 'CLF' });
    expect(await write(page)).toContain('Look: Warm at 50 %');
    await page.getByRole('button', { name: 'Keep in the kit' }).click();
    await expect(page.locator('.lut-bake [role="status"]')).toHaveText('Kept, 33 points.');
    await expect(page.getByRole('combobox', { name: 'Conversion' })).toContainText('wide log, chain −1/3');
    await page.getByRole('combobox', { name: 'Format' }).selectOption({ label: '.ccc' });
    await page.locator('.lut-file').click();
    await expect(page.locator('.lut-bake [role="status"]')).toContainText('A CDL can say the pull alone');
    await page.getByRole('combobox', { name: 'Look' }).selectOption({ label: 'none' });
    await page
      .getByRole('combobox', { name: 'Conversion' })
      .selectOption({ label: 'none: stays as recorded' });
    const read = openLut(await write(page));
    expect(read.ok && read.value.nodes[0].kind).toBe('cdl');
  });

  await test.step('a 1D file is turned round', async () => {
    const curve = Float32Array.from({ length: 65 }, (_, i) => (i / 64) ** 2);
    await page
      .getByLabel('LUT file for the chain')
      .setInputFiles(
        cubeFile(
          'square.cube',
          writeCubeFile(
            { kind: 'curves', domain: UNIT_DOMAIN, curves: [curve, curve, curve] },
            { title: 'square', comments: [] },
          ),
        ),
      );
    await page.getByRole('combobox', { name: 'Conversion' }).selectOption({ label: 'square.cube' });
    const before = await out(page, 'card');
    await page.getByRole('button', { name: 'Turned round' }).click();
    await expect.poll(() => out(page, 'card')).toBeGreaterThan(before);
  });

  await test.step('two are compared on picture, stops and cube', async () => {
    await openPart(page, 'Compare');
    await expect(page.locator('.lut-map')).toBeVisible({ timeout: 30_000 });
    await expect(page.locator('.luts-picture .quiet').first()).toContainText('ΔE2000 mean');
    await expect.poll(() => inked(page, '.wipe canvas')).toBeGreaterThan(10_000);
    await page.getByRole('combobox', { name: 'B as' }).selectOption({ label: '33 points trilinear' });
    await expect(page.getByRole('combobox', { name: 'B as' })).toHaveValue(':33:trilinear');
    const wipe = page.getByRole('slider', { name: 'Wipe to B' });
    await wipe.focus();
    await page.keyboard.press('ArrowRight');
    await expect(wipe).toHaveAttribute('aria-valuenow', '52');
  });

  await test.step('the order of a correction is seen and told', async () => {
    await openPart(page, 'Order matters');
    await expect(page.locator('[data-order-verdict]')).toContainText('Done after', { timeout: 30_000 });
    await expect.poll(() => inked(page, '.lut-way:first-child .lut-scope canvas')).toBeGreaterThan(1000);
    await page.getByRole('slider', { name: 'Exposure' }).focus();
    await page.keyboard.press('Delete');
    await expect(page.locator('[data-order-verdict]')).toContainText('Nothing to put right');
  });
});
