import { readFileSync, writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { openPng } from '../src/core/formats/png.ts';
import { y4mFrame, y4mHeader } from '../src/core/formats/y4m.ts';
import { y4mFrameFrom } from '../src/core/formats/y4mRead.ts';
import { ARCHETYPES } from '../src/core/profile/index.ts';
import { encodePicture, TEST_PICTURES } from '../src/core/fixtures/testPictures.ts';
import type { Chroma } from '../src/core/signal/chroma.ts';
import { file, ffmpeg, HEIGHT, judgePath, openClip, ramp, WIDTH } from './clips.ts';
import { expect, inked, markCard, openWithDevice, test, verdict, visit } from './fixtures.ts';

/** The frame on the bench as its codes, by the button that saves them. */
const codesOf = async (page: Page) => {
  await page.locator('.reading > button').click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the codes as PNG' }).click(),
  ]);
  await page.keyboard.press('Escape');
  await expect(page.locator('.reading-facts')).toHaveCount(0);
  const opened = openPng(readFileSync(await file.path()), { range: 'legal' });
  if (!opened.ok) throw new Error(opened.reason);
  return opened.value.frame;
};

type Made = {
  readonly name: string;
  readonly bitDepth: 8 | 10;
  readonly chroma: Chroma;
  readonly pixels: string;
  readonly args: readonly string[];
};

// What ffmpeg encodes; the browser's codes are compared with ffmpeg's own decoding of the same file, every
// sample of it.
const CLIPS: readonly Made[] = [
  {
    name: 'vp9.webm',
    bitDepth: 10,
    chroma: '4:2:0',
    pixels: 'yuv420p10le',
    args: ['-c:v', 'libvpx-vp9', '-profile:v', '2', '-lossless', '1'],
  },
  {
    name: 'av1.mkv',
    bitDepth: 10,
    chroma: '4:2:0',
    pixels: 'yuv420p10le',
    args: ['-c:v', 'libaom-av1', '-cpu-used', '8', '-crf', '12'],
  },
  {
    name: 'h264.mp4',
    bitDepth: 8,
    chroma: '4:2:0',
    pixels: 'yuv420p',
    args: ['-c:v', 'libx264', '-crf', '4', '-g', '3', '-bf', '2'],
  },
  {
    name: 'h264ten.mov',
    bitDepth: 10,
    chroma: '4:2:2',
    pixels: 'yuv422p10le',
    args: ['-c:v', 'libx264', '-crf', '4', '-g', '3'],
  },
];

test('clips made by ffmpeg are decoded to their very codes, frame by frame', async ({ page }) => {
  await visit(page, judgePath);
  for (const { name, bitDepth, chroma, pixels, args } of CLIPS) {
    await test.step(name, async () => {
      writeFileSync(file('ramp.y4m'), ramp(bitDepth, chroma));
      ffmpeg(
        '-i',
        file('ramp.y4m'),
        ...args,
        '-pix_fmt',
        pixels,
        '-color_range',
        'tv',
        '-colorspace',
        'bt709',
        file(name),
      );
      const raw = ffmpeg('-i', file(name), '-f', 'rawvideo', '-pix_fmt', pixels, '-');
      await openClip(page, file(name));
      await expect(page.locator('[data-frame]')).toContainText('1 / 6');
      const size = raw.length / 6;
      for (const n of [0, 1, 4]) {
        await page.getByLabel('Frame of the clip').fill(String(n));
        await expect(page.locator('[data-frame]')).toHaveAttribute('data-frame', String(n));
        const shape = { width: WIDTH, height: HEIGHT, bitDepth, chroma };
        const want = y4mFrameFrom(new Uint8Array(raw.subarray(n * size, (n + 1) * size)), shape, {
          range: 'legal',
          matrix: 'bt709',
        });
        const found = await codesOf(page);
        expect(found.bitDepth, `${name}: depth kept`).toBe(bitDepth);
        let different = 0;
        for (const c of ['r', 'g', 'b'] as const)
          want[c].forEach((code, i) => (different += code === found[c][i] ? 0 : 1));
        expect(different, `${name}, frame ${n + 1}`).toBe(0);
      }
    });
  }
});

