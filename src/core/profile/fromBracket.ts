import type { GamutSpec } from '../colour/gamut.ts';
import { failure, success, type Result } from '../result.ts';
import { floorAt, sensorFromBracket, type SensorModel } from '../noise/sensorNoise.ts';
import { logTransfer } from '../transfer/index.ts';
import { printStops, printStopsDecimal, reflectanceToStops, stopsToReflectance } from '../units.ts';
import { PRINTED_SIGMA } from './anchors.ts';
import { narrowestReading } from './narrowing.ts';
import type { ProfileSolution } from './solution.ts';
import { fitLog, solveLog } from './solveLog.ts';
import type { CurveReading } from './types.ts';
import { floorFromNoise, notLogForm } from './profileWords.ts';

/** A grey card filmed `stops` over or under nominal, by shutter, and what the waveform or zebra read. */
export type BracketReading = {
  readonly stops: number;
  readonly signal: number;
  /** Noise on the card, standard deviation in signal fraction; known where a frame was read. */
  readonly deviation?: number;
};

/** How exactly a card is known that was read off a frame: the shutter's own error, about an eightieth of a stop. */
const FRAME_SIGMA = 0.001;

const MIN_READINGS = 5;
/** Each reading is held against all others: a bracket by thirds over twenty stops is 61. */
const MAX_READINGS = 64;
const MAX_OUTLIERS = 2;
/** A reading that lies this many standard deviations off the curve through the others is not believed. */
const OUTLIER_SIGMAS = 4;
/** Worst misfit, in signal, of readings to the whole percent on a curve of the log form. */
const FORM_FITS = 0.015;
/** At the clip a step rises by less than this part of the step before it. */
const FLAT = 0.35;
/** Readings to the whole percent that differ by no more are the same. */
const SAME = 0.0101;

type Reading = CurveReading & { readonly stops: number; readonly deviation?: number };

/**
 * Index of the first reading at the clip; the length when none is. At the clip every reading repeats the last one;
 * a single one may still have risen, but far less than the step before it.
 */
const flatFrom = (readings: readonly Reading[]): number => {
  const last = readings.length - 1;
  let first = last;
  while (first > MIN_READINGS && readings[last].signal - readings[first - 1].signal < SAME) first -= 1;
  if (first < last) return first;
  const slope = (i: number) =>
    (readings[i].signal - readings[i - 1].signal) / (readings[i].stops - readings[i - 1].stops);
  return last >= MIN_READINGS && slope(last) < FLAT * slope(last - 1) ? last : readings.length;
};

const misfits = (fit: readonly CurveReading[], all: readonly Reading[]) => {
  const { encode } = logTransfer(fitLog(fit));
  return all.map(({ reflectance, signal }) => signal - encode(reflectance));
};

/** Readings that the others disown, one at a time: each is left out in turn and held against the rest. */
const withoutOutliers = (
  readings: readonly Reading[],
): { kept: readonly Reading[]; outliers: readonly Reading[] } => {
  let kept = readings;
  const outliers: Reading[] = [];
  while (outliers.length < MAX_OUTLIERS && kept.length > MIN_READINGS) {
    const off = kept.map((reading, i) => {
      const others = kept.filter((_, n) => n !== i);
      const rest = misfits(others, others);
      const spread = Math.max(
        PRINTED_SIGMA,
        Math.sqrt(rest.reduce((sum, r) => sum + r * r, 0) / (rest.length - 2)),
      );
      return Math.abs(misfits(others, [reading])[0]) / spread;
    });
    const worst = off.indexOf(Math.max(...off));
    // The ends are carried on beyond the others there; they are held to a wider bound.
    const bound = worst === 0 || worst === kept.length - 1 ? 2 * OUTLIER_SIGMAS : OUTLIER_SIGMAS;
    if (off[worst] < bound) break;
    outliers.push(kept[worst]);
    kept = kept.filter((_, n) => n !== worst);
  }
  return { kept, outliers };
};

const readings = (bracket: readonly BracketReading[]): Reading[] =>
  [...bracket]
    .sort((a, b) => a.stops - b.stops)
    .map(({ stops, signal, deviation }) => ({
      stops,
      signal,
      deviation,
      reflectance: stopsToReflectance(stops),
      sigma: deviation === undefined ? PRINTED_SIGMA : FRAME_SIGMA,
    }));

