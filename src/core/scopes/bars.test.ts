// Bars against their published codes, and where the scope draws them.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ycbcrOf } from '../formats/y4m.ts';
import { openY4m, y4mFrameAt } from '../formats/y4mRead.ts';
import type { Frame } from '../frame/frame.ts';
import { BAR_COLOUR_IDS, barsFrame, type BarColour } from '../fixtures/bars.ts';
import type { Coding } from '../signal/scale.ts';
import { barPlace, placeAngle, SKIN_ANGLE, vectorscopePicture, type BarId } from './vectorscopePicture.ts';
import { vectorscope } from './vectorscope.ts';
import { ffmpeg, run, scratchFolder } from './fixtures/ffmpeg.ts';

const folder = scratchFolder();

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
