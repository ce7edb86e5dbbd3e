// The clips of a card through the interface: chosen, looked at, paired; what is broken costs only itself.
import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { at, expect, stored, test, visit } from './fixtures.ts';

/** A folder as a camera leaves it: two takes of the demo, a false start, spoilt files, and one that is no clip. */
const card = (): string => {
  const folder = join(mkdtempSync(join(tmpdir(), 'card-')), 'CARD');
  mkdirSync(folder);
  const clip = (name: string, start: string, seconds: number, grey: number) => {
    const made = spawnSync('ffmpeg', [
      ...[
        '-v',
        'error',
        '-y',
        '-f',
        'lavfi',
        '-i',
        `color=0x${grey.toString(16).repeat(3)}:s=320x180:r=25:d=${seconds}`,
      ],
      ...['-vf', 'noise=alls=12:allf=t,format=yuv420p10le', '-c:v', 'libx264', '-preset', 'ultrafast'],
      ...['-timecode', '09:00:00:00', '-metadata', `creation_time=${start}`, join(folder, name)],
    ]);
    if (made.status !== 0) throw new Error(made.stderr.toString());
  };
  // Takes of the demo were logged at 07:20 and 07:41; this clock is two hours ahead.
  clip('C0101.mov', '2026-04-14T09:19:44Z', 14, 0x70);
  clip('C0102.mov', '2026-04-14T09:40:20Z', 2, 0x70);
  clip('C0103.mov', '2026-04-14T09:40:40Z', 16, 0x70);
  copyFileSync(join(folder, 'C0103.mov'), join(folder, 'C0104.mov'));
  truncateSync(join(folder, 'C0104.mov'), 1200);
  writeFileSync(join(folder, 'C0105.mov'), '');
  writeFileSync(join(folder, `🎬${'é'.repeat(90)}.mov`), 'not a clip at all');
  writeFileSync(join(folder, 'INDEX.XML'), '<card/>');
  return folder;
};

const line = (name: string) => `tr[data-clip="${name}"]`;

test.describe.configure({ timeout: 120_000 });

