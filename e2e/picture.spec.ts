import { writeCube } from '../src/core/formats/cube.ts';
import { sampleLattice } from '../src/core/lut/lattice.ts';
import { ARCHETYPES } from '../src/core/profile/index.ts';
import { encodePicture, TEST_PICTURES } from '../src/core/fixtures/testPictures.ts';
import {
  cell,
  expect,
  frameFile,
  inked,
  markCard,
  openFile,
  printOf,
  test,
  verdict,
  visit,
} from './fixtures.ts';

const judge = '/judge?shoot=salt-and-fire&setup=bench-interview&camera=a-cam';

test('scopes change for one another, read a part, hold peaks and change places with the picture', async ({
  page,
}) => {
  await visit(page, judge);
  await openFile(page, 'bench.png', frameFile('bench', { placement: 2 / 3 }));
  const first = '.scope-first canvas';
  await expect.poll(() => inked(page, first)).toBeGreaterThan(2000);
  const seen = new Set<number>();
  for (const scope of ['overlay', 'parade', 'histogram', 'rgbHistogram', 'vectorscope']) {
    const before = await printOf(page, first);
    await page.getByLabel('First scope').selectOption(scope);
    await expect.poll(() => printOf(page, first)).not.toBe(before);
    seen.add(await printOf(page, first));
  }
  expect(seen.size).toBe(5);
  await expect(page).toHaveURL(/scope=vectorscope/);
  await expect(page.locator('.scope-first .graticule')).toContainText('skin');
  // The second scope stands where no simulated camera is; both give way to a large one.
  await expect(page.locator('.scope-second')).toBeVisible();
  const small = await page.locator('.scope-first').boundingBox();
  await page.locator('.scope-first').getByRole('button', { name: 'Large' }).click();
  const large = await page.locator('.scope-first').boundingBox();
  expect((large?.height ?? 0) / (small?.height ?? 1)).toBeGreaterThan(1.3);
  await page.locator('.scope-first').getByRole('button', { name: 'Back to its place' }).click();
  // Of a patch alone.
  await page.getByLabel('First scope').selectOption('waveform');
  await markCard(page, 'bench');
  const whole = await inked(page, first);
  await page.locator('.scope-first').getByRole('button', { name: 'Set' }).click();
  await page.getByLabel('Made of').selectOption('card');
  await page.keyboard.press('Escape');
  await expect.poll(() => inked(page, first)).not.toBe(whole);
  // The reading under the pointer.
  await page.locator('.scope-first .scope-box').hover({ position: { x: 300, y: 60 } });
  await expect(page.locator('.scope-first .scope-pointer')).toContainText('stops');
  // By keyboard too.
  await page.mouse.move(1000, 300);
  await page.locator('.scope-first .scope-box').focus();
  await page.keyboard.press('ArrowUp');
  const read = await page.locator('.scope-first output').innerText();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(page.locator('.scope-first output')).not.toHaveText(read);
});

test('on the picture: clip map, guides, magnifier with codes, wipe, hero, a LUT from a file', async ({
  page,
}) => {
  await visit(page, judge);
  const frame = encodePicture(TEST_PICTURES.bench(), {
    width: 480,
    height: 270,
    profile: ARCHETYPES.wideLog,
    coding: { bitDepth: 10, range: 'legal' },
    placement: 2 / 3,
    seed: 21,
    greyElectrons: 900,
  });
  await openFile(page, 'hero.png', frameFile('bench', { placement: 2 / 3 }));
  await expect(page.locator('.picture h2')).toHaveText('hero.png');
  const picture = '[data-size] > canvas';
  await expect.poll(() => inked(page, picture)).toBeGreaterThan(10_000);

  await test.step('clip map and guides', async () => {
    const plain = await printOf(page, picture);
    await page.getByRole('button', { name: 'Clip', exact: true }).click();
    await expect.poll(() => printOf(page, picture)).not.toBe(plain);
    await page.getByRole('button', { name: 'Clip', exact: true }).click();
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByLabel('Frame guide').selectOption('own');
    await page.getByLabel('Ratio, width over height').fill('1,66');
    await page.getByRole('button', { name: 'Safe areas' }).click();
    await page.keyboard.press('Escape');
    await expect(page.locator('.guides')).toContainText('action 93 %');
    const box = await page.locator('.guide-line').boundingBox();
    expect((box?.width ?? 0) / (box?.height ?? 1)).toBeCloseTo(1.66, 1);
  });

  await test.step('the magnifier gives the codes of the file', async () => {
    await page.keyboard.press('m');
    const plane = page.locator('.glass-plane');
    await plane.focus();
    await page.keyboard.press('ArrowRight');
    await expect(plane).toHaveAttribute('aria-label', /at 241, 135/);
    const i = 135 * 480 + 241;
    await expect(page.locator('.glass-codes')).toHaveAttribute(
      'data-codes',
      `${frame.r[i]} ${frame.g[i]} ${frame.b[i]}`,
    );
    await page.keyboard.press('m');
    await expect(plane).toHaveCount(0);
  });

  await test.step('a hero is held, another frame stands beside it, told in stops', async () => {
    await markCard(page, 'bench');
    await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'holds');
    await page.keyboard.press('h');
    await openFile(page, 'later.png', frameFile('bench', { placement: 0 }));
    await expect(page.locator('.picture h2')).toHaveText('later.png');
    await markCard(page, 'bench');
    await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'watch');
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('radiogroup', { name: 'Held against' }).getByText('hero').click();
    await page.keyboard.press('Escape');
    await expect(page.locator('.hero-words')).toContainText(/−0\.7 against the hero, by the card/);
    const wipe = page.getByRole('slider', { name: 'Wipe to hero' });
    await wipe.focus();
    await page.keyboard.press('ArrowLeft');
    await expect(wipe).toHaveAttribute('aria-valuenow', '48');
    await expect.poll(() => inked(page, '.wipe canvas')).toBeGreaterThan(10_000);
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('button', { name: 'Side by side' }).click();
    await page.keyboard.press('Escape');
    await expect(page.locator('.popup')).toHaveCount(0);
    await expect(page.locator('.picture-sheet')).toHaveCount(2);
  });

  await test.step('a LUT from a file; one that is none is named and the picture stays', async () => {
    const dark = sampleLattice(17, ([r, g, b]) => [r ** 3, g ** 3, b ** 3]);
    await page.getByRole('button', { name: 'More' }).click();
    await expect(page.locator('.popup')).toBeVisible();
    const before = await printOf(page, picture);
    await page.getByLabel('LUT file').setInputFiles({
      name: 'dark.cube',
      mimeType: 'text/plain',
      buffer: Buffer.from(writeCube(dark, { title: 'dark', comments: [] })),
    });
    await expect(page.locator('.popup')).toContainText('dark.cube, .cube: cube of 17 points a side');
    await expect(page.locator('.popup')).toContainText('a LUT for another curve');
    await expect.poll(() => printOf(page, picture)).not.toBe(before);
    await page
      .getByLabel('LUT file')
      .setInputFiles({ name: 'bad.cube', mimeType: 'text/plain', buffer: Buffer.from('LUT_3D_SIZE 900\n') });
    await expect(page.locator('.notice-bad')).toContainText('bad.cube');
    await expect(page.locator('.popup')).toContainText('dark.cube');
  });
});

