import { readFileSync, writeFileSync } from 'node:fs';
import { file, ffmpeg, judgePath, openClip, ramp } from './clips.ts';
import { expect, test, visit } from './fixtures.ts';

test('a device that is refused is named, and the picture stays', async ({ page, context }) => {
  await context.clearPermissions();
  await visit(page, judgePath);
  await expect(page.locator('.picture h2')).toHaveText('Bench interview');
  await page.getByRole('button', { name: 'Device' }).click();
  await page.getByRole('button', { name: 'Any video input' }).click();
  await expect(page.locator('.notice-bad')).toContainText(/device/i);
  await expect(page.locator('.notice-bad')).toContainText('Bench interview stays open.');
});

test('clips that are spoilt are named by what is wrong; the last picture stays', async ({ page }) => {
  await visit(page, judgePath);
  writeFileSync(file('ramp.y4m'), ramp(8, '4:2:0'));
  await openClip(page, file('ramp.y4m'));
  const bad = async (path: string, says: RegExp) => {
    await page.getByLabel('Frame file').setInputFiles(path);
    await expect(page.locator('.notice-bad')).toContainText(says);
    await expect(page.locator('.picture h2')).toHaveText('ramp.y4m');
    await page.locator('.notice-bad').getByRole('button', { name: 'Close' }).click();
  };
  ffmpeg('-f', 'lavfi', '-i', 'sine=d=1', file('sound.mp4'));
  await bad(file('sound.mp4'), /sound but no picture/);
  writeFileSync(file('empty.mov'), '');
  await bad(file('empty.mov'), /empty/);
  writeFileSync(file('renamed.mp4'), 'a list of takes, not a clip');
  await bad(file('renamed.mp4'), /text file/);
  ffmpeg('-f', 'lavfi', '-i', 'testsrc=s=320x180:d=2', '-c:v', 'libx264', file('whole.mp4'));
  const whole = readFileSync(file('whole.mp4'));
  writeFileSync(file('cut.mp4'), whole.subarray(0, whole.length * 0.6));
  await bad(file('cut.mp4'), /cut short|damaged/);
  writeFileSync(file('noise.mkv'), Buffer.from(Array.from({ length: 5000 }, (_, i) => (i * 7919) % 251)));
  await bad(file('noise.mkv'), /No format that is read/);
});

test('a container that leads in circles is ended by itself or by hand; L logs meanwhile, the next file opens', async ({
  page,
}) => {
  await visit(page, judgePath);
  writeFileSync(file('plain.y4m'), ramp(8, '4:2:0'));
  await openClip(page, file('plain.y4m'));
  const source = ['-f', 'lavfi', '-i', 'testsrc=s=320x180:d=1', '-c:v', 'libx264'];
  ffmpeg(...source, file('circles.mkv'));
  // The list of places at its beginning, as a bad sector leaves it: the demultiplexer never comes to its end.
  writeFileSync(file('circles.mkv'), readFileSync(file('circles.mkv')).fill(0, 56, 64));
  await page.getByLabel('Frame file').setInputFiles(file('circles.mkv'));
  await expect(page.locator('.busy')).toContainText('Reading the file');
  await page.keyboard.press('l');
  await expect(page.locator('.notice').first()).toContainText(/logged/i);
  await expect(page.locator('.notice-bad')).toContainText('makes no progress');
  await expect(page.locator('.picture h2')).toHaveText('plain.y4m');
  await page.locator('.notice-bad').getByRole('button', { name: 'Close' }).click();
  // Given up by hand.
  writeFileSync(file('again.mkv'), readFileSync(file('circles.mkv')));
  await page.getByLabel('Frame file').setInputFiles(file('again.mkv'));
  await page.locator('.busy').getByRole('button', { name: 'Stop' }).click();
  await expect(page.locator('.busy')).toHaveCount(0);
  ffmpeg(...source, file('sound-one.mkv'));
  await openClip(page, file('sound-one.mkv'));
});

test('frames that come unevenly and odd sizes are told and shown', async ({ page }) => {
  await visit(page, judgePath);
  ffmpeg(
    '-f',
    'lavfi',
    '-i',
    'testsrc=s=322x182:r=25:d=2',
    '-vf',
    "select='not(eq(mod(n,5),3))+gt(n,30)',crop=321:181:0:0:exact=1",
    '-fps_mode',
    'vfr',
    '-c:v',
    'libvpx-vp9',
    '-pix_fmt',
    'yuv444p',
    file('uneven.webm'),
  );
  await openClip(page, file('uneven.webm'));
  await expect(page.locator('.picture-sheet')).toHaveAttribute('data-size', '321×181');
  await page.locator('.reading > button').click();
  await expect(page.locator('.reading-facts')).toContainText('varying');
});

test('the helper serves only this page: no other origin, no other host, no stranger', async ({
  request,
  page,
}) => {
  const ask = (headers: Record<string, string>) => request.get('/api/clips', { headers });
  expect((await ask({})).status()).toBe(403);
  expect((await ask({ origin: 'http://elsewhere.example' })).status()).toBe(403);
  expect((await ask({ 'sec-fetch-site': 'cross-site' })).status()).toBe(403);
  expect((await ask({ 'sec-fetch-site': 'same-origin', host: 'elsewhere.example' })).status()).toBe(403);
  await visit(page, judgePath);
  expect(await page.evaluate(async () => (await (await fetch('/api/clips')).json()) as unknown)).toEqual({
    ffmpeg: true,
  });
  // A list of other files is no clip: it is not followed.
  const answer = await page.evaluate(async () => {
    const body = 'ffconcat version 1.0\nfile /etc/hostname\n';
    return (await (await fetch('/api/clips', { method: 'POST', body })).json()) as { ok: boolean };
  });
  expect(answer.ok).toBe(false);
});
