// The shoot handed over in one zip, and what comes back from post held against it.
import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import { at, expect, test, visit } from './fixtures.ts';

test.describe.configure({ timeout: 240_000 });

test('the bundle is made, stopped, made whole; corrections that come back are compared', async ({ page }) => {
  await visit(page, at('handoff', 'furnace-mouth'));
  const make = page.getByRole('button', { name: 'Make the bundle' });
  await make.click();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(make).toBeVisible();

  const coming = page.waitForEvent('download', { timeout: 200_000 });
  await make.click();
  await expect(page.getByRole('progressbar', { name: 'Make the bundle' })).toHaveAttribute(
    'aria-valuenow',
    /[1-9]/,
  );
  const download = await coming;
  expect(download.suggestedFilename()).toBe('salt-and-fire-for-post.zip');
  const files = unzipSync(readFileSync(await download.path()));
  const paths = Object.keys(files);
  expect(paths[0]).toBe('README.txt');
  const manifest = JSON.parse(strFromU8(files['manifest.json']));
  expect(manifest.files.map(({ path }: { path: string }) => path)).toEqual(paths.slice(0, -1));
  const cube = strFromU8(files[paths.find((path) => path.endsWith('33.cube'))!]);
  expect(cube).toContain('LUT_3D_SIZE 33');
  expect(strFromU8(files['recipes/Furnace mouth.txt'])).toContain('A0004');
  await expect(page.getByText(/salt-and-fire-for-post\.zip: \d+ files/)).toBeVisible();
  await expect(page.getByText(/Without a timecode in the file/)).toBeVisible();

  expect(strFromU8(files['report-a4.pdf'].slice(0, 5))).toBe('%PDF-');
  await page.locator('label', { hasText: /^Letter$/ }).click();
  const report = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Report as PDF' }).click();
  const printed = await report;
  expect(printed.suggestedFilename()).toBe('salt-and-fire-report-letter.pdf');
  // The very report that lies in the bundle, with the pictures of its takes.
  expect(readFileSync(await printed.path()).equals(files['report-letter.pdf'])).toBe(true);
  expect(files['report-letter.pdf'].length).toBeGreaterThan(50_000);

  const back = strFromU8(files['corrections/all-clips.ccc']).replace(
    /<Offset>(\S+) (\S+) (\S+)<\/Offset>/,
    (_, ...values) =>
      `<Offset>${values
        .slice(0, 3)
        .map((v) => Number(v) + 0.05)
        .join(' ')}</Offset>`,
  );
  await page
    .getByLabel('Corrections from post')
    .setInputFiles({ name: 'back.ccc', mimeType: 'application/xml', buffer: Buffer.from(back) });
  const row = page.getByRole('row').filter({ hasText: '1 of 1 moved' });
  await expect(row).toContainText('Furnace mouth');
  await expect(row).not.toContainText('as planned');
  // One press plans the card so; the set card on top says it at once.
  const planned = (await row.getByRole('button', { name: /^Plan .* for A-cam/ }).getAttribute('aria-label'))!;
  await row.getByRole('button', { name: planned }).click();
  await expect(row.getByText('planned', { exact: true })).toBeVisible();
  await expect(page.locator('[data-cell="placement"] .cell-value')).toHaveText(
    /^Plan (.*) for/.exec(planned)![1],
  );
  await page
    .getByLabel('Corrections from post')
    .setInputFiles({ name: 'broken.edl', mimeType: 'text/plain', buffer: Buffer.from('no list') });
  await expect(page.getByText(/broken\.edl, file: It holds no event/)).toBeVisible();
});
