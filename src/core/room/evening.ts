import type { WeatherKey } from '../scene/truth.ts';

/** What goes wrong on the stage's evening, and whom it befalls. */
export const EVENING_FAULTS = ['lamp', 'balance', 'iris'] as const;
export type EveningFault = (typeof EVENING_FAULTS)[number];

/** A fault of the round: seconds from its start to its end. */
type Fault = { readonly kind: EveningFault; readonly from: number; readonly to: number };

/** Seconds after which the faults come round again: the evening has no end. */
export const EVENING_ROUND = 40 * 60;

/**
 * The faults of a round. The key spot is one of a pair: half of it is left when a lamp fails. An automatic that was
 * left on is the second camera's alone.
 */
const ROUND: readonly Fault[] = [
  { kind: 'lamp', from: 10 * 60, to: 16 * 60 },
  { kind: 'balance', from: 22 * 60, to: 27 * 60 },
  { kind: 'iris', from: 32 * 60, to: 36 * 60 },
];

/** Seconds in which the sky loses half of its light after sunset. Common practice: a stop in some six minutes. */
const HALF_LIFE = 6 * 60;
/** The windows as they are when the first guests come: the curtains are half drawn. */
const AT_FIRST = 0.35;
/** What is left of the key spot with one of its two lamps. */
const ONE_OF_TWO = 0.5;

export type EveningMoment = {
  /** Weights of the hall's layers: lamps, key spot, windows. */
  readonly weights: WeatherKey['weights'];
  /** Automatics that run on the second camera. */
  readonly automatics: readonly Exclude<EveningFault, 'lamp'>[];
};

/** Seconds since it began that a fault next begins. */
export const nextFault = (kind: EveningFault, seconds: number): number => {
  const { from } = ROUND.find((fault) => fault.kind === kind)!;
  const rounds = Math.ceil(Math.max(0, seconds - from) / EVENING_ROUND);
  return from + rounds * EVENING_ROUND;
};

/**
 * The hall at a moment of the evening.
 * @param seconds Since the first guests came in: the sun has just set
 */
export const eveningAt = (seconds: number): EveningMoment => {
  const at = seconds % EVENING_ROUND;
  const has = (kind: EveningFault) => ROUND.some((one) => one.kind === kind && at >= one.from && at < one.to);
  const automatics = (['balance', 'iris'] as const).filter(has);
  return { weights: [1, has('lamp') ? ONE_OF_TWO : 1, AT_FIRST * 2 ** (-seconds / HALF_LIFE)], automatics };
};
