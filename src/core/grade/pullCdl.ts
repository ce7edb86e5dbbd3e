import { compileProfile, type ProfileData } from '../profile/index.ts';
import { failure, success, type Result } from '../result.ts';
import type { CubeScale } from '../lut/cubeScale.ts';
import { cubeScale } from '../lut/cubeScale.ts';
import type { Coding } from '../signal/scale.ts';
import { stopsToReflectance } from '../units.ts';
import { NEUTRAL_CDL, type Cdl } from '../lut/cdl.ts';

/** A pull as a CDL, with what it leaves wrong: worst from `from` stops up, in stops. */
export type PullCdl = { readonly cdl: Cdl; readonly worstStops: number; readonly from: number };

/** Under this the toe bends, and an offset is no longer a gain of light: stops under grey. */
const FROM = -3;

/**
 * A pull or push on a recording's own scale as an ASC CDL: an offset of the code for a log (c log10 2 a
 * stop), a slope for linear light; other curves have none.
 */
export const pullCdl = (
  data: ProfileData,
  stops: number,
  scale: CubeScale,
  coding: Coding,
): Result<PullCdl> => {
  const { curve } = data;
  const { transfer, clipStops, stopsAt } = compileProfile(data);
  const linear = curve.kind === 'standard' && curve.transfer === 'linear' && !curve.lift && !curve.knee;
  if (curve.kind !== 'log' && !linear)
    return failure(
      'CDL',
      'A CDL can only say a pull for log (an offset) or linear light (a slope): bake it into the LUT instead.',
    );
  const { toSignal, fromSignal } = cubeScale(scale, coding);
  const span = fromSignal(1) - fromSignal(0);
  const v = curve.kind === 'log' ? curve.coefficients.c * Math.log10(2) * stops * span : 0;
  const k = linear ? 2 ** stops : 1;
  // A slope turns about 0 of the scale, light about black.
  const o = linear ? fromSignal(0) * (1 - k) : v;
  const cdl: Cdl = { ...NEUTRAL_CDL, slope: [k, k, k], offset: [o, o, o] };
  let worst = 0;
  for (let at = FROM; at <= clipStops - Math.max(0, stops) - 0.1; at += 0.1) {
    const moved = toSignal(k * fromSignal(transfer.encode(stopsToReflectance(at))) + o);
    worst = Math.max(worst, Math.abs(stopsAt(moved) - (at + stops)));
  }
  return success({ cdl, worstStops: worst, from: FROM });
};
