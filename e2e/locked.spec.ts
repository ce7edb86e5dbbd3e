import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { ARCHETYPES } from '../src/core/profile/index.ts';
import {
  at,
  cell,
  changeStored,
  expect,
  MEANT,
  reloaded,
  stored,
  storedRows,
  test,
  visit,
} from './fixtures.ts';

// What once locked the user out: records that cannot be read, records that do not open, a screen that stops.

const setAside = '.notice[data-set-aside]';
const level = {
  id: 'level',
  name: 'Level log',
  origin: 'table',
  says: 'rows of equal reflectance',
  data: {
    ...ARCHETYPES.wideLog,
    curve: {
      kind: 'table',
      rows: [
        { reflectance: 0.18, signal: 0.3 },
        { reflectance: 0.18, signal: 0.4 },
      ],
    },
  },
};
const asFile = (profile: object) => ({
  name: 'level.profile.json',
  mimeType: 'application/json',
  buffer: Buffer.from(
    JSON.stringify({
      format: 'candelum-profile',
      version: 1,
      exportedAt: '2026-04-14T10:00:00.000Z',
      profile,
    }),
  ),
});

/** A page of the same origin that holds nothing open. */
const elsewhere = async (page: Page) => {
  await page.route('**/elsewhere', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<p>elsewhere</p>' }),
  );
  await page.goto('/elsewhere');
};

test('a profile that makes no curve is refused; one that is stored is set aside, exported and mended', async ({
  page,
}) => {
  await visit(page, at('kit', 'furnace-mouth'));
  await page.getByLabel('Profile file').setInputFiles(asFile(level));
  await expect(page.getByText(/its numbers make no curve \(row 2 does not rise over row 1\)/)).toBeVisible();
  expect((await storedRows(page, 'profiles')).map(({ id }) => id)).not.toContain('level');

  await changeStored(page, 'profiles', (rows) => [...rows, level]);
  await changeStored(page, 'plans', (rows) =>
    rows.map((row) => (row.id === 'furnace-mouth:a-cam' ? { ...row, profileId: 'level' } : row)),
  );
  for (const step of ['kit', 'plan', 'judge', 'log', 'handoff', 'luts']) {
    await visit(page, at(step, 'furnace-mouth'));
    await expect(page.locator(setAside).first()).toContainText('profile “Level log” cannot be read');
    await expect(cell(page, 'profile')).toHaveText('wide log');
  }
  await expect(
    page.getByText('The profile of this plan is not in the kit; wide log stands in for it.'),
  ).toBeVisible();

  await page.locator(setAside).getByRole('button', { name: 'What to do' }).click();
  const row = page.locator('.set-aside[data-id="level"]');
  await expect(row).toContainText('row 2 does not rise');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    row.getByRole('button', { name: 'Export' }).click(),
  ]);
  const exported = readFileSync(await file.path(), 'utf8');
  expect(JSON.parse(exported).record).toEqual(level);
  const mended = (text: string) => ({
    name: 'mended.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text),
  });
  await row.getByLabel(/Mended file/).setInputFiles(mended(exported));
  await expect(row.getByRole('alert')).toContainText('row 2 does not rise');
  expect(await storedRows(page, 'profiles')).toContainEqual(level);
  await row
    .getByLabel(/Mended file/)
    .setInputFiles(mended(exported.replace('"reflectance": 0.18', '"reflectance": 0.02')));
  await expect(page.locator(setAside)).toHaveCount(0);
  await expect(cell(page, 'profile')).toHaveText('Level log');
});

test('a take without its card and a plan with a bad ISO stand aside; log, hand-off and plan work', async ({
  page,
}) => {
  await visit(page, at('log', 'furnace-mouth'));
  await expect(page.locator('.take')).toHaveCount(8);
  const bad = {
    id: 'cut',
    shootId: 'salt-and-fire',
    setupId: 'furnace-mouth',
    cameraId: 'a-cam',
    number: 99,
  };
  await changeStored(page, 'takes', (rows) => [...rows, bad]);
  await changeStored(page, 'plans', (rows) =>
    rows.map((row) => (row.id === 'furnace-mouth:a-cam' ? { ...row, iso: 'many', glow: 1 } : row)),
  );
  await reloaded(page);
  await expect(page.locator('.take')).toHaveCount(8);
  await expect(page.locator(setAside)).toHaveCount(2);
  await page.keyboard.press(']');
  await expect(
    page.locator('.notice-bad').filter({ hasText: 'the stored plan cannot be read' }),
  ).toBeVisible();
  await visit(page, at('handoff', 'furnace-mouth'));
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'CSV' }).click(),
  ]);
  expect(
    readFileSync(await file.path(), 'utf8')
      .trim()
      .split('\n'),
  ).toHaveLength(9);
  expect(await storedRows(page, 'takes')).toContainEqual(bad);
  expect((await storedRows(page, 'plans')).find(({ id }) => id === 'furnace-mouth:a-cam')).toMatchObject({
    iso: 'many',
    glow: 1,
    placement: 1,
  });
});

