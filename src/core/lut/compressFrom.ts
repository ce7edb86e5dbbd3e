/**
 * What becomes of colours that the output's primaries cannot show. Without one they are cut at 0, channel by channel:
 * a saturated lamp becomes a flat patch of another hue.
 */
export type GamutMap = {
  readonly kind: 'compress';
  /** Distance from grey up to which nothing is changed: 0 is grey, 1 the edge of the output's gamut. */
  readonly from: number;
};

/** What `from` may be, what is offered, and the usual one: our own choice. */
export const COMPRESS_FROM = { min: 0.5, max: 0.95, plain: 0.8, offered: [0.6, 0.8, 0.9] } as const;
