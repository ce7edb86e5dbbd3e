/** Data of a recording: Mb/s are decimal megabits, GB decimal gigabytes. */
export const gigabytes = (mbps: number, minutes: number): number => (mbps * 60 * minutes) / 8 / 1000;

/** Minutes a card of so many GB takes; a tenth is kept free, as cards are never filled. */
export const cardMinutes = (mbps: number, cardGb: number, free = 0.1): number =>
  (cardGb * (1 - free) * 8 * 1000) / (mbps * 60);

/** Mb a frame: what slow motion is compared by. */
export const megabitsPerFrame = (mbps: number, fps: number): number => mbps / fps;

/** Bits a pixel. */
export const bitsPerPixel = (mbps: number, fps: number, width: number, height: number): number =>
  (mbps * 1e6) / (fps * width * height);

/**
 * How many times as much a codec rounds off with other bits a pixel: 6 dB a bit and sample, as the rate-distortion
 * function of a Gaussian source has it (D = s^2 2^(-2R); Cover and Thomas, Elements of Information Theory, 10.3.2).
 * Same picture, same kind of codec.
 * @param samples A pixel, luma and colour: 2 in 4:2:2
 */
export const codingError = (bits: number, than: number, samples: number): number =>
  2 ** ((than - bits) / samples);

/** Minutes of correction one clip takes, by kind of profile, where log takes four. The proportions are our own. */
const GRADING_MINUTES = { log: 4, flat: 2.5, finished: 0.5 } as const;
export type GradingKind = keyof typeof GRADING_MINUTES;

/** Matching a further camera costs so much more for each clip. Our own. */
const MATCH_FACTOR = 0.5;

/**
 * Minutes of correction for a set-up: one representative clip in full, sister clips copied at a fifth of it.
 * `logMinutes` is what a clip of log takes this team; milder profiles take their share of it.
 */
export const gradingMinutes = (
  kind: GradingKind,
  clips: number,
  cameras: number,
  logMinutes: number = GRADING_MINUTES.log,
): number => {
  if (clips <= 0) return 0;
  const perClip = (GRADING_MINUTES[kind] / GRADING_MINUTES.log) * logMinutes;
  const sisters = (clips - 1) * perClip * 0.2;
  return (perClip + sisters) * (1 + MATCH_FACTOR * Math.max(0, cameras - 1));
};
