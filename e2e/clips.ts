import { spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { y4mFrame, y4mHeader } from '../src/core/formats/y4m.ts';
import type { Chroma } from '../src/core/signal/chroma.ts';
import type { Coding } from '../src/core/signal/scale.ts';
import { expect } from './fixtures.ts';

const folder = mkdtempSync(join(tmpdir(), 'candelum-clips-test-'));
/** A path in a folder of this run. */
export const file = (name: string) => join(folder, name);
/** Runs ffmpeg; throws with what it said. */
export const ffmpeg = (...args: string[]) => {
  const done = spawnSync('ffmpeg', ['-v', 'error', '-y', ...args], { maxBuffer: 2 ** 28 });
  if (done.status !== 0) throw new Error(`ffmpeg ${args.join(' ')}: ${done.stderr.toString()}`);
  return done.stdout;
};

export const judgePath = '/judge?shoot=salt-and-fire&setup=bench-interview&camera=a-cam';
export const WIDTH = 320;
export const HEIGHT = 180;

/** A ramp through all codes of a depth, colour turning with it, as a clip of a few frames. */
export const ramp = (bitDepth: 8 | 10, chroma: Chroma, frames = 6): Buffer => {
  const top = 2 ** bitDepth - 1;
  const plane = (k: number, n: number) =>
    Uint16Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
      const x = i % WIDTH;
      return Math.round(((x + n * 3 + k * 40 * Math.floor(i / WIDTH / 45)) % WIDTH) * (top / (WIDTH - 1)));
    });
  const coding: Coding = { bitDepth, range: 'legal' };
  const parts = Array.from({ length: frames }, (_, n) =>
    y4mFrame(
      { width: WIDTH, height: HEIGHT, ...coding, r: plane(0, n), g: plane(1, n), b: plane(2, n) },
      chroma,
    ),
  );
  const head = y4mHeader({ width: WIDTH, height: HEIGHT, ...coding }, { chroma, rate: [25, 1] });
  return Buffer.concat([Buffer.from(head), ...parts]);
};

/** Opens a clip on the bench and waits until its name stands there. */
export const openClip = async (page: Page, path: string) => {
  await page.getByLabel('Frame file').setInputFiles(path);
  await expect(page.locator('.picture h2')).toHaveText(path.split('/').at(-1) ?? '');
};
