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

export const printShutter = (shutter: Shutter): string =>
  shutter.kind === 'angle' ? `${shutter.degrees}°` : `1/${shutter.denominator}`;

/** Whether the time is a whole number of half mains cycles, within 2 %: then lamps on the mains do not flicker. */
export const isFlickerSafe = (seconds: number, mainsHz: 50 | 60): boolean => {
  const halfCycles = seconds * 2 * mainsHz;
  const whole = Math.round(halfCycles);
  return whole >= 1 && Math.abs(halfCycles / whole - 1) < 0.02;
};