test('a verdict is turned into the plan, or muted', async ({ page }) => {
  await visit(page, judge);
  await openFile(page, 'under.png', frameFile('bench', { placement: 0 }));
  await expect(page.locator('.picture h2')).toHaveText('under.png');
  await markCard(page, 'bench');
  await verdict(page, 'monitor').locator('.verdict-row').click();
  await expect(verdict(page, 'monitor')).toContainText('pull of the monitoring LUT');
  await verdict(page, 'monitor').getByRole('button', { name: 'Plan: Placement 0' }).click();
  await expect(cell(page, 'placement')).toHaveText('0');
  await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'holds');
  await page.keyboard.press('Control+z');
  await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'watch');
  await verdict(page, 'card').locator('.verdict-row').click();
  await verdict(page, 'card').getByRole('button', { name: 'Mute' }).click();
  await expect(verdict(page, 'card')).toHaveCount(0);
  await expect(page).toHaveURL(/mute=card/);
  await page.getByRole('button', { name: 'Unmute all' }).click();
  await expect(verdict(page, 'card')).toBeVisible();
});

test('several files make a tray: N goes on, the card is found again, a refused file says why', async ({
  page,
}) => {
  await visit(page, '/judge?shoot=salt-and-fire&setup=furnace-mouth&camera=a-cam');
  const still = (name: string, placement: number) => ({
    name,
    mimeType: 'image/png',
    buffer: frameFile('bench', { placement }),
  });
  await page
    .getByLabel('Frame file')
    .setInputFiles([
      still('one.png', 1),
      { name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('take, notes') },
      still('three.png', 0),
    ]);
  await expect(page.locator('.picture h2')).toHaveText('one.png');
  const tray = page.getByRole('group', { name: 'Tray' });
  await expect(tray).toContainText('1 of 3');
  await markCard(page, 'bench');
  await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'holds');

  await page.keyboard.press('n');
  await expect(page.locator('.notice-bad')).toContainText('notes.txt');
  await expect(tray).toContainText('2 of 3');
  await expect(tray.getByRole('button', { name: 'notes.txt refused' })).toBeVisible();
  await expect(page.locator('.picture h2')).toHaveText('one.png');
  await page.keyboard.press('n');
  await expect(page.locator('.picture h2')).toHaveText('three.png');
  // The same card, a stop darker: judged without a mark being drawn again.
  await expect(verdict(page, 'card')).toContainText('−1');
  await tray.getByRole('button', { name: 'one.png' }).click();
  await expect(page.locator('.picture h2')).toHaveText('one.png');
  await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'holds');
  await page.keyboard.press('Shift+n');
  await expect(page.locator('.picture h2')).toHaveText('one.png');

  // The file stands on the take, in the log and in the hand-off.
  await page.keyboard.press('l');
  await expect(page.locator('.notices')).toContainText(/Take \d+ logged/);
  await page.keyboard.press('4');
  await expect(page.locator('.take-file').first()).toHaveText('one.png');
  await page.keyboard.press('7');
  await expect(page.locator('.take-source', { hasText: 'one.png' })).toBeVisible();
});
