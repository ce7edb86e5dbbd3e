import { gamutOf, rgbToXyz } from '../colour/gamut.ts';
import type { Triple } from '../maths/matrix.ts';
import type { Profile } from '../profile/index.ts';
import type { PatchReading } from '../scopes/measure.ts';
import { codeToSignal, type Coding } from '../signal/scale.ts';
import { reflectanceToStops } from '../units.ts';

type Read = Pick<PatchReading, 'r' | 'g' | 'b' | 'light'>;

/**
 * Linear R, G, B of a patch, 1.0 = diffuse white: its mean light where that was measured, else the light of
 * its mean codes.
 */
export const patchLight = ({ r, g, b, light }: Read, coding: Coding, profile: Profile): Triple => {
  const of = (code: number) =>
    profile.transfer.decode(Math.min(profile.clipSignal, codeToSignal(code, coding)));
  return light ?? [of(r), of(g), of(b)];
};

/**
 * Luminance of a patch in stops over grey, as a spot meter would have it: linear channels weighed by the
 * gamut's own luminance (the Y row of SMPTE RP 177's matrix). Luma would weigh the curved signals instead.
 * Not above the clip.
 */
export const patchStops = (reading: Read, coding: Coding, profile: Profile): number => {
  const [r, g, b] = patchLight(reading, coding, profile);
  const [, , , yr, yg, yb] = rgbToXyz(gamutOf(profile.gamut));
  return reflectanceToStops(Math.max(0, yr * r + yg * g + yb * b));
};
