// npm run shots: one picture of each main view from the demo, into docs/screenshots. Needs a build.
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
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
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
  ['plan-water', 'slipway', 'small-cam', 'balance'],
  ['plan-day', 'furnace-mouth', 'a-cam', 'day'],
  ['plan-cards', 'furnace-mouth', 'a-cam', 'cards'],
]) {
  await visit(on('plan', setup, camera, `&part=${part}`));
  await shoot(name);
}
await visit(on('judge', 'furnace-mouth', 'a-cam'), '[data-verdict="forecast"]');
await shoot('judge');
await visit(
  on('judge', 'bench-interview', 'a-cam', '&view=stops&contours=true&scope=percent'),
  '[data-verdict="forecast"]',
);
await page.locator('[data-verdict="card"] button').click();
await page.waitForTimeout(400);
await shoot('judge-stops');

await page.keyboard.press('Escape');
await visit(on('log', 'furnace-mouth', 'a-cam'), '.take img');
await shoot('log');
await visit(on('handoff', 'furnace-mouth', 'a-cam'), '.pocket');
await shoot('handoff');

await visit(on('kit', 'furnace-mouth', 'a-cam'));
await page.getByLabel('Name', { exact: true }).fill('Paper log');
await page.getByLabel('18 %', { exact: true }).fill('39');
await page.getByLabel('90 %', { exact: true }).fill('59.4');
await page.getByLabel('clip', { exact: true }).fill('92.4');
await page.waitForTimeout(400);
await shoot('kit');
await visit(on('kit', 'bench-interview', 'b-cam', '&part=zebra'));
await shoot('kit-zebra');
await visit(on('kit', 'bench-interview', 'a-cam', '&part=bag'));
await shoot('kit-bag');
await visit(on('kit', 'dunes', 'air-cam'));
await page.getByRole('radio', { name: 'Bracket' }).check();
await page.getByRole('button', { name: 'Nine demo frames' }).click();
await page.getByRole('button', { name: /Read the card off/ }).click();
await page.getByText(/Fits within/).waitFor();
await shoot('kit-bracket');

await browser.close();
server.kill();
process.exit(0);