test('a card is taken in, looked at and paired; broken clips cost only themselves', async ({ page }) => {
  // The demo's clips would be the takes' already.
  await visit(page, at('log', 'furnace-mouth'));
  await page.getByRole('tab', { name: 'Clips' }).click();
  await expect(page.locator('.clip-table tbody tr')).toHaveCount(8);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const open = indexedDB.open('candelum');
        open.onsuccess = () => {
          const clear = open.result.transaction('clips', 'readwrite');
          clear.objectStore('clips').clear();
          clear.oncomplete = () => resolve();
        };
      }),
  );
  await page.reload();
  await expect(page.getByText('No clip yet')).toBeVisible();
  await page.getByLabel('Folder of clips').setInputFiles(card());
  await expect(page.locator(line('C0103.mov'))).toHaveAttribute('data-state', 'fine', { timeout: 60_000 });
  await expect(page.getByText('1 other file left out.')).toBeVisible();
  // Found by when they were logged; the false start has none.
  await expect(page.locator(line('C0101.mov'))).toContainText('Furnace mouth 1');
  await expect(page.locator(line('C0103.mov'))).toContainText('Furnace mouth 2');
  await expect(page.locator(line('C0102.mov'))).toHaveAttribute('data-state', 'noTake');
  await expect(page.locator(line('C0103.mov'))).toContainText('16 s · 09:00:00:00');
  await expect(page.getByRole('button', { name: /Clock of A-cam \+1:59/ })).toBeVisible();
  for (const name of ['C0104.mov', 'C0105.mov', `🎬${'é'.repeat(90)}.mov`])
    await expect(page.locator(line(name))).toHaveAttribute('data-state', 'leftOut');
  await expect(page.getByText(/6 clips, .*3 left out/)).toBeVisible();

  // The take is said otherwise by hand, and stays so after the pairing has run again.
  await page.locator(line('C0102.mov')).getByRole('button', { name: 'no take' }).click();
  await page.getByRole('combobox', { name: 'Take of C0102.mov' }).selectOption('demo-packing-yard-a-cam-1');
  await expect(page.locator(line('C0102.mov'))).toContainText('Packing yard at noon 1');
  await page.getByRole('button', { name: 'Circle C0103.mov', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Circle C0103.mov', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );

  // A clock set by hand moves the pairs; read from the log again they come back.
  await page.getByRole('button', { name: /Clock of A-cam/ }).click();
  await page.getByLabel('Camera’s clock less ours').fill('nonsense');
  await expect(page.getByText('Type hours, minutes and seconds')).toBeVisible();
  await page.getByLabel('Camera’s clock less ours').fill('+9:00:00');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(page.locator(line('C0103.mov'))).toHaveAttribute('data-state', 'noTake');
  await page.getByRole('button', { name: 'Read it from the log' }).click();
  await expect(page.locator(line('C0103.mov'))).toContainText('Furnace mouth 2');
  await page.keyboard.press('Escape');

  // In Judge the clip opens from its file; marks there are taken to the clips of its set-up.
  await page.getByRole('button', { name: 'Open C0103.mov in Judge' }).click();
  await expect(page.locator('.picture h2')).toHaveText('C0103.mov');

  // After a reload the records are there and the files are not: the same card is nothing new.
  await page.goto(`${at('log', 'furnace-mouth')}&part=clips&clipsAs=sheet`);
  await stored(page);
  await page.reload();
  await expect(page.locator('.sheet-cell')).toHaveCount(6);
  await expect(page.getByRole('button', { name: 'Circle C0103.mov', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByText('Lines', { exact: true }).click();
  await expect(page.getByRole('button', { name: 'Open C0103.mov in Judge' })).toBeDisabled();
  await expect(page.locator(line('C0102.mov'))).toContainText('Packing yard at noon 1');
  await page.getByRole('searchbox', { name: 'Search the clips' }).fill('C0103');
  await expect(page.locator('.clip-table tbody tr')).toHaveCount(1);
});

test('a folder is kept, read again after a reload, and told when it is gone', async ({ page }) => {
  const folder = card();
  const bytes = [...readFileSync(join(folder, 'C0102.mov'))];
  // The browser's own private folder stands in for the one a person would choose.
  await page.addInitScript(() => {
    Object.assign(globalThis, {
      showDirectoryPicker: async () =>
        (await navigator.storage.getDirectory()).getDirectoryHandle('CARD', { create: true }),
    });
  });
  await visit(page, `${at('log', 'dunes')}&part=clips`);
  await page.evaluate(async (content) => {
    const root = await navigator.storage.getDirectory();
    const inner = await (
      await root.getDirectoryHandle('CARD', { create: true })
    ).getDirectoryHandle('100', {
      create: true,
    });
    const writer = await (await inner.getFileHandle('K0001.mov', { create: true })).createWritable();
    await writer.write(Uint8Array.from(content));
    await writer.close();
  }, bytes);
  await page.getByRole('button', { name: 'Choose a folder' }).click();
  const open = page.getByRole('button', { name: 'Open K0001.mov in Judge' });
  await expect(page.locator(line('K0001.mov'))).not.toHaveAttribute('data-state', 'waiting', {
    timeout: 30_000,
  });
  await expect(open).toBeEnabled();

  await stored(page);
  await page.reload();
  await expect(open).toBeDisabled();
  await page.getByRole('button', { name: 'Read CARD again' }).click();
  await expect(open).toBeEnabled();

  await page.evaluate(async () =>
    (await navigator.storage.getDirectory()).removeEntry('CARD', { recursive: true }),
  );
  await page.reload();
  await page.getByRole('button', { name: 'Read CARD again' }).click();
  await expect(page.getByText(/CARD cannot be read .* Choose it again/)).toBeVisible();
  await expect(page.locator(line('K0001.mov'))).toBeVisible();
});

test('a clip is circled and noted by one key, in focus or under the pointer', async ({ page }) => {
  await visit(page, `${at('log', 'furnace-mouth')}&part=clips`);
  const row = page.locator(line('B0004.y4m'));
  await row.hover();
  await page.keyboard.press('r');
  await expect(row.getByRole('button', { name: /^Circle/ })).toHaveAttribute('aria-pressed', 'true');
  await row.hover();
  await page.keyboard.press('e');
  const note = page.getByRole('textbox', { name: 'Note on B0004.y4m' });
  await note.fill('Door shuts at the end.');
  await note.press('Escape');
  await stored(page);
  await page.reload();
  await page
    .getByRole('searchbox')
    .or(page.getByPlaceholder(/^Search/))
    .first()
    .fill('door shuts');
  await expect(page.locator('.clip-table tbody tr[data-clip]')).toHaveCount(1);
});

test('a clip is dragged to its take, and seen with its correction', async ({ page }) => {
  await visit(page, `${at('log', 'furnace-mouth')}&part=clips`);
  const row = page.locator(line('B0005.y4m'));
  await expect(row.getByText('Packing yard at noon 1')).toBeVisible();
  const from = await row.locator('.clip-handle').boundingBox();
  if (!from) throw new Error('the clip has no picture');
  await page.mouse.move(from.x + 20, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 50, { steps: 4 });
  const target = page.locator('.take-target', { hasText: 'Furnace mouth 1' });
  const to = await target.boundingBox();
  if (!to) throw new Error('no take to drop it on');
  // Dropped once it is seen over its take: a busy page takes a moment to follow the mouse.
  await page.mouse.move(to.x + 40, to.y + 20, { steps: 6 });
  await expect(async () => {
    await page.mouse.move(to.x + 42, to.y + 22);
    await page.mouse.move(to.x + 40, to.y + 20);
    await expect(target).toHaveClass(/is-over/, { timeout: 500 });
  }).toPass();
  await page.mouse.up();
  await expect(row.getByText('Furnace mouth 1')).toBeVisible();
  await expect(page.locator('.take-tray')).toBeHidden();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(row.getByText('Packing yard at noon 1')).toBeVisible();
  await page.getByText('Corrected', { exact: true }).click();
  await expect(page.getByRole('img', { name: 'A0004.y4m, corrected' })).toBeVisible();
  await expect(page.getByText('light −1.00 stop')).toBeVisible();
});
