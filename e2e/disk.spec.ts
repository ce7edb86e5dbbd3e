import { at, cell, close, expect, notice, reloaded, test, visit } from './fixtures.ts';

test.describe('a disk that is full', () => {
  test('each kind of write says so, keeps the last good state, and works again afterwards', async ({
    page,
  }) => {
    await page.addInitScript(() => {
      const { put } = IDBObjectStore.prototype;
      IDBObjectStore.prototype.put = function full(this: IDBObjectStore, ...args: [unknown, IDBValidKey?]) {
        if ((globalThis as { isFull?: boolean }).isFull)
          throw new DOMException('no room', 'QuotaExceededError');
        return put.apply(this, args);
      };
    });
    const full = (isFull: boolean) =>
      page.evaluate((now) => Object.assign(globalThis, { isFull: now }), isFull);
    const SENTENCE =
      'was not saved: this browser gives no more space; free some on the disk, then do it again. ' +
      'What was there stays.';
    const refused = async (act: () => Promise<unknown>, stays: () => Promise<unknown>) => {
      await full(true);
      await act();
      await expect(notice(page)).toContainText(SENTENCE);
      await stays();
      await full(false);
      await close(page);
    };
    await visit(page, at('plan'));

    await test.step('a plan', async () => {
      const stays = () => expect(cell(page, 'placement')).toHaveText('+2/3');
      await refused(() => page.keyboard.press(']'), stays);
      await page.keyboard.press(']');
      await expect(cell(page, 'placement')).toHaveText('+1');
    });
    await test.step('undo of it', async () => {
      await full(true);
      await page.keyboard.press('Control+z');
      await expect(notice(page)).toContainText(/was not undone: this browser gives no more space/);
      await expect(cell(page, 'placement')).toHaveText('+1');
      await full(false);
      await close(page);
      await page.keyboard.press('Control+z');
      await expect(cell(page, 'placement')).toHaveText('+2/3');
    });
    await test.step('a set-up', async () => {
      const add = async () => {
        await page.locator('.chooser').click();
        await page.getByLabel('New set-up').fill('Winter');
        await page.getByRole('button', { name: 'Add set-up' }).click();
      };
      await refused(
        async () => {
          await add();
          await page.keyboard.press('Escape');
        },
        () => expect(page.locator('.chooser')).toContainText('Bench interview'),
      );
    });
    await test.step('a camera', async () => {
      await page.keyboard.press('1');
      const name = page.getByRole('button', { name: 'Duplicate camera A-cam' });
      await expect(name).toBeVisible();
      await refused(
        () => name.click(),
        () => expect(page.locator('.chooser')).toContainText('A-cam'),
      );
    });
    await test.step('a take and its notes', async () => {
      await visit(page, at('log'));
      const takes = page.locator('.take');
      await expect(takes).toHaveCount(8);
      const count = 8;
      await refused(
        () => page.keyboard.press('l'),
        () => expect(takes).toHaveCount(count),
      );
      await page.keyboard.press('l');
      await expect(takes).toHaveCount(count + 1);
      const circle = takes.first().getByRole('button', { name: /circle/i });
      const before = await circle.getAttribute('aria-pressed');
      await refused(
        () => circle.click(),
        () => expect(circle).toHaveAttribute('aria-pressed', before ?? ''),
      );
      await circle.click();
      await expect(circle).not.toHaveAttribute('aria-pressed', before ?? '');
    });
    await test.step('a LUT', async () => {
      await visit(page, `${at('luts')}&below=kit`);
      const keep = page.getByRole('button', { name: 'Keep in the kit' });
      await refused(
        () => keep.click(),
        () => expect(keep).toBeEnabled(),
      );
      await keep.click();
      await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeVisible();
    });
    await reloaded(page);
    await expect(cell(page, 'placement')).toHaveText('+2/3');
  });
});
