import type { Page } from '@playwright/test';
import {
  at,
  cell,
  close,
  expect,
  frameFile,
  markCard,
  notice,
  openFile,
  setCell,
  test,
  verdict,
  visit,
} from './fixtures.ts';

const card = frameFile('bench', { placement: 2 / 3 });

test('two windows: each sees the other’s edits and takes, and undoes only its own', async ({
  page,
  context,
}) => {
  const other = await context.newPage();
  await visit(page, at('plan'));
  await visit(other, at('log'));
  await expect(other.locator('.take')).toHaveCount(8);
  const takes = 8;

  await setCell(page, 'iso', '1600');
  await expect(cell(other, 'iso')).toHaveText('1600');
  await other.keyboard.press(']');
  await expect(cell(page, 'placement')).toHaveText('+1');
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'iso')).toHaveText('800');
  await expect(cell(page, 'placement')).toHaveText('+1');
  await expect(cell(other, 'iso')).toHaveText('800');
  await expect(cell(other, 'placement')).toHaveText('+1');

  // A field that the other window has changed since is named and stays.
  await setCell(page, 'iso', '1600');
  await expect(cell(other, 'iso')).toHaveText('1600');
  await setCell(other, 'iso', '2500');
  await expect(cell(page, 'iso')).toHaveText('2500');
  await page.keyboard.press('Control+z');
  await expect(notice(page)).toContainText('ISO of the plan was changed since and stays.');
  await expect(cell(page, 'iso')).toHaveText('2500');

  // A take logged in one stands in the other; their numbers do not meet.
  await Promise.all([page.keyboard.press('l'), other.keyboard.press('l')]);
  await expect(other.locator('.take')).toHaveCount(takes + 2);
  const numbers = await other
    .locator('.take')
    .filter({ hasText: 'Bench interview' })
    .evaluateAll((rows) => rows.map((row) => row.getAttribute('data-take')));
  expect(new Set(numbers).size).toBe(2);
  await page.keyboard.press('Control+z');
  await expect(other.locator('.take')).toHaveCount(takes + 1);
});

test('two windows change the same camera in their editors: each saves only what it typed', async ({
  page,
  context,
}) => {
  const other = await context.newPage();
  const editorOf = async (window: Page) => {
    await visit(window, at('kit'));
    await window.getByRole('button', { name: 'Edit', exact: true }).click();
    return window.locator('.panel', { has: window.getByRole('button', { name: 'Save camera' }) });
  };
  const [here, there] = [await editorOf(page), await editorOf(other)];
  await there.getByLabel('Job').fill('second unit');
  await there.getByRole('button', { name: 'Save camera' }).click();
  await expect(other.getByText('second unit')).toBeVisible();
  await here.getByLabel('Name', { exact: true }).fill('Main cam');
  await here.getByRole('button', { name: 'Save camera' }).click();
  for (const window of [page, other]) {
    await expect(window.locator('.panel-head').last()).toHaveText(/^Main cam/);
    await expect(window.getByText('second unit')).toBeVisible();
  }
});

test('the address keeps what is muted and how it is looked at from step to step', async ({ page }) => {
  await visit(page, `${at('judge')}&view=stops&contours=true`);
  await openFile(page, 'under.png', frameFile('bench', { placement: 0 }));
  await expect(page.locator('.picture h2')).toHaveText('under.png');
  await markCard(page, 'bench');
  await verdict(page, 'card').locator('.verdict-row').click();
  await verdict(page, 'card').getByRole('button', { name: 'Mute' }).click();
  await expect(page).toHaveURL(/mute=card/);
  await page.keyboard.press('2');
  await expect(page).toHaveURL(/\/plan\?.*view=stops.*mute=card|\/plan\?.*mute=card.*view=stops/);
  // Logged from Plan, the take has no word of what is muted.
  await page.keyboard.press('l');
  await expect(page.getByText(/Take 1 logged: Bench interview, A-cam, under.png/)).toBeVisible();
  const ids = await page.evaluate(
    () =>
      new Promise<string[]>((resolve) => {
        const open = indexedDB.open('candelum');
        open.onsuccess = () => {
          const all = open.result.transaction('takes').objectStore('takes').getAll();
          all.onsuccess = () => {
            const mine = all.result.find(({ measured }) => measured?.file === 'under.png');
            resolve(mine.measured.verdicts.map(({ id }: { id: string }) => id));
            open.result.close();
          };
        };
      }),
  );
  expect(ids.length).toBeGreaterThan(2);
  expect(ids).not.toContain('card');
  await page.locator('.order a', { hasText: 'Judge' }).click();
  await expect(page).toHaveURL(/\/judge\?.*view=stops/);
  await expect(page.locator('.verdict-muted')).toBeVisible();
});

test('the help says which form the pixel loops have', async ({ page }) => {
  await visit(page, at('kit'));
  await page.keyboard.press('?');
  await expect(page.locator('[data-kernels="shared"]')).toContainText('SIMD, in shared memory');
});

test('without the fast pixel loops the page says so once, and its numbers are the same', async ({ page }) => {
  await page.route('**/kernels/*.wasm', (route) => route.fulfill({ status: 200, body: 'no module' }));
  await visit(page, at('judge'));
  await expect(notice(page)).toContainText('Pixel loops (browser): The fast form could not be loaded');
  await close(page);
  await openFile(page, 'card.png', card);
  await expect(page.locator('.picture h2')).toHaveText('card.png');
  await markCard(page, 'bench');
  await expect(verdict(page, 'card')).toContainText('Card where planned');
  await expect(notice(page)).toHaveCount(0);
});
