import { failure, success, type Result } from '../result.ts';
import { MIDDLE_GREY } from '../units.ts';
import { exactFNumber } from './aperture.ts';
import { METER_C, METER_K } from './meter.ts';
import type { Spot, SpotUnit } from './spot.ts';
import { brighterThanSun, darkerThanNight, readAgain, tooFarFromCard } from './surveyWords.ts';

/** Meter constants of ISO 2720; makers differ, so that they can be changed. */
export type MeterConstants = { readonly k: number; readonly c: number };
const METER_CONSTANTS: MeterConstants = { k: METER_K, c: METER_C };

type UnitDefinition = {
  readonly name: string;
  readonly short: string;
  /** Needs the settings it was taken at. */
  readonly settings: boolean;
  /** Light falling on the spot: its surface has a reflectance. */
  readonly falling: boolean;
  /** Counts in stops: a reading is kept to a hundredth; others to three figures. */
  readonly inStops: boolean;
  /** Luminance in cd/m2; undefined for a reading in stops from the card. */
  readonly luminance: (spot: Spot, constants: MeterConstants) => number | undefined;
  /** What would be read of a place of this luminance; undefined for a reading in stops from the card. */
  readonly reading: (luminance: number, spot: Spot, constants: MeterConstants) => number | undefined;
  readonly wrong: (spot: Spot) => string | undefined;
};

const above0 = (what: string, such: string) => (spot: Spot) =>
  spot.value > 0 ? undefined : `${what} must be above 0, such as ${such}`;
const finite = (spot: Spot) => (Number.isFinite(spot.value) ? undefined : 'type a number');

/** A matt surface: L = E rho / pi, and back. */
const matt = (lux: number, { reflectance = MIDDLE_GREY }: Spot) => (lux * reflectance) / Math.PI;
const luxOn = (luminance: number, { reflectance = MIDDLE_GREY }: Spot) => (luminance * Math.PI) / reflectance;
const wrongReflectance = ({ reflectance }: Spot) =>
  reflectance === undefined || (reflectance > 0 && reflectance <= 1)
    ? undefined
    : 'reflectance lies between 0 and 100 %';

/** Luminance a meter calls correct at these settings: L = K N^2 / (t S), raised by glass before the lens. */
const meteredAt = ({ at }: Spot, k: number): number => {
  const { iso, iris, seconds, ndStops } = at ?? { iso: 100, iris: 1, seconds: 1, ndStops: 0 };
  return ((k * exactFNumber(iris) ** 2) / (seconds * iso)) * 2 ** ndStops;
};

/** Units a reading may be in. A further one is a row. */
export const SPOT_UNITS = {
  stops: {
    name: 'stops from the card',
    short: 'stops',
    settings: false,
    falling: false,
    inStops: true,
    luminance: () => undefined,
    reading: () => undefined,
    wrong: finite,
  },
  ev: {
    name: 'spot EV at ISO 100',
    short: 'EV',
    settings: false,
    falling: false,
    inStops: true,
    // N^2 / t = 2^EV at ISO 100, so L = K 2^EV / 100 (ISO 2720).
    luminance: ({ value }, { k }) => (k * 2 ** value) / 100,
    reading: (luminance, _spot, { k }) => Math.log2((100 * luminance) / k),
    wrong: finite,
  },
  luminance: {
    name: 'luminance, cd/m²',
    short: 'cd/m²',
    settings: false,
    falling: false,
    inStops: false,
    luminance: ({ value }) => value,
    reading: (luminance) => luminance,
    wrong: above0('Luminance', '40'),
  },
  lux: {
    name: 'illuminance, lux',
    short: 'lx',
    settings: false,
    falling: true,
    inStops: false,
    luminance: (spot) => matt(spot.value, spot),
    reading: luxOn,
    wrong: (spot) =>
      spot.value > 0 ? wrongReflectance(spot) : '0 lux is no light: nothing can be exposed by it',
  },
  incident: {
    name: 'incident EV at ISO 100',
    short: 'EV incident',
    settings: false,
    falling: true,
    inStops: true,
    // N^2 / t = 2^EV at ISO 100, so E = C 2^EV / 100 (ISO 2720).
    luminance: (spot, { c }) => matt((c * 2 ** spot.value) / 100, spot),
    reading: (luminance, spot, { c }) => Math.log2((100 * luxOn(luminance, spot)) / c),
    wrong: (spot) => finite(spot) ?? wrongReflectance(spot),
  },
  fNumber: {
    name: 'spot f-number at ISO and time',
    short: 'f/',
    settings: true,
    falling: false,
    inStops: false,
    luminance: (spot, { k }) =>
      spot.at ? meteredAt({ ...spot, at: { ...spot.at, iris: spot.value } }, k) : undefined,
    // L = K N^2 / (t S): twice the f-number is four times the light.
    reading: (luminance, spot, { k }) =>
      spot.at && Math.sqrt(luminance / meteredAt({ ...spot, at: { ...spot.at, iris: 1 } }, k)),
    wrong: above0('The f-number', '5.6'),
  },
  meter: {
    name: 'the camera’s meter, stops',
    short: 'on the meter',
    settings: true,
    falling: false,
    inStops: true,
    luminance: (spot, { k }) => meteredAt(spot, k) * 2 ** spot.value,
    reading: (luminance, spot, { k }) => Math.log2(luminance / meteredAt(spot, k)),
    wrong: finite,
  },
} as const satisfies Record<SpotUnit, UnitDefinition>;

