import { meterOn, type CameraMeter, type MeterTarget } from './cameraMeter.ts';
import { weightByPlace, type MeterMode } from './meterModes.ts';
import { shareOf, SPOT_SHARES, type SpotPlace } from './spot.ts';
import type { Survey } from './survey.ts';

/** A whole frame so far from grey is an odd one, and one known no better than this: no guide. Our own choice. */
const ODD_FRAME = 1.5;
const UNSURE_FRAME = 0.75;

/** What is so far over the mean is full on the sensor that meters, and counts no more, stops. Our own choice. */
const FULL = 4;
const ROUNDS = 12;
/** A share that was said in words may be so much larger or smaller, times. Our own choice. */
const SAID_WITHIN = 2;

/** The frame's mean, stops over the card: what a meter of the picture calls middle. */
export type FrameMean = {
  readonly mean: number;
  /** How far it may lie otherwise, since shares and places are said in words, stops. */
  readonly within: number;
  /** What pulls it most from where it would be without it. */
  readonly pulledBy?: string;
};

type Part = {
  readonly name: string;
  readonly stops: number;
  /** Of the frame, as the meter weighs it. */
  readonly share: number;
  /** What its share may be instead, times: most and least, for each thing that is known roughly. */
  readonly doubts: readonly (readonly [number, number])[];
};

/** Mean of parts by their shares; the brightest count as far as the meter's sensor goes. */
const meanOf = (parts: readonly Part[]): number => {
  const whole = parts.reduce((sum, { share }) => sum + share, 0);
  let mean = Math.max(...parts.map(({ stops }) => stops));
  for (let i = 0; i < ROUNDS; i += 1)
    mean = Math.log2(
      parts.reduce((sum, { stops, share }) => sum + share * 2 ** Math.min(stops, mean + FULL), 0) / whole,
    );
  return mean;
};

/** How many times a place counts, and what it may count instead where nobody has said where it is. */
const weigher = (mode: Exclude<MeterMode, 'spot'>) => {
  const { middle, edge } = weightByPlace(mode);
  const said: readonly [number, number] = [SAID_WITHIN, 1 / SAID_WITHIN];
  const weights: Record<SpotPlace, Pick<Part, 'share' | 'doubts'>> = {
    any: { share: 1, doubts: [said, [middle, edge]] },
    middle: { share: middle, doubts: [said] },
    edge: { share: edge, doubts: [said] },
  };
  return (place: SpotPlace = 'any') => weights[place];
};

/**
 * The frame's mean by the spots of a survey, each for its share and, on a meter that weighs the middle more, for its
 * place; undefined where no spot stands in the frame.
 */
export const frameMean = (
  { spots }: Survey,
  mode: Exclude<MeterMode, 'spot'> = 'whole',
): FrameMean | undefined => {
  const weighed = weigher(mode);
  const parts = spots
    .map(({ spot, stops }): Part => {
      const { share, doubts } = weighed(spot.place);
      return { name: spot.name, stops, share: share * SPOT_SHARES[shareOf(spot)].share, doubts };
    })
    .filter(({ share }) => share > 0);
  if (parts.length === 0) return undefined;
  const mean = meanOf(parts);
  const moved = (i: number, factor: number) =>
    meanOf(parts.map((part, k) => (k === i ? { ...part, share: part.share * factor } : part))) - mean;
  const within = Math.hypot(
    ...parts.flatMap(({ doubts }, i) =>
      doubts.map((factors) => Math.max(...factors.map((factor) => Math.abs(moved(i, factor))))),
    ),
  );
  const pulls = parts.map(({ name }, i) => ({ name, by: parts.length > 1 ? Math.abs(moved(i, 0)) : 0 }));
  const strongest = pulls.reduce((a, b) => (b.by > a.by ? b : a));
  return {
    mean,
    within,
    ...(strongest.by > within / 2 && strongest.by > 1 / 3 ? { pulledBy: strongest.name } : {}),
  };
};

/** Whether a frame's mean means something: within 1.5 stops of grey, known within 0.75. */
export const isGuide = ({ mean, within }: FrameMean): boolean =>
  Math.abs(mean) <= ODD_FRAME && within <= UNSURE_FRAME;

/**
 * Readings of the camera's meter for a placement: spot on the card, on each face, and of the whole frame where its
 * mean is known and means something (within 1.5 stops of grey, known within 0.75).
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
  return [
    target('card', 0),
    ...faces.map(({ name, skinOffset }) => target(name, skinOffset)),
    ...(mean && isGuide(mean) ? [target('whole frame', mean.mean)] : []),
  ];
};
