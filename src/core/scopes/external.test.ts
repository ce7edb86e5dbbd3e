// Scopes against the published codes of bars and against ffmpeg's own scopes on the same frames.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { y4mFrame, y4mHeader, ycbcrOf } from '../formats/y4m.ts';
import { openY4m, y4mFrameAt } from '../formats/y4mRead.ts';
import type { Frame } from '../frame/frame.ts';
import { ARCHETYPES } from '../profile/index.ts';
import { BAR_COLOUR_IDS, barsFrame, type BarColour } from '../fixtures/bars.ts';
import { encodePicture, TEST_PICTURES } from '../fixtures/testPictures.ts';
import type { Coding } from '../signal/scale.ts';
import { chromaOf } from '../frame/ycbcr.ts';
import { lumaPlane } from './luma.ts';
import { LUMA } from '../signal/luma.ts';
import { barPlace, placeAngle, SKIN_ANGLE, vectorscopePicture, type BarId } from './vectorscopePicture.ts';
import { vectorscope, vectorscopeOfPlanes } from './vectorscope.ts';
import { histogramOf, waveform } from './waveform.ts';

const ffmpeg = spawnSync('ffmpeg', ['-version']).status === 0;
const folder = mkdtempSync(join(tmpdir(), 'candelum-scopes-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const run = (...args: string[]): Buffer => {
  const done = spawnSync('ffmpeg', ['-v', 'error', '-y', ...args], { maxBuffer: 2 ** 28 });
  if (done.status !== 0) throw new Error(done.stderr.toString());
  return done.stdout;
};

const TEN: Coding = { bitDepth: 10, range: 'legal' };
const EIGHT: Coding = { bitDepth: 8, range: 'legal' };

// SMPTE RP 219-1: 75 % bars of HD, 10-bit Y', Cb, Cr (from memory; the equations of BT.709 give the same).
const RP219: Record<BarColour, readonly [number, number, number]> = {
  white: [721, 512, 512],
  yellow: [674, 176, 543],
  cyan: [581, 589, 176],
  green: [534, 253, 207],
  magenta: [251, 771, 817],
  red: [204, 435, 848],
  blue: [111, 848, 481],
};

const LETTERS: Partial<Record<BarColour, BarId>> = {
  yellow: 'Y',
  cyan: 'C',
  green: 'G',
  magenta: 'M',
  red: 'R',
  blue: 'B',
};

/** Y', Cb, Cr in the middle of each bar. */
const barCodes = (frame: Frame) => {
  const [y, cb, cr] = frame.source
    ? [frame.source.y, frame.source.cb, frame.source.cr]
    : ycbcrOf(frame, '4:4:4');
  return BAR_COLOUR_IDS.map((bar, i) => {
    const at = Math.floor(((i + 0.5) * frame.width) / 7);
    return { bar, codes: [y[at], cb[at], cr[at]] as const };
  });
};

describe('bars', () => {
  it('made here land on the codes of RP 219 within one', () => {
    for (const { bar, codes } of barCodes(barsFrame(140, 4, 0.75, TEN)))
      codes.forEach((code, c) =>
        expect(Math.abs(code - RP219[bar][c]), `${bar} ${c}`).toBeLessThanOrEqual(1),
      );
  });

  it.each([0.75, 1])(
    'at %f stand in the targets of the vectorscope: angle and reach within a code',
    (level) => {
      const frame = barsFrame(140, 4, level, TEN);
      for (const { bar, codes } of barCodes(frame)) {
        const letter = LETTERS[bar];
        if (!letter) continue;
        const place = barPlace(letter, level, 'bt709', TEN);
        expect(Math.abs(512 + 448 * place.x - codes[1])).toBeLessThanOrEqual(1);
        expect(Math.abs(512 + 448 * place.y - codes[2])).toBeLessThanOrEqual(1);
        const drawn = placeAngle({ x: codes[1] - 512, y: codes[2] - 512 });
        // One code at this reach, as an angle.
        const code = (180 / Math.PI) * (1.5 / Math.hypot(codes[1] - 512, codes[2] - 512));
        expect(Math.abs(drawn - placeAngle(place))).toBeLessThan(code);
      }
    },
  );

  it('are drawn where their targets are, and white in the middle', () => {
    const frame = barsFrame(70, 10, 0.75, TEN);
    const counts = new Uint32Array(512 * 512);
    vectorscope(frame, 'bt709', counts);
    const size = 448;
    const rgba = vectorscopePicture({ bins: 512, counts }, { coding: TEN, size, reach: 1 });
    const inked = ({ x, y }: { x: number; y: number }) => {
      const [u, v] = [Math.round((0.5 + x / 2) * size), Math.round((0.5 - y / 2) * size)];
      for (let dy = -2; dy <= 2; dy += 1)
        for (let dx = -2; dx <= 2; dx += 1) if (rgba[4 * ((v + dy) * size + u + dx) + 3] > 0) return true;
      return false;
    };
    for (const bar of ['R', 'Y', 'G', 'C', 'B', 'M'] as const)
      expect(inked(barPlace(bar, 0.75, 'bt709', TEN)), bar).toBe(true);
    expect(inked({ x: 0, y: 0 })).toBe(true);
    expect(inked(barPlace('R', 1, 'bt709', TEN))).toBe(false);
  });

  it('the skin axis of 123 degrees in U and V is about 132.5 where Cb and Cr have one scale', () => {
    expect(SKIN_ANGLE).toBeCloseTo(132.5, 0);
  });

  it.skipIf(!ffmpeg)('made by ffmpeg read the same: RP 219 at 8 bit, 75 and 100 %', () => {
    // ffmpeg's smptehdbars: RP 219 with a 40 % grey at either side, an eighth of the width each.
    const file = join(folder, 'bars.y4m');
    run('-f', 'lavfi', '-i', 'smptehdbars=s=1120x112:r=25', '-frames:v', '1', '-pix_fmt', 'yuv444p', file);
    const bytes = new Uint8Array(readFileSync(file));
    const clip = openY4m(bytes);
    if (!clip.ok) throw new Error(clip.reason);
    const frame = y4mFrameAt(bytes, clip.value, 0, 'legal');
    const source = frame.source;
    if (!source) throw new Error('no Y′CbCr');
    const [wide, first] = [(1120 * 3) / 4 / 7, 1120 / 8];
    BAR_COLOUR_IDS.forEach((bar, i) => {
      const at = Math.round(first + (i + 0.5) * wide);
      const codes = [source.y[at], source.cb[at], source.cr[at]];
      codes.forEach((code, c) =>
        expect(Math.abs(code - RP219[bar][c] / 4), `${bar} ${c}`).toBeLessThanOrEqual(1),
      );
    });
    // BT.601 matrix, as ffmpeg makes its plain bars; levels are R'G'B' of 75 and 100 %.
    for (const [name, level] of [
      ['pal75bars', 0.75],
      ['pal100bars', 1],
    ] as const) {
      const plain = join(folder, `${name}.y4m`);
      run('-f', 'lavfi', '-i', `${name}=s=160x16:r=25`, '-frames:v', '1', '-pix_fmt', 'yuv444p', plain);
      const read = new Uint8Array(readFileSync(plain));
      const opened = openY4m(read);
      if (!opened.ok) throw new Error(opened.reason);
      const { source: planes } = y4mFrameAt(read, opened.value, 0, 'legal');
      (['Y', 'C', 'G', 'M', 'R', 'B'] as const).forEach((bar, i) => {
        const at = Math.floor((i + 1.5) * 20);
        const place = barPlace(bar, level, 'bt601', EIGHT);
        expect(Math.abs((planes?.cb[at] ?? 0) - (128 + 112 * place.x)), `${name} ${bar}`).toBeLessThanOrEqual(
          1,
        );
        expect(Math.abs((planes?.cr[at] ?? 0) - (128 + 112 * place.y)), `${name} ${bar}`).toBeLessThanOrEqual(
          1,
        );
      });
    }
  });
});

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
