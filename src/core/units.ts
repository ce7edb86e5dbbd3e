// Units have types at public edges; plain numbers inside pixel loops.

declare const unit: unique symbol;
type Branded<Name extends string> = number & { readonly [unit]: Name };

/** log2 of a light ratio; 0 is middle grey unless stated otherwise. */
export type Stops = Branded<'stops'>;
/** Correlated colour temperature in kelvin. */
export type Kelvin = Branded<'kelvin'>;
/** 10^6 / K. */
export type Mired = Branded<'mired'>;

/** Reflectance of middle grey; 1.0 is a perfect white diffuser in the key light. */
export const MIDDLE_GREY = 0.18;

const finite = (name: string, value: number): number => {
  if (!Number.isFinite(value)) throw new RangeError(`${name} must be a finite number, got ${value}`);
  return value;
};

/** @throws RangeError when not finite. */
export const stops = (value: number): Stops => finite('stops', value) as Stops;

/** @throws RangeError when not positive and finite. */
export const kelvin = (value: number): Kelvin => {
  if (!(finite('kelvin', value) > 0)) throw new RangeError(`kelvin must be above 0, got ${value}`);
  return value as Kelvin;
};

export const kelvinToMired = (k: Kelvin): Mired => (1e6 / k) as Mired;

/** Scene reflectance (0.18 = middle grey, unclamped) to stops over grey; -Infinity at 0 and below. */
export const reflectanceToStops = (reflectance: number): number =>
  reflectance > 0 ? Math.log2(reflectance / MIDDLE_GREY) : -Infinity;

/** Stops over grey to scene reflectance, 0.18 at 0. */
export const stopsToReflectance = (over: number): number => MIDDLE_GREY * 2 ** over;

/** Nearest third of a stop. */
export const toThird = (value: number): Stops => (Math.round(value * 3) / 3 || 0) as Stops;

const MINUS = '\u2212';

const sign = (value: number): string => (value > 0 ? '+' : value < 0 ? MINUS : '');

/** Stops as the set reads them: thirds with a true minus, `+1 1/3`, `0`, `−2/3`. Rounds to the third. */
export const printStops = (value: number): string => {
  if (!Number.isFinite(value)) return value > 0 ? '+∞' : `${MINUS}∞`;
  const thirds = Math.round(Math.abs(value) * 3);
  if (thirds === 0) return '0';
  const whole = Math.floor(thirds / 3);
  const rest = thirds % 3;
  const text = rest === 0 ? `${whole}` : whole === 0 ? `${rest}/3` : `${whole} ${rest}/3`;
  return `${sign(value)}${text}`;
};

/** Stops with decimals and a true minus: `+1.3`. */
export const printStopsDecimal = (value: number, digits = 1): string => {
  if (!Number.isFinite(value)) return printStops(value);
  const text = Math.abs(value).toFixed(digits);
  return `${Number(text) === 0 ? '' : sign(value)}${text}`;
};

/** With its sign, a true minus: `+7`, `−12.5`. */
export const printSigned = (value: number, digits = 0): string =>
  `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`;

/** Thirds where the value is a third, else one decimal: `−6`, `−4 2/3`, `−4.5`. Never moves a typed value. */
export const printStopsExact = (value: number): string =>
  Math.abs(value * 3 - Math.round(value * 3)) < 0.02 ? printStops(value) : printStopsDecimal(value);

/** Singular up to one stop, as it is said on set: `1/3 stop`, `1 stop`, `1.5 stops`. */
export const stopsWord = (stops: number): string => (Math.abs(stops) > 1.04 ? 'stops' : 'stop');

/** A length in stops without sign, with its word: `0.4 stop`, `1.5 stops`. */
export const printStopsOf = (stops: number, digits = 1): string =>
  `${Math.abs(stops).toFixed(digits)} ${stopsWord(stops)}`;

/** A length in stops without sign, in thirds: `1 1/3`. */
export const printStopsLength = (value: number): string => printStops(Math.abs(value)).replace(/^\+/, '');

const NUMBER_TEXT =
  /^([+\-\u2212])?\s*(?:(?:(\d+)\s+)?(\d+)\/(\d+)|(\d+(?:[.,]\d*)?|[.,]\d+)(?:e([+\-\u2212]?\d{1,3}))?)$/i;

/**
 * The one reader of typed numbers: `1.5`, `1,5`, `+1 1/3`, `−2/3`, `1e-5`; decimal comma and true minus are read.
 * @returns NaN when it is none.
 */
export const parseNumber = (text: string): number => {
  const match = NUMBER_TEXT.exec(text.trim());
  if (!match) return Number.NaN;
  const [, mark, whole = '0', over, under, plain, power = '0'] = match;
  const size =
    over === undefined
      ? Number(`${plain.replace(',', '.')}e${power.replace(MINUS, '-')}`)
      : Number(whole) + Number(over) / Number(under);
  if (!Number.isFinite(size)) return Number.NaN;
  return mark === '-' || mark === MINUS ? -size || 0 : size;
};

/** Reads `+1 1/3`, `-2/3`, `1.5`, `−1`; undefined when it is not a number of stops. */
export const parseStops = (text: string): Stops | undefined => {
  const value = parseNumber(text);
  return Number.isNaN(value) ? undefined : (value as Stops);
};

/** Exhaustiveness check for unions; never reached when the types hold. */
export const assertNever = (value: never): never => {
  throw new TypeError(`unexpected value ${JSON.stringify(value)}`);
};
