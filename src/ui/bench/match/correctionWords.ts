import { operationOf, type Correction } from '#core/correction/operations.ts';
import { printSigned, printStopsDecimal } from '#core/units.ts';

/** Under these nobody sees it: hundredths of a stop, mired, points of tint, parts of contrast and saturation. */
const LEAST = { stops: 0.02, mired: 0.5, tint: 0.5, share: 0.005 } as const;

/** A correction in words, the parts that can be seen. */
export const correctionWords = (correction: Correction): readonly string[] => {
  const { stops = 0 } = operationOf(correction, 'exposure') ?? {};
  const { mired = 0, tint = 0 } = operationOf(correction, 'balance') ?? {};
  const { slope = 1 } = operationOf(correction, 'contrast') ?? {};
  const { amount = 1 } = operationOf(correction, 'saturation') ?? {};
  const black = operationOf(correction, 'black')?.offset;
  return [
    ...(Math.abs(stops) < LEAST.stops ? [] : [`light ${printStopsDecimal(stops, 2)} stop`]),
    ...(Math.abs(mired) < LEAST.mired
      ? []
      : [`${Math.abs(mired).toFixed(0)} mired ${mired > 0 ? 'warmer' : 'cooler'}`]),
    ...(Math.abs(tint) < LEAST.tint ? [] : [`tint ${printSigned(tint, 0)}`]),
    ...(Math.abs(slope - 1) < LEAST.share ? [] : [`contrast × ${slope.toFixed(2)}`]),
    ...(Math.abs(amount - 1) < LEAST.share ? [] : [`saturation × ${amount.toFixed(2)}`]),
    ...(black ? [`black ${printSigned(-100 * black[1], 1)} %`] : []),
    ...(operationOf(correction, 'matrix') ? ['a 3 × 3 for colours'] : []),
  ];
};