test('what the browser cannot decode goes to ffmpeg, and nothing of it stays', async ({ page }) => {
  await visit(page, judgePath);
  writeFileSync(file('ramp.y4m'), ramp(10, '4:2:2'));
  ffmpeg(
    '-i',
    file('ramp.y4m'),
    '-c:v',
    'libx265',
    '-x265-params',
    'log-level=none:keyint=3',
    '-pix_fmt',
    'yuv422p10le',
    file('deep.mov'),
  );
  const raw = ffmpeg('-i', file('deep.mov'), '-f', 'rawvideo', '-pix_fmt', 'yuv422p10le', '-');
  await openClip(page, file('deep.mov'));
  await page.locator('.reading > button').click();
  await expect(page.locator('.reading-facts')).toContainText('decoded by ffmpeg on this machine');
  await page.keyboard.press('Escape');
  await expect(page.locator('.reading-facts')).toHaveCount(0);
  await page.getByLabel('Frame of the clip').fill('4');
  await expect(page.locator('[data-frame]')).toHaveAttribute('data-frame', '4');
  const size = raw.length / 6;
  const shape = { width: WIDTH, height: HEIGHT, bitDepth: 10, chroma: '4:2:2' } as const;
  const want = y4mFrameFrom(new Uint8Array(raw.subarray(4 * size, 5 * size)), shape, {
    range: 'legal',
    matrix: 'bt709',
  });
  const found = await codesOf(page);
  expect(found.g.every((code, i) => code === want.g[i])).toBe(true);
  // A container that only ffmpeg takes apart.
  ffmpeg('-i', file('ramp.y4m'), '-c:v', 'mpeg2video', '-q:v', '2', '-pix_fmt', 'yuv422p', file('card.mxf'));
  await openClip(page, file('card.mxf'));
  await expect(page.locator('[data-frame]')).toHaveAttribute('data-frame', '0');
  // Another file on the bench lets the clip go.
  const gone = page.waitForResponse((answer) => answer.request().method() === 'DELETE');
  await openClip(page, file('ramp.y4m'));
  expect((await gone).status()).toBe(204);
});

test('a clip: play, step, judged whole, patches that move, to a logged take', async ({ page }) => {
  // The light falls by a stop over the clip, the card with it.
  const frames = Array.from({ length: 20 }, (_, n) =>
    encodePicture(TEST_PICTURES.bench(), {
      width: 480,
      height: 270,
      profile: ARCHETYPES.wideLog,
      coding: { bitDepth: 10, range: 'legal' },
      placement: 2 / 3 - n / 19,
      seed: 30 + n,
      greyElectrons: 900,
    }),
  );
  const head = y4mHeader(frames[0], { chroma: '4:2:2', rate: [25, 1] });
  writeFileSync(
    file('falls.y4m'),
    Buffer.concat([Buffer.from(head), ...frames.map((frame) => y4mFrame(frame, '4:2:2'))]),
  );
  await visit(page, judgePath);
  await openClip(page, file('falls.y4m'));
  await markCard(page, 'bench');
  await expect(verdict(page, 'card')).toHaveAttribute('data-state', 'holds');
  await page.keyboard.press('.');
  await expect(page.locator('[data-frame]')).toHaveAttribute('data-frame', '1');
  await page.getByRole('button', { name: 'Judge clip' }).click();
  await expect(verdict(page, 'drift')).toContainText('Exposure drifts in shot');
  await expect(verdict(page, 'drift')).toContainText(/moves 1 stop/);
  await expect(page.locator('.drift')).toBeVisible();
  await page.getByRole('button', { name: 'Worst', exact: true }).click();
  await expect(page.locator('[data-frame]')).toHaveAttribute('data-frame', '19');
  await expect(verdict(page, 'card')).toContainText('Card under the plan');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Pause', exact: true })).toHaveCount(0, { timeout: 20_000 });
  await expect(page.locator('[data-frame]')).toHaveAttribute('data-frame', '19');
  await page.keyboard.press('l');
  await expect(page.getByText(/Take \d+ logged: Bench interview, A-cam, falls.y4m/)).toBeVisible();
});