test('records of a newer version are shown and not written', async ({ page }) => {
  await visit(page, at('plan', 'furnace-mouth'));
  await elsewhere(page);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const open = indexedDB.open('candelum', 770);
        open.onsuccess = () => {
          open.result.close();
          resolve();
        };
      }),
  );
  await visit(page, at('plan', 'furnace-mouth'));
  await expect(page.getByText(/A newer Candelum wrote these records/)).toBeVisible();
  await page.keyboard.press(']');
  await expect(page.getByText(/this one only reads them/)).toBeVisible();
  await expect(cell(page, 'placement')).toHaveText('+1');
});

for (const [how, says, script] of [
  [
    'held by another window',
    /Another window may hold them/,
    'IDBFactory.prototype.open = () => new EventTarget()',
  ],
  [
    'denied',
    /set to keep nothing for this page/,
    'IDBFactory.prototype.open = () => { throw new DOMException("no", "SecurityError") }',
  ],
  [
    'missing',
    /keeps no records/,
    'Object.defineProperty(window, "indexedDB", { value: undefined, configurable: true })',
  ],
] as const)
  test(`records that do not open say so within three seconds: ${how}`, async ({ page }) => {
    await page.addInitScript(script);
    await page.goto(at('plan', 'furnace-mouth'));
    const began = page.locator('.waiting');
    await began.waitFor();
    await expect(page.locator('.waiting[data-status="failed"]')).toContainText(says, { timeout: 3500 });
    await expect(page.getByRole('button', { name: 'Load again' })).toBeVisible();
  });

test('a set-up whose cameras are gone, and records without anything, have a way on', async ({ page }) => {
  await visit(page, at('plan', 'furnace-mouth'));
  await changeStored(page, 'setups', (rows) =>
    rows.map((row) => (row.id === 'furnace-mouth' ? { ...row, cameraIds: ['gone'] } : row)),
  );
  await reloaded(page);
  await expect(page.getByText(/No camera of Furnace mouth is in the kit any more/)).toBeVisible();
  await expect(cell(page, 'card')).not.toHaveText('');
  for (const table of ['shoots', 'setups', 'cameras', 'plans']) await changeStored(page, table, () => []);
  await page.reload();
  await page.getByRole('button', { name: 'Put the demo shoot in' }).click();
  await expect(page.locator('.chooser')).toContainText('Salt and Fire');
  await stored(page);
  expect(await storedRows(page, 'cameras')).toHaveLength(6);
});

test('a card that stops on every screen is left out; everything can be saved before', async ({ page }) => {
  await page.addInitScript((message) => {
    const { get } = Map.prototype;
    Map.prototype.get = function (key: unknown) {
      if (key === 'furnace-mouth:a-cam' && this.size > 0) throw new Error(message);
      return get.call(this, key) as unknown;
    };
  }, MEANT);
  await page.goto(at('plan', 'furnace-mouth'));
  await expect(page.getByText('This screen stopped')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save all records' }).click(),
  ]);
  const saved = JSON.parse(readFileSync(await file.path(), 'utf8'));
  expect(saved.tables.setups).toHaveLength(7);
  expect(saved.tables.takes).toHaveLength(8);
  await page.getByRole('button', { name: 'Go on without this set-up' }).click();
  await expect(page.locator('.chooser')).toContainText('Bench interview');
  await expect(page.getByText(/A set-up whose screen stopped is left out/)).toBeVisible();
});

test('records that have gone are missed', async ({ page }) => {
  await visit(page, at('plan', 'furnace-mouth'));
  await expect(page.getByText(/and they are gone/)).toHaveCount(0);
  await elsewhere(page);
  await page.evaluate(
    () =>
      new Promise((resolve) => {
        const gone = indexedDB.deleteDatabase('candelum');
        gone.onsuccess = resolve;
      }),
  );
  await visit(page, at('plan', 'furnace-mouth'));
  await expect(page.getByText(/kept records from .* and they are gone/)).toBeVisible();
});

test('notes typed without a pause outlive a crash, and an address typed right after', async ({
  page,
  context,
}) => {
  await visit(page, at('log', 'furnace-mouth'));
  const notes = page.getByRole('textbox', { name: 'Notes of take 1', exact: true }).first();

  await notes.fill('');
  await notes.pressSequentially('abcdefghij'.repeat(26), { delay: 12 });
  await page.goto('chrome://crash').catch(() => undefined);
  const after = await context.newPage();
  await visit(after, at('log', 'furnace-mouth'));
  const kept = await after
    .getByRole('textbox', { name: 'Notes of take 1', exact: true })
    .first()
    .inputValue();
  expect(kept.length).toBeGreaterThan(130);
  expect('abcdefghij'.repeat(26).startsWith(kept)).toBe(true);
  await after
    .getByRole('textbox', { name: 'Notes of take 1', exact: true })
    .first()
    .fill('window key, right after');
  await after.goto(at('plan', 'furnace-mouth'));
  await visit(after, at('log', 'furnace-mouth'));
  await expect(after.getByRole('textbox', { name: 'Notes of take 1', exact: true }).first()).toHaveValue(
    'window key, right after',
  );
});
