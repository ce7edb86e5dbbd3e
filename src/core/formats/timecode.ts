/** A start timecode as frames counted from midnight. */
export type Timecode = {
  readonly frames: number;
  /** Frames that a second of the timecode counts: 25, 30, 60. */
  readonly perSecond: number;
  /** Numbers are left out so that it keeps to the clock at 29.97 and 59.94 (SMPTE ST 12-1). */
  readonly isDropFrame: boolean;
};

const two = (n: number) => String(n).padStart(2, '0');

/** `10:11:12:13`, drop frame with a semicolon before the frames. */
export const printTimecode = ({ frames, perSecond, isDropFrame }: Timecode): string => {
  let counted = frames;
  if (isDropFrame) {
    // Of every minute but each tenth, the first 2 (at 30) or 4 (at 60) numbers are left out.
    const left = perSecond / 15;
    const [minute, ten] = [60 * perSecond - left, 600 * perSecond - 9 * left];
    const [tens, rest] = [Math.floor(frames / ten), frames % ten];
    counted += 9 * left * tens + (rest < left ? 0 : left * Math.floor((rest - left) / minute));
  }
  const seconds = Math.floor(counted / perSecond);
  const hours = Math.floor(seconds / 3600) % 24;
  const clock = [hours, Math.floor(seconds / 60) % 60, seconds % 60].map(two).join(':');
  return `${clock}${isDropFrame ? ';' : ':'}${two(counted % perSecond)}`;
};