const unsound = (sorted: readonly Reading[]): Result<never> | undefined => {
  if (sorted.some(({ stops, signal }) => !Number.isFinite(stops) || !Number.isFinite(signal))) {
    return failure('bracket', 'Every line needs its stops and its reading.');
  }
  if (sorted.length < MIN_READINGS) {
    return failure(
      'bracket',
      `${sorted.length} readings; a bracket needs at least ${MIN_READINGS}, better nine from −4 to +5.`,
    );
  }
  if (sorted.length > MAX_READINGS)
    return failure(
      'bracket',
      `${sorted.length} readings; up to ${MAX_READINGS} are read: keep one a third of a stop.`,
    );
  const twice = sorted.find(({ stops }, i) => i > 0 && stops === sorted[i - 1].stops);
  if (twice)
    return failure(`at ${printStops(twice.stops)}`, `Two readings at ${printStops(twice.stops)}: keep one.`);
  if (!(sorted[0].stops < 0 && sorted[sorted.length - 1].stops > 0)) {
    return failure('bracket', 'The bracket must reach from under to over nominal.');
  }
  return undefined;
};

/** The sensor the cards' noise tells of: each deviation over the curve's slope is noise in linear light. */
const noiseOf = (kept: readonly Reading[], encode: (x: number) => number): SensorModel | undefined =>
  sensorFromBracket(
    kept.flatMap(({ reflectance, deviation }) => {
      if (deviation === undefined || deviation === 0) return [];
      const h = reflectance * 1e-3;
      const slope = (encode(reflectance + h) - encode(reflectance - h)) / (2 * h);
      return [{ reflectance, deviation: deviation / slope }];
    }),
  );

/**
 * A profile from a filmed bracket: the general log form with its prior, clip from the reading that stopped rising,
 * outliers left out and named. Where the readings are not of the log form, a monotone table through them.
 */
export const profileFromBracket = (
  bracket: readonly BracketReading[],
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  const sorted = readings(bracket);
  const wrong = unsound(sorted);
  if (wrong) return wrong;
  const end = flatFrom(sorted);
  const rising = sorted.slice(0, end);
  const { kept, outliers } = withoutOutliers(rising);
  const falls = kept.findIndex((reading, i) => i > 0 && reading.signal <= kept[i - 1].signal);
  if (falls > 0) {
    const at = printStops(kept[falls].stops);
    return failure(
      `at ${at}`,
      `The reading at ${at} does not rise over the one before it: film it again, or leave it out.`,
    );
  }
  const { coefficients, band, residuals } = solveLog(kept);
  const { encode, decode } = logTransfer(coefficients);
  const worst = Math.max(...residuals.map(Math.abs));
  const clipped = sorted.slice(end);
  const clipSignal = clipped.length > 0 ? Math.max(...clipped.map(({ signal }) => signal)) : undefined;
  const lastStops = rising[rising.length - 1].stops;
  const clipStops = clipSignal === undefined ? lastStops : reflectanceToStops(decode(clipSignal));
  const inForm = worst <= FORM_FITS;
  const noise = noiseOf(kept, encode);
  const slopeAt = (stops: number) =>
    (encode(stopsToReflectance(stops + 0.05)) - encode(stopsToReflectance(stops - 0.05))) / 0.1;
  return success({
    profile: inForm
      ? { curve: { kind: 'log', coefficients }, gamut, clipStops, band }
      : {
          curve: { kind: 'table', rows: kept.map(({ reflectance, signal }) => ({ reflectance, signal })) },
          gamut,
          clipStops: lastStops,
        },
    residuals: rising.map((reading) => {
      const signal = reading.signal - encode(reading.reflectance);
      return {
        name: printStops(reading.stops),
        signal,
        stops: signal / slopeAt(reading.stops),
        outlier: outliers.includes(reading),
      };
    }),
    warnings: [
      ...outliers.map(
        ({ stops }) => `The reading at ${printStops(stops)} lies off all others and was left out.`,
      ),
      ...(inForm ? [] : [notLogForm(worst)]),
      ...(clipSignal === undefined
        ? [
            `The readings rise to the end: clip is at least ${printStopsDecimal(clipStops)}. Film brighter to find it.`,
          ]
        : []),
    ],
    findings: [
      ...(clipSignal === undefined
        ? []
        : [`Stopped rising at ${(100 * clipSignal).toFixed(0)} %: clip at ${printStopsDecimal(clipStops)}.`]),
      ...(noise ? [floorFromNoise(floorAt(noise))] : []),
    ],
    noise,
    narrowing: inForm ? narrowestReading(kept, clipStops) : undefined,
  });
};
