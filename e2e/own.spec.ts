import { cell, expect, openPart, remove, test, visit } from './fixtures.ts';

test.describe('somebody new', () => {
  // Before the doors.
  test.use({ storageState: { cookies: [], origins: [] } });

  test('sets up a camera of their own and has its card within a minute', async ({ page }) => {
    await visit(page, '/plan');
    await page.getByRole('link', { name: 'Set up my own camera' }).click();
    await page.getByLabel('What you call it').fill('Shoulder cam');
    await page.getByLabel('It records').selectOption('8-bit');
    await page.getByLabel('Its picture profile').selectOption('log or flat, figures at hand');
    // A paper in 10-bit codes for a camera that records 8-bit.
    await page.getByLabel('Its paper prints').selectOption('10-bit code');
    await page.getByLabel('18 % grey reads').fill('420');
    await page.getByLabel('90 % white reads').fill('590');
    await page.getByLabel('Clip reads').fill('940');
    await page.getByLabel('Clip lies at stop').fill('6');
    await page.getByLabel('Its zebra runs from, to').fill('all of it');
    await page.getByRole('button', { name: 'Add camera and show its card' }).click();
    const problems = page.locator('.new-camera-side').getByRole('alert');
    await expect(problems).toContainText('Zebra: levels run from lowest to highest');
    await page.getByLabel('Its zebra runs from, to').fill('0 to 109');
    await page.getByLabel('in steps of').fill('1');
    await expect(problems).toBeEmpty();
    await page.getByRole('button', { name: 'Add camera and show its card' }).click();
    await expect(page.locator('.chooser')).toContainText('My shoot');
    await expect(page).toHaveURL(/\/plan\?/);
    // (420 - 64) / 876 of signal.
    await expect(cell(page, 'card')).toHaveText('41±1');
    await expect(cell(page, 'profile')).toHaveText('Shoulder cam profile');

    await test.step('the bag is empty; nothing of the demo is in the kit', async () => {
      await page.keyboard.press('1');
      await openPart(page, 'Bag');
      await expect(page.getByText('None yet.')).toHaveCount(5);
      await page.getByRole('button', { name: /^Put in common ones: Squares/ }).click();
      await page.locator('.cell[data-cell="nd"]').click();
      const choices = page.locator('.cell-popover option');
      await expect(choices.filter({ hasText: 'Squares' })).toHaveCount(5);
      await expect(choices.filter({ hasText: 'strong pair' })).toHaveCount(0);
      await page.keyboard.press('Escape');
    });

    await test.step('a further set-up and a further shoot start with its own profile', async () => {
      await page.locator('.chooser').click();
      await page.getByLabel('New set-up').fill('Second');
      await page.getByRole('button', { name: 'Add set-up' }).click();
      await expect(page.locator('.chooser')).toContainText('Second');
      await page.getByRole('link', { name: 'All shoots, new shoot' }).click();
      await expect(cell(page, 'card')).toHaveText('41±1');
      const form = page.locator('.panel', { hasText: 'New shoot' });
      await form.getByLabel('Name', { exact: true }).fill('Harbour');
      await form.getByLabel('First day').fill('2026-12-01');
      await form.getByRole('button', { name: 'Add shoot' }).click();
      await expect(page.locator('.chooser')).toContainText('Harbour');
      await expect(cell(page, 'profile')).toHaveText('Shoulder cam profile');
    });

    await test.step('the demo is put away and comes back', async () => {
      await page.getByRole('button', { name: 'Put the demo away' }).click();
      await page.getByRole('button', { name: 'Put it away' }).click();
      await expect(page.getByRole('heading', { name: 'Salt and Fire' })).toHaveCount(0);
      await page.getByRole('button', { name: 'Bring the demo back' }).click();
      await expect(page.locator('.chooser')).toContainText('Salt and Fire');
      await page.keyboard.press('Control+z');
      await expect(page.locator('.chooser')).not.toContainText('Salt and Fire');
    });

    await test.step('the bare address opens where the work was', async () => {
      await page.goto('/kit');
      await expect(page.locator('.chooser')).toContainText('Shoulder cam');
      await page.goto('/');
      await expect(page).toHaveURL(/\/kit/);
      await expect(page.locator('.chooser')).toContainText('Shoulder cam');
    });
  });

  test('is led round the demo, may leave, and goes on where they left', async ({ page }) => {
    await visit(page, '/plan');
    await page.getByRole('button', { name: 'Look round the demo' }).click();
    const walk = page.getByRole('complementary', { name: 'Walk round the demo' });
    await expect(walk).toContainText('1 of 8');
    await expect(page.locator('.set-card[data-walk]')).toBeVisible();
    for (const stop of ['2 of 8', '3 of 8', '4 of 8', '5 of 8']) {
      await walk.getByRole('button', { name: 'Next' }).click();
      await expect(walk).toContainText(stop);
      await expect(page.locator('[data-walk]')).toHaveCount(1);
    }
    await expect(page).toHaveURL(/\/judge/);
    await walk.getByRole('button', { name: 'Leave the walk' }).click();
    await expect(page.locator('[data-walk]')).toHaveCount(0);
    await page.reload();
    await page.getByRole('button', { name: 'Go on with the walk, stop 5' }).click();
    await expect(walk).toContainText('5 of 8');
    for (let stop = 6; stop <= 8; stop += 1) await walk.getByRole('button', { name: 'Next' }).click();
    await expect(walk).toContainText('8 of 8');
    await walk.getByRole('button', { name: 'Done' }).click();
    await expect(walk).toHaveCount(0);
    await page.reload();
    await expect(page.locator('.set-card')).toBeVisible();
    await expect(page.getByRole('region', { name: 'First time here' })).toHaveCount(0);
  });
});

