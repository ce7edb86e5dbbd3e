// npm run shots: one picture of each main view from the demo, into docs/screenshots. Needs a build.
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { build, freePort, installPackages, nodeIsNew, say, startServer } from './ground.mjs';

nodeIsNew();
installPackages();
build();
const { server, address } = await startServer(await freePort(3300), { quietly: true });
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
// Past the doors of a first start.
const storageState = {
  cookies: [],
  origins: [{ origin: address, localStorage: [{ name: 'candelum-first-start', value: '{"doors":false}' }] }],
};
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, storageState });
const on = (step, setup, camera, rest = '') =>
  `${address}/${step}?shoot=salt-and-fire&setup=${setup}&camera=${camera}${rest}`;
const visit = async (url, ready = '.set-card') => {
  await page.goto(url);
  await page.locator(ready).first().waitFor();
  await page.waitForTimeout(900);
};
const shoot = async (name) => {
  await page.mouse.move(1062, 790);
  await page.waitForTimeout(200);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  say(`docs/screenshots/${name}.png`);
};
await visit(on('plan', 'furnace-mouth', 'a-cam'));
await shoot('plan');
for (const [name, setup, camera, part] of [
  ['plan-profile', 'lantern-quay', 'a-cam', 'profile'],
  ['plan-balance', 'furnace-mouth', 'a-cam', 'balance'],
  ['plan-day', 'dunes', 'air-cam', 'day'],
  ['plan-lens', 'bench-interview', 'a-cam', 'lens'],
]) {
  await visit(on('plan', setup, camera, `&part=${part}`));
  await shoot(name);
}
await visit(on('judge', 'furnace-mouth', 'a-cam'), '[data-verdict="forecast"]');
await shoot('judge');
// A clip of the simulated camera, opened as any other; then the same as a camera that Chromium plays.
const recorded = async (setup, camera) => {
  await visit(on('judge', setup, camera), '[data-verdict="forecast"]');
  const card = await page.locator('.patch-edge').first().boundingBox();
  const [file] = await Promise.all([
    page.waitForEvent('download', { timeout: 120_000 }),
    page.getByRole('button', { name: 'Clip', exact: true }).last().click(),
  ]);
  const folder = mkdtempSync(join(tmpdir(), 'candelum-shots-'));
  const name = `${setup}.y4m`;
  await file.saveAs(join(folder, name));
  return { folder, name, card };
};
const mark = async (on, { x, y, width, height }) => {
  await on.mouse.move(x + width * 0.2, y + height * 0.2);
  await on.mouse.down();
  await on.mouse.move(x + width * 0.5, y + height * 0.5);
  await on.mouse.move(x + width * 0.8, y + height * 0.8);
  await on.mouse.up();
};
/** Where a place on the picture of one size lies on the picture shown now. */
const placeOn = async (on, sheet, box) => {
  const now = await on.locator('.picture-sheet').boundingBox();
  const k = now.width / sheet.width;
  return {
    x: now.x + (box.x - sheet.x) * k,
    y: now.y + (box.y - sheet.y) * k,
    width: box.width * k,
    height: box.height * k,
  };
};
const clip = await recorded('packing-yard', 'b-cam');
const sheet = await page.locator('.picture-sheet').boundingBox();

// Chromium calls the device by the file's path: a name alone, from the folder it lies in.
const root = process.cwd();
process.chdir(clip.folder);
const played = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    `--use-file-for-fake-video-capture=${clip.name}`,
  ],
});
process.chdir(root);
const live = await played.newPage({ viewport: { width: 1280, height: 800 }, storageState });
await live.goto(on('judge', 'packing-yard', 'b-cam', '&view=stops&contours=true'));
await live.locator('[data-verdict="forecast"]').waitFor();
await live.getByRole('button', { name: 'Device' }).click();
await live.getByRole('button', { name: 'Any video input' }).click();
await live.locator('[data-shown]').waitFor();
await live.waitForTimeout(1000);
await mark(live, await placeOn(live, sheet, clip.card));
await live.mouse.move(1062, 790);
await live.waitForTimeout(9000);
await live.screenshot({ path: 'docs/screenshots/judge-live.png' });
say('docs/screenshots/judge-live.png');
await played.close();

