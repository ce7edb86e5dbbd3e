import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { frameMeter } from '#core/scopes/frameMeter.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import { patchStops } from '#core/verdict/patchStops.ts';
import { distributionOf } from '#ui/bench/benchModel.ts';

/** What a meter of the frame that is open reads once its card lies where it is planned; undefined without a card. */
export const openFrame = (
  measurement: FrameMeasurement,
  numbers: SetCardNumbers,
  placement: number,
): number | undefined => {
  const card = measurement.patches.find(({ patch }) => patch.kind === 'card');
  const meter = frameMeter(distributionOf(measurement, numbers), 0);
  if (!card || !meter) return undefined;
  return meter.shows - patchStops(card, measurement.coding, numbers.profile) + placement;
};
