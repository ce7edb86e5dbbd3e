import type { InterpolatedCorrection } from '#core/correction/interpolate.ts';
import { printKelvin } from '../../format.ts';
import { words } from '../../wording/matchLight.ts';

/** Outside the lights that were measured by more than this, a match is only near. Our own, mired. */
const FAR_OUTSIDE = 5;

/** Warns where a kept match is used outside the lights it was solved in; undefined within. */
export const outsideWords = ({
  outside,
  from,
}: Pick<InterpolatedCorrection, 'outside' | 'from'>): string | undefined =>
  outside > FAR_OUTSIDE ? words.outsideLight(outside.toFixed(0), printKelvin(from[0])) : undefined;
