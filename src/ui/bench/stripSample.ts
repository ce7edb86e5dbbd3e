import type { Temperature } from '#core/colour/temperature.ts';
import { castOf } from '#core/verdict/cast.ts';
import { cardReading } from '#core/verdict/index.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import type { StripSample } from './strip.ts';

/** Mean of the picture's luma as stops: of the signal, as a whole-frame meter behind the curve would see it. */
export const meanStops = ({ histogram, coding }: FrameMeasurement, { profile }: SetCardNumbers): number => {
  const perLevel = 2 ** coding.bitDepth / histogram.length;
  let [sum, count] = [0, 0];
  histogram.forEach((n, level) => {
    sum += n * level * perLevel;
    count += n;
  });
  return profile.stopsAt(codeToSignal(count > 0 ? sum / count : 0, coding));
};

/** A measured picture in the numbers that drift. */
export const stripSample = (
  at: number,
  measurement: FrameMeasurement,
  numbers: SetCardNumbers,
  /** The light that the camera renders neutral as it is dialled: the cast is counted from it, as the verdict does. */
  light?: Temperature,
): StripSample => {
  const card = cardReading({ measurement, numbers, placement: 0 });
  return {
    at,
    stops: card?.stops ?? meanStops(measurement, numbers),
    byCard: card !== undefined,
    mired: castOf(measurement, numbers, light)?.mired,
    clipped: measurement.clipping.all,
  };
};
