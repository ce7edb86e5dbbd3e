// Match through the interface: two cameras, files on each side, clips to their hero, and what comes of it.
import { readFileSync } from 'node:fs';
import { encode } from 'fast-png';
import { at, expect, stored, test, visit } from './fixtures.ts';

test.describe.configure({ timeout: 120_000 });

const answer = '.match-answer';

test('two cameras before a scene: what to dial, kept on the camera, baked into its LUT', async ({ page }) => {
  await visit(page, at('match').replace('a-cam', 'b-cam'));
  await expect(page.getByRole('heading', { name: 'B-cam to A-cam' })).toBeVisible();
  const head = page.locator(answer);
  await expect(head.getByText(/^dial \d+.K, tint \+\d, expose 2\/3 more$/)).toBeVisible({ timeout: 30_000 });
  await expect(head.getByText('Cuts together')).toBeVisible();
  // The step that dials do is always taken, what does not pay is not.
  const steps = page.getByRole('table', { name: 'What each step gains' });
  await expect(steps.getByRole('row', { name: /Balance.*always/ })).toBeVisible();
  await expect(steps.getByRole('row', { name: /Contrast.*too little gain/ })).toBeVisible();
  const schools = page.getByRole('table', { name: /schools/ });
  await expect(schools.getByRole('row')).toHaveCount(5);
  // What is set alike first: these two record in different profiles.
  const alike = page.getByRole('table', { name: 'Set alike first' });
  await expect(alike.getByRole('row', { name: /Profile.*never per cent/ })).toBeVisible();
  // The same as it would be turned at a desk.
  const desk = page.getByRole('table', { name: 'At the mixing desk' });
  await expect(desk.getByRole('row', { name: /^G/ }).getByRole('cell').last()).toHaveText(/^\d\.\d\d$/);
  await expect(page.getByText(/^Saturation.*leaves ΔE/)).toBeVisible();
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CDL' }).click();
  expect(readFileSync(await (await coming).path(), 'utf8')).toContain('<Slope>');
  // Away with what the demo keeps, then this one is kept.
  await page
    .getByRole('button', { name: /^Remove \d+/ })
    .first()
    .click();
  const keep = page.getByRole('button', { name: 'Keep on the camera' });
  await keep.click();
  await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeDisabled();
  await stored(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeVisible({ timeout: 30_000 });
  // Matched and wiped, the picture is drawn.
  await page.getByText('Wipe', { exact: true }).click();
  await expect(page.getByRole('slider', { name: /Matched/ })).toBeVisible();

  await visit(page, `${at('luts').replace('a-cam', 'b-cam')}&below=kit`);
  const baked = page.getByLabel('Match to A-cam baked in');
  await baked.check();
  await expect(page.locator('.lut-name')).toHaveAttribute('placeholder', /matched/);
  await visit(page, at('handoff').replace('a-cam', 'b-cam'));
  await expect(page.getByText('B-cam to A-cam:')).toBeVisible();
});

/** A grey and a coloured field, as a finished picture; darker by a share of its light. */
const picture = (share: number) => {
  const [width, height] = [160, 90];
  const data = new Uint8Array(3 * width * height);
  const fields = [
    [180, 180, 180],
    [120, 120, 120],
    [200, 120, 90],
    [60, 110, 160],
  ];
  for (let i = 0; i < width * height; i += 1) {
    const field = fields[Math.floor(((i % width) * 4) / width)];
    // BT.1886: light is signal to the power of 2.4.
    for (let c = 0; c < 3; c += 1)
      data[3 * i + c] = Math.round(255 * ((field[c] / 255) ** 2.4 * share) ** (1 / 2.4));
  }
  return Buffer.from(encode({ width, height, data, channels: 3, depth: 8 }));
};

test('files on both sides: marked by drag, moved by keys, or taken as a whole', async ({ page }) => {
  await visit(page, at('match', 'packing-yard').replace('a-cam', 'b-cam'));
  await expect(page.locator(answer)).toBeVisible({ timeout: 30_000 });
  const file = (name: string, share: number) => ({ name, mimeType: 'image/png', buffer: picture(share) });
  await page.getByLabel('File for A-cam').setInputFiles(file('hero.png', 1));
  await page.getByLabel('File for B-cam').setInputFiles(file('dark.png', 0.5));
  await expect(page.getByText('dark.png')).toBeVisible();
  await expect(page.getByText(/Drag over the same thing/)).toBeVisible();
  const layer = page.getByRole('group', { name: 'Marks on A-cam' });
  const box = (await layer.boundingBox())!;
  await page.mouse.move(box.x + 0.05 * box.width, box.y + 0.3 * box.height);
  await page.mouse.down();
  await page.mouse.move(box.x + 0.2 * box.width, box.y + 0.7 * box.height, { steps: 4 });
  await page.mouse.up();
  await expect(page.locator(answer)).toBeVisible();
  const mark = page.getByRole('button', { name: 'grey card on B-cam' });
  await mark.focus();
  await mark.press('ArrowRight');
  await expect(page.locator(answer)).toContainText('expose');
  await mark.press('Delete');
  await expect(page.getByText(/Drag over the same thing/)).toBeVisible();
  await page.getByRole('button', { name: 'Whole pictures' }).click();
  await expect(page.getByText(/Estimated from the pictures as a whole/)).toBeVisible();
  await page.getByRole('button', { name: 'Lay a board' }).click();
  await page.getByRole('button', { name: 'the stage’s own board' }).click();
  await expect(page.getByRole('button', { name: 'Corner 1 of the board on A-cam' })).toBeVisible();
  // What cannot be opened is said, and what lay there stays.
  await page
    .getByLabel('File for B-cam')
    .setInputFiles({ name: 'cut.png', mimeType: 'image/png', buffer: picture(1).subarray(0, 90) });
  await expect(page.locator('.field-error').filter({ hasText: 'cut.png' })).toBeVisible();
  await expect(page.getByText('dark.png')).toBeVisible();
  await page.getByRole('button', { name: 'Film the scene again' }).click();
  await expect(page.getByText(/filmed by the simulated cameras/).first()).toBeVisible({ timeout: 30_000 });
});

test('clips to their hero: accepted, nudged by keys, left on purpose, saved as a CDL', async ({ page }) => {
  await visit(page, `${at('match', 'furnace-mouth')}&part=clips`);
  const clip = page.getByRole('listitem').filter({ hasText: 'A0004.y4m' });
  await expect(clip).toContainText('light −1.00 stop', { timeout: 30_000 });
  await expect(clip).toContainText('Cuts together');
  await page.getByRole('button', { name: /^Accept all 1$/ }).click();
  await expect(clip.getByRole('button', { name: 'Accepted' })).toBeDisabled();
  await clip.focus();
  await clip.press('ArrowUp');
  await expect(clip).toContainText('light −0.67 stop');
  await expect(clip).toContainText('by hand');
  await clip.press('p');
  await expect(clip).toContainText('Differs on purpose');
  await expect(page.getByText(/1 on purpose/)).toBeVisible();
  await clip.focus();
  await clip.press('p');
  const download = page.waitForEvent('download');
  await clip.getByRole('button', { name: 'Correction of A0004.y4m' }).click();
  await page.getByRole('button', { name: 'Save as CDL' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  expect(text).toContain('ColorCorrection');
  expect(text).toContain('light −0.67 stop');
  await stored(page);
  await visit(page, at('handoff', 'furnace-mouth'));
  const all = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CDLs of 2 clips' }).click();
  expect(readFileSync(await (await all).path(), 'utf8')).toContain('A0004');
});

test('a panel is learnt by turning it, and then says what to turn; worse is turned back', async ({
  page,
}) => {
  await visit(page, at('match', 'open-evening').replace('a-cam', 'hall-2'));
  await expect(page.getByRole('heading', { name: 'Hall 2 to Hall 1' })).toBeVisible();
  const panel = page.locator('.match-panel');
  await expect(page.locator(answer)).toBeVisible({ timeout: 30_000 });
  for (const name of ['R gain', 'B gain']) {
    await panel.getByLabel('Add a control').selectOption({ label: name });
    const line = panel.getByRole('row', { name: new RegExp(name) });
    await expect(line).toContainText('not learnt yet');
    await panel.getByRole('button', { name: `Learn ${name}` }).click();
    await panel.getByRole('button', { name: /^Turn it by/ }).click();
    await panel.getByRole('button', { name: 'Measure' }).click({ timeout: 30_000 });
    // 0.02 stop a step, of one channel alone.
    await expect(line).toContainText(`${name[0]} +0.02 stop`, { timeout: 30_000 });
  }
  // Both stand where they were turned to: the way back is what it says.
  const turns = panel.locator('.panel-turns');
  await expect(turns).toHaveText(/^R gain −1[0-9], B gain −1[0-9]$/, { timeout: 30_000 });
  await panel.getByRole('button', { name: 'Turn them' }).click();
  await expect(turns).not.toHaveText(/1[0-9]/, { timeout: 30_000 });
  await expect(panel.getByLabel('R gain stands at')).toHaveValue(/^(0|.?[1-3])$/);
  // Turned too far, as a hand does: it is worse than before, and the way back is offered.
  await panel.getByLabel('R gain stands at').fill('45');
  await panel.getByLabel('R gain stands at').press('Tab');
  await expect(panel.getByText('That made it worse')).toBeVisible({ timeout: 30_000 });
  await panel.getByRole('button', { name: 'Turn back' }).click();
  await expect(panel.getByLabel('R gain stands at')).toHaveValue(/^1[0-9]$/);
  // What was learnt is kept with the camera.
  await stored(page);
  await page.reload();
  await expect(panel.getByRole('row', { name: /R gain/ })).toContainText('R +0.02 stop');
});
