import { printMeter, type MeterTarget } from '#core/exposure/cameraMeter.ts';
import { meterTargets } from '#core/exposure/meterTarget.ts';
import { surveyOf } from '#core/exposure/survey.ts';
import type { Selection } from '#store/selection.ts';

/** What this camera’s meter must show for the plan’s placement. */
export const metersOf = ({ camera, plan, setup, subjects }: Selection): readonly MeterTarget[] => {
  const survey = surveyOf(setup.spots, subjects, { k: setup.meterK, c: setup.meterC });
  return meterTargets(camera.meter, plan.placement, subjects, survey.ok ? survey.value : undefined);
};

/** In a line: `card +1.0, Ana +2.3, whole frame +0.4`. */
export const meterWords = (selection: Selection): string =>
  metersOf(selection)
    .map((target) => `${target.on} ${printMeter(target, selection.camera.meter)}`)
    .join(', ');
