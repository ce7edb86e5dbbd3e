import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { parseCubeFile } from '../src/core/formats/cube.ts';
import { compileLut } from '../src/core/lut/lut.ts';
import { parseTakesJson } from '../src/store/exports/takesJson.ts';
import {
  cell,
  expect,
  frameFile,
  inked,
  markCard,
  openFile,
  openPart,
  printOf,
  reloaded,
  setCell,
  stored,
  test,
  verdict,
  visit,
} from './fixtures.ts';

/** Takes of this test among the demo's. */
const benchTakes = (page: Page) => page.locator('.take').filter({ hasText: 'Bench interview' });
const benchTake = (page: Page, number: number) =>
  page.locator(`[data-take="${number}"]`).filter({ hasText: 'Bench interview' });

test('the whole path: kit, plan, judge, log, crash, hand-off', async ({ page, context }) => {
  await test.step('the demo shoot is there, chosen in the card and in the URL', async () => {
    await visit(page, '/');
    await expect(page).toHaveURL(/\/plan/);
    await page.locator('.chooser').click();
    const setups = page.getByLabel('Set-up', { exact: true });
    await expect(setups.locator('option')).toHaveCount(7);
    await setups.selectOption({ label: '2 Bench interview' });
    await page.keyboard.press('Escape');
    await expect(page).toHaveURL(/setup=bench-interview/);
    await expect(page.locator('.chooser')).toContainText('Bench interview');
    await expect(cell(page, 'profile')).toHaveText('wide log');
  });

  await test.step('kit: a profile from typed anchors; ladder and card follow', async () => {
    await page.keyboard.press('1');
    await expect(page).toHaveURL(/\/kit\?shoot=salt-and-fire&setup=bench-interview&camera=a-cam/);
    const rungAt0 = page.locator('.rung-grey .rung-reading');
    await expect(rungAt0).toHaveText('41');
    await page.getByLabel('Name', { exact: true }).fill('Paper log');
    await page.getByLabel('18 %', { exact: true }).fill('38');
    await page.getByLabel('90 %', { exact: true }).fill('58');
    await expect(rungAt0).toHaveText('38');
    await expect(page.locator('.anchor-answer')).toContainText('Fits within');
    await expect(page.getByLabel('clip', { exact: true })).toHaveValue('');
    await expect(page.locator('.zebra-figures .taken td').nth(1)).toHaveText(/^4\d±2$/);
    await page.getByRole('button', { name: 'Save and use on A-cam' }).click();
    await expect(cell(page, 'profile')).toHaveText('Paper log');
    await expect(rungAt0).toHaveText('38');
    await page.keyboard.press('Control+z');
    await expect(cell(page, 'profile')).toHaveText('wide log');
    await page.keyboard.press('Control+Shift+z');
    await expect(cell(page, 'profile')).toHaveText('Paper log');
    await page.locator('.profile-chips').getByRole('button', { name: 'wide log' }).click();
    await expect(cell(page, 'profile')).toHaveText('wide log');
  });

  await test.step('kit: the other ways in count what is typed; a bracket leaves out what lies off', async () => {
    const ways = page.getByRole('radiogroup', { name: 'Way in' });
    await ways.getByText('Bracket').click();
    const filmed = {
      '−4': 12,
      '−3': 17.5,
      '−2': 24.4,
      '−1': 32.2,
      '0': 40.6,
      '+1': 56,
      '+2': 58.1,
      '+3': 67,
      '+4': 76,
    };
    for (const [stops, reading] of Object.entries(filmed))
      await page.getByLabel(`Reading at ${stops}`, { exact: true }).fill(String(reading));
    await expect(page.locator('.anchor-answer')).toContainText(
      'The reading at +1 lies off all others and was left out.',
    );
    await expect(cell(page, 'profile')).toHaveText('A-cam log…');
    await ways.getByText('Table').click();
    await expect(cell(page, 'profile')).toHaveText('wide log');
    await page.getByLabel('Table or curve file').setInputFiles({
      name: 'curve.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(
        'stops;percent\r\n-6;5,6\r\n-4;12,1\r\n-2;24,4\r\n0;40,6\r\n2;58,1\r\n4;76\r\n6;94\r\n',
      ),
    });
    await expect(page.locator('.anchor-answer')).toContainText('Clip at +6.0');
    await page.getByRole('button', { name: 'Save and use on A-cam' }).click();
    await expect(cell(page, 'profile')).toHaveText('A-cam log');
    await expect(page.locator('.rung-grey .rung-reading')).toHaveText('41');
    await page.keyboard.press('Control+z');
    await expect(cell(page, 'profile')).toHaveText('wide log');
  });

  await test.step('plan: the card’s cells; zebras computed and rounded', async () => {
    await page.keyboard.press('2');
    await openPart(page, 'By thirds');
    await setCell(page, 'iso', '1600');
    await expect(cell(page, 'iso')).toHaveText('1600');
    await expect(page.getByText('1.0 over base 800')).toBeVisible();
    await setCell(page, 'iso', '800  base');
    await setCell(page, 'shutter', '90°  1/100 s');
    await setCell(page, 'iris', 'f/2.8');
    await setCell(page, 'nd', 'ND 0.3  squares');
    await page.locator('.cell[data-cell="kelvin"]').click();
    await page.locator('.cell-popover').getByRole('textbox', { name: 'White bal.' }).fill('5200');
    await page.locator('.cell-popover').getByRole('button', { name: 'Tint less' }).click();
    await page.keyboard.press('Escape');
    await expect(cell(page, 'kelvin')).toHaveText('5200 K −1');
    await page.locator('.placements').getByRole('button', { name: '+1', exact: true }).click();
    await expect(cell(page, 'card')).toHaveText('49±2');
    await expect(cell(page, 'skin')).toHaveText('60 / 51');
    await expect(cell(page, 'warning')).toHaveText('90+');
    await expect(cell(page, 'monitor')).toHaveText('pull −1');
  });

  await test.step('judge: a file from disk, the card marked, verdicts with number, place and remedy', async () => {
    await page.keyboard.press('3');
    await expect(page.locator('.picture h2')).toHaveText('Bench interview');
    await openFile(page, 'bench_004.png', frameFile('bench', { placement: 0, plainCodes: true }));
    await expect(page.locator('.picture h2')).toHaveText('bench_004.png');
    await page.getByRole('button', { name: '10-bit', exact: true }).click();
    await expect(page.getByLabel('How the samples are read')).toHaveValue('codes10');
    await page.keyboard.press('Escape');
    await expect(page.locator('.verdict-hint')).toBeVisible();
    await markCard(page, 'bench');
    await expect(verdict(page, 'card')).toContainText('Card under the plan');
    await expect(verdict(page, 'card')).toContainText(/planned \+1\. Open 1 stop/);
    await expect(verdict(page, 'under')).toContainText('Under-exposed');
    await expect(verdict(page, 'under')).toContainText(/Open 1/);
    await expect(verdict(page, 'clip-all')).toBeVisible();
    await verdict(page, 'card').getByRole('button').click();
    await expect(page.locator('.highlight')).toBeVisible();
    await expect(verdict(page, 'card')).toContainText('through the profile');
    expect(await page.locator('.ladder-box svg > rect').count()).toBeGreaterThan(20);
  });

  await test.step('judge: waveform, zebra, false colour, contours, monitoring view', async () => {
    await expect.poll(() => inked(page, '.scope-first canvas')).toBeGreaterThan(2000);
    const stops = await printOf(page, '.scope-first canvas');
    await page.getByRole('radiogroup', { name: 'Scope scale' }).getByText('%', { exact: true }).click();
    await expect.poll(() => printOf(page, '.scope-first canvas')).not.toBe(stops);
    const seen = new Set<number>();
    const look = async (act: () => Promise<void>) => {
      const before = await page.locator('.picture-sheet').getAttribute('data-painted');
      await act();
      await expect(page.locator('.picture-sheet')).not.toHaveAttribute('data-painted', before ?? '');
      seen.add(await printOf(page, '.picture canvas'));
    };
    const view = page.getByRole('radiogroup', { name: 'View' });
    await look(() => view.getByText('Stops').click());
    await look(() => page.getByRole('button', { name: 'Contours' }).click());
    await look(() => view.getByText('Codes').click());
    await look(() => view.getByText('Monitor').click());
    await look(() => page.getByRole('button', { name: 'Card', exact: true }).click());
    await look(() => page.getByRole('button', { name: 'Warn', exact: true }).click());
    expect(seen.size).toBe(6);
    await expect(page).toHaveURL(/contours=true/);
  });

  await test.step('judge: a frame dropped in, as shot a stop brighter, holds', async () => {
    const bytes = frameFile('bench', { placement: 1 }).toString('base64');
    const transfer = await page.evaluateHandle((text) => {
      const data = Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
      const list = new DataTransfer();
      list.items.add(new File([data], 'bench_005.png', { type: 'image/png' }));
      return list;
    }, bytes);
    await page.locator('.picture').dispatchEvent('drop', { dataTransfer: transfer });
    await expect(page.locator('.picture h2')).toHaveText('bench_005.png');
    await markCard(page, 'bench');
    await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'holds');
  });

  await test.step('log: one key; notes; survives a reload', async () => {
    await page.keyboard.press('l');
    await expect(page.getByText('Take 1 logged: Bench interview, A-cam, bench_005.png.')).toBeVisible();
    await page.keyboard.press('4');
    const take = benchTake(page, 1);
    await expect(take).toContainText('wide log · ISO 800');
    await expect(take).toContainText('found +1.0');
    await expect(take.locator('img.thumb')).toBeVisible();
    await take.getByLabel('Notes of take 1').fill('window key, "good", keep');
    await take.getByLabel('Circle take 1').click();
    await reloaded(page);
    await expect(benchTake(page, 1).getByLabel('Notes of take 1')).toHaveValue('window key, "good", keep');
  });

  await test.step('log: the card stays as it was when the plan moves on; a crash loses nothing', async () => {
    await page.keyboard.press(']');
    await expect(cell(page, 'placement')).toHaveText('+1 1/3');
    await page.keyboard.press('l');
    await expect(page.getByText(/Take 2 logged: .* the card alone/)).toBeVisible();
    await stored(page);
    await page.goto('chrome://crash').catch(() => undefined);
    const after = await context.newPage();
    await visit(after, '/log?shoot=salt-and-fire&setup=bench-interview&camera=a-cam');
    await expect(benchTakes(after)).toHaveCount(2);
    await expect(benchTake(after, 1)).toContainText('plan +1, found +1.0');
    await expect(benchTake(after, 2)).toContainText('plan +1 1/3');
    await expect(benchTake(after, 1).getByLabel('Notes of take 1')).toHaveValue('window key, "good", keep');

    await benchTake(after, 2).getByRole('button', { name: 'Delete take 2' }).click();
    await after.getByRole('dialog').getByRole('button', { name: 'Delete' }).click();
    await expect(benchTakes(after)).toHaveCount(1);
    await after.keyboard.press('Control+z');
    await expect(benchTakes(after)).toHaveCount(2);

    await test.step('hand-off: CSV, JSON, cube with and without the pull, a card to print', async () => {
      await after.keyboard.press('7');
      const save = async (button: RegExp) => {
        const [download] = await Promise.all([
          after.waitForEvent('download'),
          after.getByRole('button', { name: button }).click(),
        ]);
        return { name: download.suggestedFilename(), text: readFileSync(await download.path(), 'utf8') };
      };
      const csv = await save(/CSV/);
      expect(csv.name).toBe('salt-and-fire-log.csv');
      // Head, the demo's eight, these two, and the end of the last line.
      expect(csv.text.split('\r\n')).toHaveLength(1 + 8 + 2 + 1);
      expect(csv.text).toContain('"window key, ""good"", keep"');
      const json = parseTakesJson((await save(/JSON/)).text);
      const ofBench = json.ok ? json.value.takes.filter(({ setupId }) => setupId === 'bench-interview') : [];
      expect(ofBench.map(({ number }) => number).sort()).toEqual([1, 2]);

      const grey = (text: string, signal: number) => {
        const cube = parseCubeFile(text);
        if (!cube.ok) throw new Error(cube.reason);
        const { lut } = cube.value;
        expect(lut.kind === 'cube' && lut.lattice.size).toBe(33);
        return compileLut(lut)([signal, signal, signal])[1];
      };
      const baked = await save(/\.cube/);
      expect(baked.name).toContain('pull-1-1-3');
      await after.getByText('no pull', { exact: true }).click();
      const plain = await save(/\.cube/);
      expect(plain.name).toContain('no-pull');
      // wide log reads grey at 40.57 % and +1 1/3 at 52.2 % of signal; both must land on 45 % of the display.
      expect(grey(plain.text, 0.4057)).toBeCloseTo(0.45, 2);
      expect(grey(baked.text, 0.522)).toBeCloseTo(0.45, 2);
      expect(grey(plain.text, 0.522)).toBeGreaterThan(0.6);

      await after.emulateMedia({ media: 'print' });
      await expect(after.locator('.pocket')).toBeVisible();
      await expect(after.locator('.set-card')).toBeHidden();
      await expect(after.locator('.handoff-files')).toBeHidden();
      await expect(after.locator('.pocket')).toContainText('52±2');
      expect(
        (await after.pdf({ preferCSSPageSize: true })).toString('latin1').match(/\/Type \/Page\b/g),
      ).toHaveLength(1);
    });
  });
});
