import { describe, expect, it } from 'vitest';
import { openedVideo } from '#core/formats/video.ts';
import { VIDEO_LAYOUTS } from '#core/frame/videoFormats.ts';
import { EXACT } from '#core/frame/tags.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { LUMA, type LumaId } from '#core/signal/luma.ts';
import { chromaOf } from '#core/frame/ycbcr.ts';
import { createHolder } from './holder.ts';

const [WIDTH, HEIGHT] = [16, 8];
const COLOUR = [60, 210, 40] as const;

/** The colour as codes of a matrix, rounded. */
const coded = (matrix: LumaId) => {
  const { kr, kg, kb } = LUMA[matrix];
  const [cb, cr] = chromaOf(COLOUR, matrix, { bitDepth: 8, range: 'legal' });
  return {
    y: Math.round(kr * COLOUR[0] + kg * COLOUR[1] + kb * COLOUR[2]),
    cb: Math.round(cb),
    cr: Math.round(cr),
  };
};

/** One colour, 8 bit 4:2:0, coded by BT.2020. */
const opened = () => {
  const { y, cb, cr } = coded('bt2020');
  const bytes = new Uint8Array(WIDTH * HEIGHT * 1.5);
  bytes.fill(y, 0, WIDTH * HEIGHT);
  bytes.fill(cb, WIDTH * HEIGHT, WIDTH * HEIGHT * 1.25);
  bytes.fill(cr, WIDTH * HEIGHT * 1.25);
  return openedVideo(
    {
      width: WIDTH,
      height: HEIGHT,
      layout: VIDEO_LAYOUTS.I420,
      bytes,
      container: 'stand-in',
      tags: { matrix: 'bt2020', range: 'legal' },
      exactness: EXACT,
    },
    { range: 'legal' },
  );
};

const total = (counts: Iterable<number>) => [...counts].reduce((sum, n) => sum + n, 0);
const placeOf = ({ counts, bins }: { counts: Uint32Array; bins: number }) => {
  const at = counts.indexOf(Math.max(...counts));
  return { cb: at % bins, cr: Math.floor(at / bins) };
};

describe('the frame on the bench', () => {
  it('shows the vectorscope’s own samples by the recording’s matrix, and works them out by another', () => {
    const holder = createHolder(PLAIN);
    holder.put(opened());
    const held = holder.current();
    const own = held.vectorscope('bt2020');
    expect(total(own.counts)).toBe((WIDTH * HEIGHT) / 4);
    const { cb, cr } = coded('bt2020');
    expect(placeOf(own)).toEqual({ cb, cr });
    const other = held.vectorscope('bt709');
    expect(total(other.counts)).toBe(WIDTH * HEIGHT);
    const by709 = coded('bt709');
    // Twice rounded: to the recording's codes and back.
    expect(Math.abs(placeOf(other).cb - by709.cb)).toBeLessThanOrEqual(1);
    expect(Math.abs(placeOf(other).cr - by709.cr)).toBeLessThanOrEqual(1);
    expect(Math.abs(by709.cb - cb) + Math.abs(by709.cr - cr)).toBeGreaterThan(2);
  });

  it('counts a part of the picture alone, and the frame still whole afterwards', () => {
    const holder = createHolder(PLAIN);
    holder.put(opened());
    const held = holder.current();
    const part = held.part({ x: 2, y: 2, width: 6, height: 4 });
    expect(total(part.vectorscope('bt709').counts)).toBe(24);
    expect(total(part.waveform('luma', 6).counts)).toBe(24);
    expect(total(held.waveform('luma', WIDTH).counts)).toBe(WIDTH * HEIGHT);
    expect(total(held.histogram('g'))).toBe(WIDTH * HEIGHT);
  });
});
