import type { GamutSpec } from '../colour/gamut.ts';
import { failure, success, type Result } from '../result.ts';
import { floorAt, sensorFromBracket, type SensorModel } from '../noise/sensorNoise.ts';
import { printStops, printStopsDecimal, reflectanceToStops, stopsToReflectance } from '../units.ts';
import { PRINTED_SIGMA } from './anchors.ts';
import { compileCurve } from './compile.ts';
import { worstOf, type ProfileSolution } from './solution.ts';
import { disowned } from './solve/outliers.ts';
import { solveCurve, type CurveSolution } from './solve/solveCurve.ts';
import type { CurveReading } from './types.ts';
import { floorFromNoise, notOneLogCurve, stepsLieOff } from './profileWords.ts';

/** A grey card filmed `stops` over or under nominal, by shutter, and what the waveform or zebra read. */
export type BracketReading = {
  readonly stops: number;
  readonly signal: number;
  /** Noise on the card, standard deviation in signal fraction; known where a frame was read. */
  readonly deviation?: number;
};

/** How exactly the mean of a card is read off a frame: evenness of the light on it, not noise. Our own choice. */
const FRAME_SIGMA = 0.0005;
/** What the readings of one bracket are called together. */
const SERIES = 'bracket';

const MIN_READINGS = 5;
/** A bracket by thirds over twenty stops is 61. */
const MAX_READINGS = 64;
const MAX_OUTLIERS = 2;
/** Smaller errors of the shutter are not worth a sentence, stops. */
const TOLD_STEP = 0.03;
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

/**
 * Readings that the others disown, one at a time; none where the rest would not be of the log form either: then it
 * is the form that is wrong, not a reading.
 */
const withoutOutliers = (
  readings: readonly Reading[],
): {
  readonly kept: readonly Reading[];
  readonly outliers: readonly Reading[];
  readonly solution: CurveSolution;
} => {
  const all = solveCurve(readings);
  let kept = readings;
  const outliers: Reading[] = [];
  while (outliers.length < MAX_OUTLIERS && kept.length > MIN_READINGS) {
    const worst = disowned(kept);
    if (worst === undefined) break;
    outliers.push(kept[worst]);
    kept = kept.filter((_, n) => n !== worst);
  }
  if (outliers.length === 0) return { kept, outliers, solution: all };
  const solution = solveCurve(kept);
  return solution.curve.kind === 'log'
    ? { kept, outliers, solution }
    : { kept: readings, outliers: [], solution: all };
};

const curveThrough = (rising: readonly Reading[]): Result<ReturnType<typeof withoutOutliers>> => {
  try {
    return success(withoutOutliers(rising));
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return failure(
      'bracket',
      'No rising curve goes through these readings: check their order and what was read.',
    );
  }
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
      ...(deviation === undefined ? { rounded: true } : {}),
      series: SERIES,
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
 * outliers left out and named. Where the readings are of another form, a monotone table with its band.
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
  if (!(rising[rising.length - 1].signal > rising[0].signal))
    return failure(
      'bracket',
      'The readings must rise from the darkest to the brightest; check their order, and film those that repeat again.',
    );
  const solved = curveThrough(rising);
  if (!solved.ok) return solved;
  const { kept, outliers, solution } = solved.value;
  const falls = kept.findIndex((reading, i) => i > 0 && reading.signal < kept[i - 1].signal - SAME);
  if (falls > 0) {
    const at = printStops(kept[falls].stops);
    return failure(
      `at ${at}`,
      `The reading at ${at} does not rise over the one before it: film it again, or leave it out.`,
    );
  }
  const { curve, band, logResiduals, published, stepSd = 0, narrowing } = solution;
  const { encode, decode } = compileCurve(curve);
  const clipped = sorted.slice(end);
  const clipSignal = clipped.length > 0 ? Math.max(...clipped.map(({ signal }) => signal)) : undefined;
  const lastStops = rising[rising.length - 1].stops;
  const clipStops = clipSignal === undefined ? lastStops : reflectanceToStops(decode(clipSignal));
  const noise = noiseOf(kept, encode);
  const slopeAt = (stops: number) =>
    (encode(stopsToReflectance(stops + 0.05)) - encode(stopsToReflectance(stops - 0.05))) / 0.1;
  return success({
    profile: { curve, gamut, clipStops, band },
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
      ...(curve.kind === 'log'
        ? []
        : [
            notOneLogCurve(
              worstOf(kept.map(({ stops }, i) => ({ name: printStops(stops), signal: logResiduals[i] }))),
              published,
            ),
          ]),
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
      ...(stepSd < TOLD_STEP ? [] : [stepsLieOff(stepSd)]),
      ...(noise ? [floorFromNoise(floorAt(noise))] : []),
    ],
    noise,
    narrowing: narrowing(clipStops),
    evidence: {
      readings: kept.map(({ reflectance, signal, sigma, series }) => ({
        reflectance,
        signal,
        sigma,
        series,
      })),
      clipStops: clipSignal === undefined ? undefined : clipStops,
    },
  });
};
