import { meterOn, type CameraMeter, type MeterTarget } from './cameraMeter.ts';
import type { Survey } from './survey.ts';

/** A whole frame so far from grey is an odd one: its mean is no guide. Our own choice. */
const ODD_FRAME = 1.5;

/** The whole frame's mean, stops over the card: what a meter of the whole picture calls middle. */
export const frameMean = ({ spots }: Survey): number | undefined =>
  spots.length === 0
    ? undefined
    : Math.log2(spots.reduce((sum, { stops }) => sum + 2 ** stops, 0) / spots.length);

/**
 * Readings of the camera's meter for a placement: spot on the card, on each face, and of the whole frame where its
 * mean is known and means something (no light in the frame, within 1.5 stops of grey).
 *
 * @param placement of the card, stops over grey
 */
export const meterTargets = (
  meter: CameraMeter,
  placement: number,
  faces: readonly { readonly name: string; readonly skinOffset: number }[],
  survey: Survey | undefined,
): readonly MeterTarget[] => {
  const target = (on: string, offset: number) => meterOn(meter, on, placement + offset);
  const mean = survey && frameMean(survey);
  const isGuide =
    mean !== undefined &&
    Math.abs(mean) <= ODD_FRAME &&
    !survey?.spots.some(({ spot: { role } }) => role === 'light');
  return [
    target('card', 0),
    ...faces.map(({ name, skinOffset }) => target(name, skinOffset)),
    ...(isGuide ? [target('whole frame', mean)] : []),
  ];
};
