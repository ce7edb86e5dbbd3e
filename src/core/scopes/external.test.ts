// Scopes against ffmpeg's own scopes on the same frames.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { y4mFrame, y4mHeader, ycbcrOf } from '../formats/y4m.ts';
import { ARCHETYPES } from '../profile/index.ts';
import { encodePicture, TEST_PICTURES } from '../fixtures/testPictures.ts';
import type { Coding } from '../signal/scale.ts';
import { chromaOf } from '../frame/ycbcr.ts';
import { lumaPlane } from './luma.ts';
import { LUMA } from '../signal/luma.ts';
import { vectorscope, vectorscopeOfPlanes } from './vectorscope.ts';
import { histogramOf, waveform } from './waveform.ts';
import { ffmpeg, run, scratchFolder } from './fixtures/ffmpeg.ts';

const folder = scratchFolder();

const TEN: Coding = { bitDepth: 10, range: 'legal' };

describe.skipIf(!ffmpeg)('the counts of ffmpeg’s scopes on the same 10-bit frame', () => {
  const [WIDTH, HEIGHT] = [320, 180];
  const frame = encodePicture(TEST_PICTURES.furnace(), {
    width: WIDTH,
    height: HEIGHT,
    profile: ARCHETYPES.wideLog,
    coding: TEN,
    placement: 1,
    seed: 3,
    greyElectrons: 900,
  });
  const clip = join(folder, 'frame.y4m');
  const rgb = join(folder, 'frame.gbrp');
  writeFileSync(
    clip,
    Buffer.concat([
      Buffer.from(y4mHeader(frame, { chroma: '4:4:4', rate: [25, 1] })),
      y4mFrame(frame, '4:4:4'),
    ]),
  );
  writeFileSync(rgb, Buffer.concat([frame.g, frame.b, frame.r].map((plane) => Buffer.from(plane.buffer))));
  const [y, cb, cr] = ycbcrOf(frame, '4:4:4');
  const asCodes = (bytes: Buffer, plane: number, size: number) =>
    new Uint16Array(new Uint8Array(bytes.subarray(2 * plane * size, 2 * (plane + 1) * size)).buffer);
  // ffmpeg adds intensity * (2^10 - 1), cut off, for each pixel: just one here.
  const ONE = 0.0015;

  it('waveform of luma: every count of every column', () => {
    const bytes = run(
      '-i',
      clip,
      '-vf',
      `waveform=mode=column:components=1:mirror=1:intensity=${ONE}`,
      '-f',
      'rawvideo',
      '-pix_fmt',
      'yuv444p10le',
      '-',
    );
    const drawn = asCodes(bytes, 0, WIDTH * 1024);
    const { counts, stride } = waveform(y, WIDTH, 10, WIDTH);
    let different = 0;
    for (let x = 0; x < WIDTH; x += 1)
      for (let level = 0; level < 1024; level += 1)
        if (drawn[(1023 - level) * WIDTH + x] !== counts[x * stride + level]) different += 1;
    expect(different).toBe(0);
    expect(drawn.reduce((sum, n) => sum + n, 0)).toBe(WIDTH * HEIGHT);
  });

  it('parade of R′, G′, B′: every count', () => {
    const bytes = run(
      '-f',
      'rawvideo',
      '-pix_fmt',
      'gbrp10le',
      '-s',
      `${WIDTH}x${HEIGHT}`,
      '-i',
      rgb,
      '-vf',
      `waveform=mode=column:display=parade:components=7:mirror=1:intensity=${ONE}`,
      '-f',
      'rawvideo',
      '-pix_fmt',
      'gbrp10le',
      '-',
    );
    // Red, green and blue stand side by side, each drawn in its own plane; planes lie as G, B, R.
    const size = 3 * WIDTH * 1024;
    let different = 0;
    [frame.r, frame.g, frame.b].forEach((plane, k) => {
      const drawn = asCodes(bytes, [2, 0, 1][k], size);
      const { counts, stride } = waveform(plane, WIDTH, 10, WIDTH);
      for (let x = 0; x < WIDTH; x += 1)
        for (let level = 0; level < 1024; level += 1)
          if (drawn[(1023 - level) * 3 * WIDTH + k * WIDTH + x] !== counts[x * stride + level])
            different += 1;
    });
    expect(different).toBe(0);
  });

  it('vectorscope of the recorded colour differences: every count; of R′G′B′ within its rounding', () => {
    const bytes = run(
      '-i',
      clip,
      '-vf',
      `vectorscope=mode=gray:intensity=${ONE}`,
      '-f',
      'rawvideo',
      '-pix_fmt',
      'yuv444p10le',
      '-',
    );
    const drawn = asCodes(bytes, 0, 1024 * 1024);
    // A plain count at full fineness is what ffmpeg has, up to the 1023 that its picture can hold, Cr downwards.
    const plain = new Uint32Array(1024 * 1024);
    cb.forEach((u, i) => (plain[(1023 - cr[i]) * 1024 + u] += 1));
    expect(plain.every((n, i) => Math.min(1023, n) === drawn[i])).toBe(true);
    const counts = new Uint32Array(512 * 512);
    vectorscopeOfPlanes({ cb, cr }, 10, counts);
    // Two by two of those places are one of ours.
    const theirs = new Uint32Array(512 * 512);
    for (let v = 0; v < 1024; v += 1)
      for (let u = 0; u < 1024; u += 1) theirs[((1023 - v) >> 1) * 512 + (u >> 1)] += plain[v * 1024 + u];
    const far = (a: Uint32Array, b: Uint32Array) => a.reduce((sum, n, i) => sum + Math.abs(n - b[i]), 0);
    expect(far(counts, theirs)).toBe(0);
    // Ours from R'G'B' rounds once where the file's were rounded from luma: a few move to the bin beside.
    const own = new Uint32Array(512 * 512);
    vectorscope(frame, 'bt709', own);
    expect(far(own, theirs) / (WIDTH * HEIGHT)).toBeLessThan(0.05);
  });

  it('histogram of luma: the height of each level, as ffmpeg scales it', () => {
    const tall = 2048;
    const bytes = run(
      '-i',
      clip,
      '-vf',
      `histogram=components=1:level_height=${tall}:scale_height=0:levels_mode=linear`,
      '-f',
      'rawvideo',
      '-pix_fmt',
      'yuv444p10le',
      '-',
    );
    const drawn = asCodes(bytes, 0, 1024 * tall);
    const counts = histogramOf(waveform(y, WIDTH, 10, WIDTH));
    const most = counts.reduce((top, n) => Math.max(top, n), 0);
    let different = 0;
    for (let level = 0; level < 1024; level += 1) {
      let height = 0;
      for (let row = 0; row < tall; row += 1) if (drawn[row * 1024 + level] > 64) height += 1;
      // It draws whole rows, at least one where there is a pixel at all.
      const want = (counts[level] * tall) / most;
      if (Math.abs(height - want) > 1.01) different += 1;
    }
    expect(different).toBe(0);
  });

  it('luma of R′G′B′ in whole numbers is what the file has', () => {
    const luma = lumaPlane(frame, LUMA.bt709);
    expect(luma.every((code, i) => Math.abs(code - y[i]) <= 1)).toBe(true);
    const [u] = chromaOf([frame.r[5], frame.g[5], frame.b[5]], 'bt709', TEN);
    expect(Math.abs(u - cb[5])).toBeLessThanOrEqual(0.5);
  });
});
