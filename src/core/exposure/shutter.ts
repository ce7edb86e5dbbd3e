/** Set as an angle of the frame time, or as 1/denominator second. */
export type Shutter =
  | { readonly kind: 'angle'; readonly degrees: number }
  | { readonly kind: 'time'; readonly denominator: number };

/**
 * Exposure time in seconds: angle / (360 fps), or 1 / denominator.
 * @throws RangeError when fps or the setting is not above 0.
 */
export const shutterSeconds = (shutter: Shutter, fps: number): number => {
  const setting = shutter.kind === 'angle' ? shutter.degrees : shutter.denominator;
  if (!(fps > 0 && setting > 0))
    throw new RangeError(`shutterSeconds: fps and setting above 0, got ${fps}, ${setting}`);
  return shutter.kind === 'angle' ? shutter.degrees / (360 * fps) : 1 / shutter.denominator;
};

/**
 * A camera's list of shutters, set the other way at this frame rate: 180° at 25 fps is 1/50 s. What an angle cannot
 * be (longer than the frame) is left out; equal ones stand once.
 *
 * @param list degrees, or denominators of a second @param to how they are set from now on
 * @returns degrees to a tenth, or whole denominators, rising
 */
export const turnedShutters = (list: readonly number[], to: Shutter['kind'], fps: number): number[] => {
  const turned = list
    .filter((setting) => setting > 0)
    .map((setting) => (360 * fps) / setting)
    .map((exact) => (to === 'angle' ? Math.round(10 * exact) / 10 : Math.round(exact)))
    .filter((setting) => setting > 0 && (to === 'time' || setting <= 360));
  return [...new Set(turned)].sort((a, b) => a - b);
};

export const printShutter = (shutter: Shutter): string =>
  shutter.kind === 'angle' ? `${shutter.degrees}°` : `1/${shutter.denominator}`;

/** Whether the time is a whole number of half mains cycles, within 2 %: then lamps on the mains do not flicker. */
export const isFlickerSafe = (seconds: number, mainsHz: 50 | 60): boolean => {
  const halfCycles = seconds * 2 * mainsHz;
  const whole = Math.round(halfCycles);
  return whole >= 1 && Math.abs(halfCycles / whole - 1) < 0.02;
};
