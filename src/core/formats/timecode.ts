import { failure, success, type Result } from '../result.ts';

/** A timecode as frames counted from midnight. */
export type Timecode = {
  readonly frames: number;
  /** Frames that a second of the timecode counts: 25, 30, 60. */
  readonly perSecond: number;
  /** Numbers are left out so that it keeps to the clock at 29.97 and 59.94 (SMPTE ST 12-1). */
  readonly isDropFrame: boolean;
};

const two = (n: number) => String(n).padStart(2, '0');

/** Numbers left out at the start of every minute but each tenth: 2 at 30, 4 at 60 (SMPTE ST 12-1). */
const leftOut = (perSecond: number) => perSecond / 15;

/** Frames of a day. */
const perDay = ({ perSecond, isDropFrame }: Omit<Timecode, 'frames'>): number =>
  86_400 * perSecond - (isDropFrame ? 1440 * leftOut(perSecond) - 144 * leftOut(perSecond) : 0);

/** `10:11:12:13`, drop frame with a semicolon before the frames; after 24 hours it begins anew. */
export const printTimecode = ({ frames, perSecond, isDropFrame }: Timecode): string => {
  const day = perDay({ perSecond, isDropFrame });
  const within = ((frames % day) + day) % day;
  let counted = within;
  if (isDropFrame) {
    const left = leftOut(perSecond);
    const [minute, ten] = [60 * perSecond - left, 600 * perSecond - 9 * left];
    const [tens, rest] = [Math.floor(within / ten), within % ten];
    counted += 9 * left * tens + (rest < left ? 0 : left * Math.floor((rest - left) / minute));
  }
  const seconds = Math.floor(counted / perSecond);
  const clock = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60].map(two).join(':');
  return `${clock}${isDropFrame ? ';' : ':'}${two(counted % perSecond)}`;
};

/**
 * Reads `10:11:12:13`; a semicolon or a full stop before the frames is drop frame.
 * @param perSecond Frames that a second counts
 * @returns A failure for what is no time of day at that rate, or a number that drop frame leaves out.
 */
export const parseTimecode = (text: string, perSecond: number): Result<Timecode> => {
  const found = /^(\d{2}):(\d{2}):(\d{2})([:;.])(\d{2,3})$/.exec(text.trim());
  const no = (reason: string) => failure('timecode', `“${text.slice(0, 20)}” ${reason}`);
  if (!found) return no('is no timecode: it is written 10:11:12:13.');
  const [hours, minutes, seconds, frame] = [found[1], found[2], found[3], found[5]].map(Number);
  if (hours > 23 || minutes > 59 || seconds > 59) return no('is no time of day.');
  if (frame >= perSecond) return no(`has no such frame at ${perSecond} a second.`);
  const isDropFrame = found[4] !== ':';
  const counted = ((hours * 60 + minutes) * 60 + seconds) * perSecond + frame;
  if (!isDropFrame) return success({ frames: counted, perSecond, isDropFrame });
  if (perSecond % 30 !== 0) return no(`is drop frame, which there is none of at ${perSecond} a second.`);
  const left = leftOut(perSecond);
  const minute = hours * 60 + minutes;
  if (seconds === 0 && frame < left && minutes % 10 !== 0)
    return no('is a number that drop frame leaves out.');
  return success({ frames: counted - left * (minute - Math.floor(minute / 10)), perSecond, isDropFrame });
};