/** A spot on the common scale. */
type SurveyedSpot = {
  readonly spot: Spot;
  /** Over an 18 % card in the subject's light. */
  readonly stops: number;
  /** cd/m2; undefined where everything was read in stops. */
  readonly luminance?: number;
};

export type Survey = {
  /** Luminance of an 18 % card in the subject's light, cd/m2; undefined where nothing absolute was read. */
  readonly grey?: number;
  /** Where grey comes from. */
  readonly from: string;
  readonly spots: readonly SurveyedSpot[];
  /** Lowest and highest of what must be kept (card and faces among it), stops over the card. */
  readonly keep: readonly [number, number];
  /** Readings that do not agree, one sentence each. */
  readonly warnings: readonly string[];
};

export type SurveySubject = { readonly id: string; readonly name: string; readonly skinOffset: number };

/** Readings of the same tone may differ so far before it is said. Our own choice: a third of a stop. */
const AGREE_STOPS = 1 / 3;

/** The sun's disc is some 1.6e9 cd/m2, ground on a moonless night some 1e-4 (both from memory), and a stop or more. */
const LIGHT: readonly [number, number] = [1e-5, 4e9];
/** Places of one set lie no further apart, stops. Our own choice. */
const MOST_STOPS = 40;

const checked = (spot: Spot, constants: MeterConstants): string | undefined => {
  const unit: UnitDefinition = SPOT_UNITS[spot.unit];
  const wrong = unit.wrong(spot);
  if (wrong) return wrong;
  const { at } = spot;
  if (unit.settings && !at) return 'type the ISO, iris and shutter it was read at';
  if (unit.settings && at && !(at.iso > 0 && at.iris > 0 && at.seconds > 0))
    return 'ISO, f-number and time must be above 0';
  const luminance = unit.luminance(spot, constants);
  if (luminance === undefined)
    return Math.abs(spot.value) <= MOST_STOPS ? undefined : tooFarFromCard(MOST_STOPS);
  if (luminance > LIGHT[1]) return brighterThanSun;
  return luminance >= LIGHT[0] ? undefined : darkerThanNight;
};

/**
 * The same light in another unit, to three figures (EV and stops to a hundredth): what is shown is what was read.
 *
 * @param grey luminance of the card, cd/m2; without it nothing turns into stops, nor stops into anything
 * @returns the spot as it was, in the other unit, where the light is not known
 */
