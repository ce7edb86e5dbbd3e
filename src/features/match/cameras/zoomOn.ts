import type { Share } from '#workers/match/protocol.ts';

/** How many of its own sides are shown round a mark, and the least part of a picture that is shown. */
const AROUND = 4;
const LEAST = 0.04;

/** The part of a picture round a mark, of the picture's own shape, and where the mark lies in it; in shares. */
export const zoomOn = ({ x, y, width, height }: Share): { readonly region: Share; readonly box: Share } => {
  const side = Math.min(1, Math.max(LEAST, AROUND * Math.max(width, height)));
  const from = (at: number, long: number) => Math.min(1 - side, Math.max(0, at + long / 2 - side / 2));
  const region = { x: from(x, width), y: from(y, height), width: side, height: side };
  const box = {
    x: (x - region.x) / side,
    y: (y - region.y) / side,
    width: width / side,
    height: height / side,
  };
  return { region, box };
};