await visit(on('log', 'furnace-mouth', 'a-cam'), '.take img');
await shoot('log');
await visit(on('log', 'furnace-mouth', 'a-cam', '&part=clips'), '.clip-table img');
await page.waitForTimeout(1500);
await shoot('clips');
await visit(on('luts', 'furnace-mouth', 'a-cam', '&over=true'), '.lut-picture canvas');
await page.waitForTimeout(2500);
await shoot('luts');
await visit(on('match', 'bench-interview', 'b-cam'), '.match-answer');
await page.waitForTimeout(2500);
await shoot('match');
await visit(on('match', 'open-evening', 'hall-2', '&part=room'), '.room-says');
await page.waitForTimeout(12_000);
await shoot('room');
await visit(on('match', 'furnace-mouth', 'a-cam', '&part=clips'), '.match-verdicts');
await page.waitForTimeout(2500);
await shoot('match-clips');
await visit(on('handoff', 'furnace-mouth', 'a-cam'), '.pocket');
await shoot('handoff');
await visit(on('handoff', 'furnace-mouth', 'a-cam', '&part=grade'), '.grade-effect');
await page.waitForTimeout(2500);
await shoot('grade');

await visit(on('kit', 'furnace-mouth', 'a-cam'));
await page.getByLabel('Name', { exact: true }).fill('Paper log');
await page.getByLabel('18 %', { exact: true }).fill('39');
await page.getByLabel('90 %', { exact: true }).fill('59.4');
await page.getByLabel('clip', { exact: true }).fill('92.4');
await page.waitForTimeout(400);
await shoot('kit');
await visit(on('practise', 'bench-interview', 'a-cam', '&tasks=expose-skin.1.9'), '.drill-picture canvas');
await page.waitForTimeout(3500);
await page.getByRole('button', { name: 'Answer' }).click();
await page.waitForTimeout(500);
await shoot('practise');

// A camera that the stage has tested: what it is like stands first.
await page.goto(`${on('kit', 'furnace-mouth', 'a-cam')}&part=test`);
await page.getByRole('button', { name: 'Film the list' }).click();
await page.getByRole('heading', { name: 'What A-cam is like' }).waitFor({ timeout: 180_000 });
await page.waitForTimeout(1500);
await shoot('kit-test');

// A phone: four screens side by side in one picture.
const phone = await browser.newPage({
  viewport: { width: 390, height: 844 },
  storageState,
  hasTouch: true,
  isMobile: true,
});
const screens = [];
for (const [url, ready] of [
  [on('plan', 'furnace-mouth', 'a-cam'), '.schools'],
  [on('judge', 'furnace-mouth', 'a-cam'), '[data-verdict="forecast"]'],
  [on('log', 'furnace-mouth', 'a-cam'), '.take img'],
  [on('plan', 'furnace-mouth', 'a-cam'), '.schools'],
]) {
  await phone.goto(url);
  await phone.locator(ready).first().waitFor();
  await phone.waitForTimeout(1500);
  if (screens.length === 3) {
    await phone.getByRole('button', { name: 'Stop ladder' }).tap();
    await phone.waitForTimeout(400);
  }
  screens.push((await phone.screenshot()).toString('base64'));
}
const sheetOfPhones = await browser.newPage({ viewport: { width: 1280, height: 700 } });
await sheetOfPhones.setContent(
  `<body style="margin:0;background:#2c2c2c;display:flex;gap:16px;padding:16px">${screens
    .map((png) => `<img src="data:image/png;base64,${png}" width="300" height="649" alt="">`)
    .join('')}</body>`,
);
await sheetOfPhones.waitForTimeout(500);
await sheetOfPhones.screenshot({ path: 'docs/screenshots/phone.png' });
say('docs/screenshots/phone.png');

await browser.close();
server.kill();
process.exit(0);
