import { rgb, type PDFPage } from 'pdf-lib';
import { rampBytes } from '#core/scopes/ramp.ts';
import { INK, RULE } from '#ui/paper/sheet.ts';
import type { ReportTake } from './reportData.ts';

/** The ladder's drawing on paper, points. */
export const LADDER = { width: 26, height: 62 };
/** Stops from its foot to its top. */
const STOPS = [-10, 10] as const;
const LEAST = 1e-5;

/**
 * How a take's pixels spread over stops, with its card: as planned on the left, as found on the right.
 * @param corner Its upper left corner
 */
export const drawLadder = (
  page: PDFPage,
  corner: { readonly x: number; readonly y: number },
  { distribution, planned, found }: Pick<ReportTake, 'distribution' | 'planned' | 'found'>,
): void => {
  const [low, high] = STOPS;
  const { width, height } = LADDER;
  const yOf = (stops: number) =>
    corner.y - height * ((high - Math.min(high, Math.max(low, stops))) / (high - low));
  page.drawRectangle({
    x: corner.x,
    y: corner.y - height,
    width,
    height,
    borderColor: RULE,
    borderWidth: 0.4,
  });
  const peak = Math.max(LEAST, ...distribution);
  const inner = width - 10;
  for (const [i, share] of distribution.entries()) {
    if (share <= LEAST) continue;
    const stops = low + i / 2;
    const [r, g, b] = rampBytes('viridis', stops + 0.25).map((byte) => byte / 255);
    const wide = Math.sqrt(share / peak) * inner;
    const y = yOf(stops);
    page.drawRectangle({
      x: corner.x + (width - wide) / 2,
      y,
      width: wide,
      height: yOf(stops + 0.5) - y,
      color: rgb(r, g, b),
    });
  }
  const tick = (stops: number, from: number, to: number, thickness: number) =>
    page.drawLine({
      start: { x: corner.x + from, y: yOf(stops) },
      end: { x: corner.x + to, y: yOf(stops) },
      thickness,
      color: INK,
    });
  tick(0, 0, width, 0.3);
  tick(planned, 0, 5, 1.2);
  if (found !== undefined) tick(found, width - 5, width, 1.2);
};
