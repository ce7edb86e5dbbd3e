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
  /**
   * Whether the camera's own display LUT takes the placement's pull off. Without the field not known: it is taken
   * to.
   */
  readonly follows?: 'yes' | 'no';
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
  /**
   * `under`: the camera's levels start above the tone, `over`: they end below it, by more than the tone's own
   * tolerance. The level is then the nearest the camera has, and must not be set.
   */
  readonly reach: 'within' | 'under' | 'over';
  /** Another tone that the camera can show at the same placement, where it cannot show this one. */
  readonly instead?: { readonly name: string; readonly zebra: ZebraSetting };
};

const clampToLevels = ({ min, max, step }: ZebraLevels, wanted: number, round: (steps: number) => number) => {
  const level = min + round((wanted - min) / step) * step;
  const top = min + Math.floor((max - min) / step + 1e-9) * step;
  return Math.min(top, Math.max(min, Number(level.toFixed(6))));
};

const cost = (signal: ZebraSignal, scale: ScaleId, coding: Coding, level: number, stops: number) =>
  signal.stopsAt(SCALES[scale].toSignal(level, coding)) - stops;

/** What is said of a level that had to be taken from the end of the camera's range. */
const reachOf = (
  level: number,
  exact: number,
  costStops: number,
  tolerance: number,
): ZebraSetting['reach'] => (Math.abs(costStops) <= tolerance ? 'within' : exact < level ? 'under' : 'over');

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
  const costStops = cost(signal, scale, coding, level, stops);
  const isTaken = Math.abs(level - exact) <= lowerLimit.step / 2 + 1e-6;
  const reach = isTaken ? 'within' : reachOf(level, exact, costStops, widthStops);
  return { kind: 'lowerLimit', level, exact, costStops, reach };
};

/** A warning may come so much early, stops, where the camera has no higher level; never late. Our own choice. */
const WARNING_TOLERANCE = 1 / 6;
const warningReach = (onset: number, exact: number, costStops: number) =>
  reachOf(onset, exact, costStops, onset > exact ? 1e-9 : WARNING_TOLERANCE);

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
  const costStops = cost(signal, scale, coding, onset, stops);
  const isTaken = onset <= exact + 1e-6 && exact - onset <= range.step + 1e-6;
  const reach = isTaken ? 'within' : warningReach(onset, exact, costStops);
  return { kind: 'range', level, tolerance, exact, costStops, reach };
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
  const costStops = cost(signal, scale, coding, level, stops);
  const isTaken = Math.abs(level - exact) <= range.step / 2 + 1e-6;
  const reach = isTaken ? 'within' : reachOf(level, exact, costStops, widthStops);
  return { kind: 'range', level, tolerance, exact, costStops, reach };
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
  const costStops = cost(signal, scale, coding, level, stops);
  const isTaken = exact >= lowerLimit.min - 1e-6 && exact <= lowerLimit.max + 1e-6;
  const reach = isTaken ? 'within' : warningReach(level, exact, costStops);
  return { kind: 'lowerLimit', level, exact, costStops, reach };
};

/** As it stands on the card: `49±2`, `91+`, or that the camera has no such level. */
export const printZebra = ({ kind, level, tolerance, reach }: ZebraSetting): string =>
  reach === 'within' ? (kind === 'range' ? `${level}±${tolerance ?? 0}` : `${level}+`) : 'out of reach';

/** What to go by where the camera has no such level: another tone it can show, else the waveform; on its scale. */
export const printInstead = ({ reach, instead, exact }: ZebraSetting): string | undefined =>
  reach === 'within'
    ? undefined
    : instead
      ? `${instead.name} ${printZebra(instead.zebra)}`
      : `waveform ${exact.toFixed(1)}`;

/** For paper, tables and the log: the level, or that it is out of reach with what to use instead. */
export const printZebraOrInstead = (setting: ZebraSetting): string =>
  [printZebra(setting), printInstead(setting)].filter(Boolean).join(': ');
