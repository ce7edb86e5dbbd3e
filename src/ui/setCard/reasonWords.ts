import { printStops, printStopsDecimal, printStopsLength } from '#core/units.ts';
import { printLight, THIN } from '../format.ts';

// Sentences and sums of the set card's cells that are longer than a line. Stops throughout where nothing is said.

const oneOver = (seconds: number): string => `1/${(1 / seconds).toFixed(0)}`;

/** `250 × 2.83² / (1/50 × 800) × 2^(ND 0 + placement +1) = 100 lx` */
export const spotSum = (
  light: {
    readonly k: number;
    readonly fNumber: number;
    readonly seconds: number;
    readonly iso: number;
    readonly ndStops: number;
    readonly placement: number;
  },
  luminance: number,
): string => {
  const { k, fNumber, seconds, iso, ndStops, placement } = light;
  const atGrey = `${k} × ${fNumber.toFixed(2)}² / (${oneOver(seconds)} × ${iso})`;
  const opened = `2^(ND ${ndStops} + placement ${printStops(placement)})`;
  return `${atGrey} × ${opened} = ${printLight(luminance)}${THIN}cd/m²`;
};

/** How a body leans, and what to dial for a light; without a dial where it cannot undo that little. */
export const leanAgainstDial = (
  name: string,
  leanMired: number,
  { light, dial }: { readonly light: number; readonly dial: number },
): string => {
  const leans = `${name} leans ${Math.abs(leanMired)} mired ${leanMired > 0 ? 'warm' : 'cool'}`;
  if (dial === light) return `${leans}: less than its dial can undo.`;
  return `${leans}: dial ${dial}${THIN}K for a light of ${light}${THIN}K.`;
};

export const dialSum = (kelvin: number, leanMired: number, dial: number): string => {
  const mired = `${(1e6 / kelvin).toFixed(1)} ${leanMired < 0 ? '−' : '+'} ${Math.abs(leanMired)}`;
  const exact = Math.round(1e6 / (1e6 / kelvin + leanMired));
  return `10⁶ / (${mired}) = ${exact}${THIN}K, on the dial ${dial}${THIN}K`;
};

/** What an incident meter calls right. @param more stops over the light that a spot meter on the card does */
export const incidentWords = (lux: number, more: number): string =>
  `${printLight(lux)}${THIN}lx, ${printStopsDecimal(more, 2)} stop against the spot meter`;

/** @param shows as the scale reads it */
export const meterSum = (over: number, bias: number, shows: string): string => {
  const and = bias === 0 ? '' : ` + bias ${printStopsDecimal(bias)}`;
  return `${printStopsDecimal(over)} over grey${and}: ${shows}`;
};

/** `+6.3 − 1.0 = +5.3` and the like. */
export const sumOf = (from: number, sign: '+' | '−', by: number, result: number): string =>
  `${printStopsDecimal(from)} ${sign} ${by.toFixed(1)} = ${printStopsDecimal(result)}`;

export const isoAgainstBase = (
  iso: { readonly overBase: number; readonly base: number },
  { clipStops, floorStops }: { readonly clipStops: number; readonly floorStops: number },
): string => {
  const off = printStopsDecimal(Math.abs(iso.overBase));
  return iso.overBase > 0
    ? `${off} over base ${iso.base}: the floor rises to ${printStopsDecimal(floorStops)}.`
    : `${off} under base ${iso.base}: highlights clip at ${printStopsDecimal(clipStops)}.`;
};

export const faceTone = (placement: number, own: number, tolerance: number): string => {
  const within = printStops(tolerance).replace('+', '');
  return `placement ${printStops(placement)} + own offset ${printStopsDecimal(own)} (±${within})`;
};

/** What a LUT on a monitor does to the placed card. */
export const lutOnMonitor = (lut: string, monitor: string, pullStops: number, placement: number): string => {
  const puts = `${lut} on ${monitor} puts ${printStops(pullStops)} on grey`;
  const off = pullStops - placement;
  const looks = `the screen looks ${printStopsLength(off)} too ${off > 0 ? 'dark' : 'bright'}`;
  return `${puts}, but the card is placed at ${printStops(placement)}: ${looks}.`;
};

export const toneOnGrey = (pullStops: number): string => {
  const lies = `the tone that lands on grey lies at ${printStopsDecimal(pullStops, 2)}`;
  return `${printStopsDecimal(-pullStops, 2)} stops: ${lies}`;
};
