import { gamutMatrix } from '../colour/gamut.ts';
import { luminance } from '../scene/light.ts';
import { compileCdl, type Cdl } from '../lut/cdl.ts';
import { cubeScale } from '../lut/cubeScale.ts';
import { apply, type Triple } from '../maths/matrix.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import type { Coding } from '../signal/scale.ts';
import { stopsToReflectance } from '../units.ts';

/** What one correction does beyond another, on a grey as it was recorded. */
export type CdlChange = {
  /** Light, stops: above 0 it was lifted. */
  readonly stops: number;
  /** Red over blue, stops: above 0 it became warmer. */
  readonly warmer: number;
  /** Saturation over saturation. */
  readonly saturation: number;
};

/**
 * What was changed between two CDLs on a recording's code values, told in light on a grey card where it was recorded.
 * @param at Where the card was recorded, stops over grey
 */
export const cdlChange = (
  before: Cdl,
  after: Cdl,
  { profile, coding, at }: { readonly profile: ProfileData; readonly coding: Coding; readonly at: number },
): CdlChange => {
  const { transfer, gamut } = compileProfile(profile);
  const { toSignal, fromSignal } = cubeScale('code', coding);
  const code = fromSignal(transfer.encode(stopsToReflectance(at)));
  const matrix = gamutMatrix(gamut, 'bt2020');
  const lightOf = (cdl: Cdl): Triple => {
    const out = compileCdl(cdl, 'free')([code, code, code]);
    const [r, g, b] = out.map((v) => Math.max(1e-6, transfer.decode(toSignal(v))));
    return apply(matrix, [r, g, b]);
  };
  const [was, is] = [lightOf(before), lightOf(after)];
  const ratio = (a: number, b: number) => Math.log2(Math.max(1e-6, a) / Math.max(1e-6, b));
  return {
    stops: ratio(luminance(...is), luminance(...was)),
    warmer: ratio(is[0], was[0]) - ratio(is[2], was[2]),
    saturation: before.saturation === 0 ? 1 : after.saturation / before.saturation,
  };
};
