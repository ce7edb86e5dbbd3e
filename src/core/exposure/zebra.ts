import { SCALES, type Coding, type ScaleId } from '../signal/scale.ts';

/** The levels one kind of zebra can be set to, on the camera's scale. */
type ZebraLevels = { readonly min: number; readonly max: number; readonly step: number };

type ZebraKind = 'range' | 'lowerLimit';

/** What a camera's zebra can do. */
export type ZebraAbility = {
  /** Which kinds it has; one missing is made do with the other. Without the field, both. */
  readonly kinds?: readonly ZebraKind[];
  /** How many it shows at once. Without the field, two. */
  readonly slots?: number;
  readonly scale: ScaleId;
  /** `log`: reads the recorded signal. `lut`: reads the display LUT's output. */
  readonly reads: 'log' | 'lut';
  readonly range: ZebraLevels & { readonly tolerances: readonly number[] };
  readonly lowerLimit: ZebraLevels;
};

/** The picture a zebra reads: stops over grey in the recording to the signal fraction it sees, and back. */
export type ZebraSignal = {
  readonly signalAt: (stops: number) => number;
  readonly stopsAt: (signal: number) => number;
};

export type ZebraSetting = {
  readonly kind: ZebraKind;
  /** What to dial in. */
  readonly level: number;
  /** Range zebra only. */
  readonly tolerance?: number;
  /** The level before rounding, on the camera's scale. */
  readonly exact: number;
  /** Where the rounded level lies minus where it was meant to lie, in stops. */
  readonly costStops: number;
  /** The camera's range ends before the level that was wanted. */
  readonly limited: boolean;
};

const clampToLevels = ({ min, max, step }: ZebraLevels, wanted: number, round: (steps: number) => number) => {
  const level = min + round((wanted - min) / step) * step;
  const top = min + Math.floor((max - min) / step + 1e-9) * step;
  return Math.min(top, Math.max(min, Number(level.toFixed(6))));
};

const cost = (signal: ZebraSignal, scale: ScaleId, coding: Coding, level: number, stops: number) =>
  signal.stopsAt(SCALES[scale].toSignal(level, coding)) - stops;

const has = ({ kinds }: ZebraAbility, kind: ZebraKind) => kinds === undefined || kinds.includes(kind);

/** A tone of its own: the range zebra, or the level at which a lower-limit zebra begins to cover it. */
export const toneZebra = (
  ability: ZebraAbility,
  signal: ZebraSignal,
  coding: Coding,
  stops: number,
  widthStops: number,
): ZebraSetting => {
  if (has(ability, 'range')) return rangeZebra(ability, signal, coding, stops, widthStops);
  const { scale, lowerLimit } = ability;
  const exact = SCALES[scale].fromSignal(signal.signalAt(stops), coding);
  const level = clampToLevels(lowerLimit, exact, Math.round);
  const limited = Math.abs(level - exact) > lowerLimit.step / 2 + 1e-6;
  return { kind: 'lowerLimit', level, exact, costStops: cost(signal, scale, coding, level, stops), limited };
};

/** A warning from `stops` up: the lower-limit zebra, or a range one whose band begins under it. */
export const warningZebra = (
  ability: ZebraAbility,
  signal: ZebraSignal,
  coding: Coding,
  stops: number,
): ZebraSetting => {
  if (has(ability, 'lowerLimit')) return lowerLimitZebra(ability, signal, coding, stops);
  const { scale, range } = ability;
  const tolerance = Math.max(...range.tolerances);
  const exact = SCALES[scale].fromSignal(signal.signalAt(stops), coding);
  const level = clampToLevels(range, exact + tolerance, Math.floor);
  const onset = level - tolerance;
  return {
    kind: 'range',
    level,
    tolerance,
    exact,
    costStops: cost(signal, scale, coding, onset, stops),
    limited: onset > exact + 1e-6 || exact - onset > range.step + 1e-6,
  };
};

/**
 * A range zebra on a tone `stops` over grey: the level rounded to the nearest the camera has, and its smallest
 * tolerance that still takes in the tone by `widthStops` either side. The widest one when none does.
 */
export const rangeZebra = (
  ability: ZebraAbility,
  signal: ZebraSignal,
  coding: Coding,
  stops: number,
  widthStops: number,
): ZebraSetting => {
  const { scale, range } = ability;
  const reading = (over: number) => SCALES[scale].fromSignal(signal.signalAt(over), coding);
  const exact = reading(stops);
  const level = clampToLevels(range, exact, Math.round);
  const half = (reading(stops + widthStops) - reading(stops - widthStops)) / 2;
  const sorted = [...range.tolerances].sort((a, b) => a - b);
  const tolerance = sorted.find((t) => t >= half - 0.25) ?? sorted.at(-1);
  const limited = Math.abs(level - exact) > range.step / 2 + 1e-6;
  return {
    kind: 'range',
    level,
    tolerance,
    exact,
    costStops: cost(signal, scale, coding, level, stops),
    limited,
  };
};

/** A lower-limit zebra at `stops` over grey: rounded down, so that it warns early rather than late. */
export const lowerLimitZebra = (
  ability: ZebraAbility,
  signal: ZebraSignal,
  coding: Coding,
  stops: number,
): ZebraSetting => {
  const { scale, lowerLimit } = ability;
  const exact = SCALES[scale].fromSignal(signal.signalAt(stops), coding);
  const level = clampToLevels(lowerLimit, exact, (steps) => Math.floor(steps + 1e-6));
  const limited = exact < lowerLimit.min - 1e-6 || exact > lowerLimit.max + 1e-6;
  return { kind: 'lowerLimit', level, exact, costStops: cost(signal, scale, coding, level, stops), limited };
};

/** As it stands on the card: `49±2` or `91+`. */
export const printZebra = ({ kind, level, tolerance }: ZebraSetting): string =>
  kind === 'range' ? `${level}±${tolerance ?? 0}` : `${level}+`;