export const inUnit = (
  spot: Spot,
  unit: SpotUnit,
  at: Spot['at'],
  { grey, constants = METER_CONSTANTS }: { readonly grey?: number; readonly constants?: MeterConstants },
): Spot => {
  const asked: Spot = { ...spot, unit, at: SPOT_UNITS[unit].settings ? (spot.at ?? at) : undefined };
  const from: UnitDefinition = SPOT_UNITS[spot.unit];
  const to: UnitDefinition = SPOT_UNITS[unit];
  if (checked(spot, constants) !== undefined) return asked;
  const luminance =
    from.luminance(spot, constants) ?? (grey === undefined ? undefined : grey * 2 ** spot.value);
  if (luminance === undefined) return asked;
  const value =
    to.reading(luminance, asked, constants) ?? (grey === undefined ? undefined : Math.log2(luminance / grey));
  if (value === undefined || !Number.isFinite(value)) return asked;
  return { ...asked, value: to.inStops ? Number(value.toFixed(2)) : Number(value.toPrecision(3)) };
};

/** Luminance of 18 % grey that a card or face tells of. */
const greyOf = (spot: Spot, luminance: number, subjects: readonly SurveySubject[]): number | undefined => {
  if (spot.role === 'card') return luminance;
  const subject = spot.role === 'skin' && subjects.find(({ id }) => id === spot.subjectId);
  return subject ? luminance / 2 ** subject.skinOffset : undefined;
};

/**
 * Every spot on one scale, stops over an 18 % card in the subject's light. The card is the reference; without
 * one, faces with a known offset. Failure names the spot that cannot be.
 */
export const surveyOf = (
  spots: readonly Spot[],
  subjects: readonly SurveySubject[],
  constants: MeterConstants = METER_CONSTANTS,
): Result<Survey> => {
  for (const spot of spots) {
    const wrong = checked(spot, constants);
    if (wrong) return failure(spot.name, `${spot.name}: ${wrong}.`);
  }
  const read = spots.map((spot) => ({
    spot,
    luminance: (SPOT_UNITS[spot.unit] as UnitDefinition).luminance(spot, constants),
  }));
  const references = read.flatMap(({ spot, luminance }) => {
    const grey = luminance === undefined ? undefined : greyOf(spot, luminance, subjects);
    return grey === undefined ? [] : [{ spot, grey }];
  });
  const cards = references.filter(({ spot }) => spot.role === 'card');
  const used = cards.length > 0 ? cards : references;
  const relative = read.some(({ spot }) => spot.unit === 'stops');
  if (used.length === 0 && !(relative && read.every(({ spot }) => spot.unit === 'stops')))
    return failure(
      'card',
      'Read the card, or a face whose offset is known: without one, nobody knows where grey lies.',
    );
  const mean = used.reduce((sum, { grey }) => sum + Math.log2(grey), 0) / Math.max(1, used.length);
  const grey = used.length === 0 ? undefined : 2 ** mean;
  const surveyed = read.map(({ spot, luminance }): SurveyedSpot => {
    if (luminance !== undefined && grey !== undefined)
      return { spot, luminance, stops: Math.log2(luminance / grey) };
    return { spot, stops: spot.value, luminance: grey === undefined ? undefined : grey * 2 ** spot.value };
  });
  const warnings = references.flatMap(({ spot, grey: told }) => {
    const off = grey === undefined ? 0 : Math.log2(told / grey);
    return Math.abs(off) > AGREE_STOPS
      ? [readAgain(spot.name, off, used.length > 1 ? 'the readings together' : used[0].spot.name)]
      : [];
  });
  const kept = surveyed
    .filter(({ spot }) => spot.role !== 'mayLose' && spot.role !== 'light')
    .map(({ stops }) => stops);
  return success({
    grey,
    from: used.length === 0 ? 'stops from the card' : used.map(({ spot }) => spot.name).join(' and '),
    spots: surveyed,
    keep: kept.length === 0 ? [0, 0] : [Math.min(0, ...kept), Math.max(0, ...kept)],
    warnings,
  });
};

/** Incident light that an 18 % card of this luminance stands in: L = E rho / pi. */
export const luxOfGrey = (grey: number): number => (grey * Math.PI) / MIDDLE_GREY;

/**
 * Exposure value an incident meter sets less that of a spot meter on an 18 % card: log2(pi K / (0.18 C)). With K = 12.5
 * and C = 250 it opens up by 0.2 stop (ISO 2720: the two agree on a reflector of 15.7 %).
 */
export const incidentAgainstSpot = ({ k, c }: MeterConstants): number =>
  Math.log2((Math.PI * k) / (MIDDLE_GREY * c));