test('a device: its codes, the last minute, the two-point check, to a logged take; unplugged it says so', async () => {
  // Chromium plays an 8-bit Y4M file as a camera: a bench picture that a chain has stretched to full range.
  const frame = encodePicture(TEST_PICTURES.bench(), {
    width: 640,
    height: 360,
    profile: ARCHETYPES.wideLog,
    coding: { bitDepth: 8, range: 'legal' },
    placement: 2 / 3,
    seed: 9,
    greyElectrons: 900,
  });
  const head = y4mHeader(frame, { chroma: '4:2:0', rate: [25, 1] });
  writeFileSync(file('camera.y4m'), Buffer.concat([Buffer.from(head), y4mFrame(frame, '4:2:0')]));
  const { browser, page } = await openWithDevice(file('camera.y4m'));
  try {
    // The test keeps hold of the devices that the page opens, to pull their plug.
    await page.addInitScript(() => {
      const { mediaDevices } = navigator;
      const ask = mediaDevices.getUserMedia.bind(mediaDevices);
      mediaDevices.getUserMedia = async (wish) => {
        const stream = await ask(wish);
        Object.assign(globalThis, { pluggedIn: stream.getVideoTracks()[0] });
        return stream;
      };
    });
    await visit(page, judgePath);
    await page.getByRole('button', { name: 'Device' }).click();
    await page.getByRole('button', { name: 'Choose…' }).click();
    await expect(page.locator('.device-list button')).toHaveCount(3);
    await page.getByRole('button', { name: 'Any video input' }).click();
    await expect(page.locator('.transport')).toContainText(/left out/);
    await expect.poll(() => inked(page, '.picture-sheet > canvas')).toBeGreaterThan(10_000);
    // The device's codes are those of the file it plays.
    await markCard(page, 'bench');
    await expect(verdict(page, 'card')).toContainText('Card where planned');
    await expect
      .poll(async () => Number(await page.locator('[data-strip]').getAttribute('data-strip')), {
        timeout: 20_000,
      })
      .toBeGreaterThan(20);
    await expect(page.locator('.drift')).toContainText('card');
    // Nothing here is black or white, and the check says so instead of guessing.
    await page.getByRole('button', { name: 'Check feed' }).click();
    await page.getByRole('button', { name: 'Take black' }).click();
    await expect(page.getByText(/not evenly black/)).toBeVisible();
    await page.keyboard.press('Escape');
    await page.keyboard.press('l');
    await expect(page.getByText(/Take \d+ logged: Bench interview, A-cam/)).toBeVisible();
    await page.locator('.transport').getByRole('button', { name: 'Stop' }).click();
    await expect(page.locator('.transport')).toContainText('Stopped');
    await expect(page.locator('.picture-sheet')).toBeVisible();
    await page.getByRole('button', { name: 'Device' }).click();
    await page.getByRole('button', { name: 'Any video input' }).click();
    await expect(page.locator('.transport').getByRole('button', { name: 'Stop', exact: true })).toBeEnabled();
    await page.evaluate(() => {
      const { pluggedIn } = globalThis as unknown as { pluggedIn: MediaStreamTrack };
      pluggedIn.stop();
      pluggedIn.dispatchEvent(new Event('ended'));
    });
    await expect(page.locator('.notice-bad')).toContainText('The device went away');
    await expect(page.locator('.picture-sheet')).toBeVisible();
  } finally {
    await browser.close();
  }
});