test('shoots, set-ups and cameras are renamed, duplicated and deleted, and undo brings them back', async ({
  page,
}) => {
  await visit(page, '/kit?shoot=salt-and-fire&setup=furnace-mouth&camera=a-cam&part=shoots');
  const rename = async (what: string, name: string) => {
    await page.getByRole('button', { name: `Rename ${what}`, exact: true }).click();
    const dialog = page.getByRole('dialog', { name: `Rename ${what}` });
    await dialog.getByLabel('Name').fill(name);
    await dialog.getByRole('button', { name: 'Rename' }).click();
    await expect(dialog).toHaveCount(0);
  };
  await rename('set-up Furnace mouth', 'Gathering');
  await expect(page.locator('.chooser')).toContainText('Gathering');
  await page.getByRole('button', { name: 'Duplicate set-up Gathering' }).click();
  await expect(page.locator('.chooser')).toContainText('Gathering copy');
  await expect(cell(page, 'placement')).toHaveText('+1');

  await page.getByRole('button', { name: 'Delete set-up Gathering', exact: true }).click();
  const question = page.getByRole('dialog', { name: 'Delete set-up Gathering' });
  await expect(question).toContainText(/Deleted with it: 2 plans and \d takes/);
  await question.getByRole('button', { name: 'Keep it' }).click();
  await remove(page, 'set-up Gathering copy');
  await expect(page.locator('.chooser')).not.toContainText('Gathering copy');
  await page.keyboard.press('Control+z');
  // It may be the one at hand again, or one to open.
  await expect(page.getByRole('button', { name: 'Rename set-up Gathering copy' })).toBeVisible();

  await page.getByRole('button', { name: 'Duplicate shoot Salt and Fire' }).click();
  await expect(page.locator('.chooser')).toContainText('Salt and Fire copy');
  await remove(page, 'shoot Salt and Fire copy');
  await expect(page.locator('.chooser')).not.toContainText('copy');
  await expect(page.locator('.notice-bad')).toHaveCount(0);
});
