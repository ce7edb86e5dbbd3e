import { printStopsDecimal } from '../units.ts';
import type { Survey } from './survey.ts';

/** A camera's own meter. */
export type CameraMeter = {
  /** Ways it measures, by name. */
  readonly modes: readonly string[];
  /** Stops either side that its scale shows. */
  readonly scale: number;
  /** What it shows more than it should, stops. */
  readonly bias: number;
};

/** What the meter shows, pointed at one thing, when the card lies where it is planned. */
export type MeterTarget = {
  readonly on: string;
  /** Bias taken in, stops. */
  readonly shows: number;
  /** Past the end of its scale: it only blinks. */
  readonly isPast: boolean;
};

/** A whole frame so far from grey is an odd one: its mean is no guide. Our own choice. */
const ODD_FRAME = 1.5;

/** What the meter shows of one tone. @param stops over grey */
export const meterOn = ({ scale, bias }: CameraMeter, on: string, stops: number): MeterTarget => ({
  on,
  shows: stops + bias,
  isPast: Math.abs(stops + bias) > scale + 1e-9,
});

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

/** As the meter's scale reads: `+1.3`, or that its scale ends before. */
export const printMeter = ({ shows, isPast }: MeterTarget, { scale }: CameraMeter): string =>
  isPast ? `past ${shows > 0 ? '+' : '−'}${scale}` : printStopsDecimal(shows);
