import { isFlickerSafe, shutterSeconds, type Shutter } from './shutter.ts';

export type ShutterRow = {
  readonly fps: number;
  /** Exposure time of 180 degrees, as 1/x s. */
  readonly exact: number;
  /** The camera's own setting nearest to it. */
  readonly nearest: Shutter;
  readonly safe50: boolean;
  readonly safe60: boolean;
};

/** The 180-degree rule for usual frame rates, on a camera's own list. */
export const shutterTable = (
  list: readonly Shutter[],
  rates: readonly number[] = [24, 25, 30, 50, 60, 100, 120],
): ShutterRow[] =>
  rates.map((fps) => {
    const wanted = 1 / (2 * fps);
    const off = (shutter: Shutter) => Math.abs(Math.log2(shutterSeconds(shutter, fps) / wanted));
    const nearest = list.reduce((best, shutter) => (off(shutter) < off(best) ? shutter : best));
    const seconds = shutterSeconds(nearest, fps);
    return {
      fps,
      exact: 1 / wanted,
      nearest,
      safe50: isFlickerSafe(seconds, 50),
      safe60: isFlickerSafe(seconds, 60),
    };
  });
