import { clampRect, type Frame, type Rect } from '../frame/frame.ts';
import { codeToSignal } from '../signal/scale.ts';
import { LUMA } from '../signal/luma.ts';
import { flattened } from './flattened.ts';
import { lumaPlane } from './luma.ts';

/** A rectangle in fractions of the picture, so that one mark serves frames of every size. */
export type CardMark = Rect;

/** A card as recorded; signal fractions. */
export type CardReading = {
  readonly signal: number;
  /** R', G', B' means. */
  readonly channels: readonly [number, number, number];
  /** Standard deviation of luma over the card: uneven light and the rounding to codes taken out. */
  readonly deviation: number;
  readonly pixels: number;
  /** Share of the card's pixels at the top code. */
  readonly atTop: number;
};

/** Variance of rounding to whole codes. */
const ROUNDING = 1 / 12;

/** Reads the card inside a mark. */
export const readCard = (frame: Frame, mark: CardMark): CardReading => {
  const rect = clampRect(
    {
      x: mark.x * frame.width,
      y: mark.y * frame.height,
      width: mark.width * frame.width,
      height: mark.height * frame.height,
    },
    frame,
  );
  const luma = lumaPlane(frame, LUMA.bt709);
  const { mean, variance } = flattened(luma, frame.width, rect);
  const top = 2 ** frame.bitDepth - 1;
  const sums = [0, 0, 0];
  let atTop = 0;
  for (let row = rect.y; row < rect.y + rect.height; row += 1) {
    for (let i = row * frame.width + rect.x; i < row * frame.width + rect.x + rect.width; i += 1) {
      sums[0] += frame.r[i];
      sums[1] += frame.g[i];
      sums[2] += frame.b[i];
      if (luma[i] >= top) atTop += 1;
    }
  }
  const pixels = rect.width * rect.height;
  const signalOf = (code: number) => codeToSignal(code, frame);
  const perCode = signalOf(1) - signalOf(0);
  return {
    signal: signalOf(mean),
    channels: [signalOf(sums[0] / pixels), signalOf(sums[1] / pixels), signalOf(sums[2] / pixels)],
    deviation: Math.sqrt(Math.max(0, variance - ROUNDING)) * perCode,
    pixels,
    atTop: atTop / pixels,
  };
};
