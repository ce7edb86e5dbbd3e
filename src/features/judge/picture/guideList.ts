type Guide = { readonly name: string; readonly ratio?: number };

/** Frame guides: width over height. A further one is a row; `own` takes the ratio that was typed. */
export const GUIDES = {
  none: { name: 'none' },
  '16:9': { name: '16:9', ratio: 16 / 9 },
  '17:9': { name: '1.90', ratio: 256 / 135 },
  '1.85': { name: '1.85', ratio: 1.85 },
  '2:1': { name: '2:1', ratio: 2 },
  '2.39': { name: '2.39', ratio: 2.39 },
  '4:3': { name: '4:3', ratio: 4 / 3 },
  '1:1': { name: '1:1', ratio: 1 },
  '4:5': { name: '4:5', ratio: 4 / 5 },
  '9:16': { name: '9:16', ratio: 9 / 16 },
  own: { name: 'own' },
} as const satisfies Record<string, Guide>;
export type GuideId = keyof typeof GUIDES;
export const GUIDE_IDS = Object.keys(GUIDES) as GuideId[];

/** Width over height of a guide; undefined for none. */
export const guideRatio = (id: GuideId, own: number): number | undefined =>
  id === 'own' ? (own > 0.2 && own < 5 ? own : undefined) : (GUIDES[id] as Guide).ratio;

export type Box = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };

/** The largest box of a ratio inside a picture, in its middle. */
export const boxOfRatio = (width: number, height: number, ratio: number): Box => {
  const w = Math.min(width, height * ratio);
  const h = Math.min(height, width / ratio);
  return { x: (width - w) / 2, y: (height - h) / 2, width: w, height: h };
};

/** A share of a box about its middle. */
export const inner = ({ x, y, width, height }: Box, share: number): Box => ({
  x: x + (width * (1 - share)) / 2,
  y: y + (height * (1 - share)) / 2,
  width: width * share,
  height: height * share,
});

/**
 * Action and graphics safe areas: EBU R 95, 93 and 90 % of width and height of a 16:9 picture (from memory).
 * `labelAt`: screen pixels from the area's left edge, so that the two names do not meet.
 */
export const SAFE_AREAS = [
  { name: 'action', share: 0.93, labelAt: 4 },
  { name: 'graphics', share: 0.9, labelAt: 110 },
] as const;
