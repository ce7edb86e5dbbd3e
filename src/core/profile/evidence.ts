import type { GamutSpec } from '../colour/gamut.ts';
import { failure, success, type Result } from '../result.ts';
import { printStopsDecimal, reflectanceToStops, stopsToReflectance } from '../units.ts';
import { compileCurve, compileProfile } from './compile.ts';
import { doubtAt } from './doubt.ts';
import { EVIDENCE_KINDS, type EvidenceItem, type EvidenceKind } from './evidenceKinds.ts';
import { notOneLogCurve } from './profileWords.ts';
import { worstOf, type CurveEvidence, type ProfileSolution } from './solution.ts';
import { meanWidth } from './solve/narrowing.ts';
import type { Known } from './solve/posterior.ts';
import { solveCurve, type CurveSolution } from './solve/solveCurve.ts';
import type { CurveReading, ProfileData } from './types.ts';

/** What a source does to the whole. */
export type EvidenceEffect = {
  readonly id: string;
  /** Mean half width of the band from -5 to +5, stops: with it, and without it; undefined where nothing is left. */
  readonly with?: number;
  readonly without?: number;
  /** How far grey moves by it, stops. */
  readonly movesGrey?: number;
  /** It moves grey further than the band of all others allows: one of them is of another picture. */
  readonly contradicts?: boolean;
};

/** Grey may move by so much before anybody is told, stops: what setting a meter comes to. Our own choice. */
const EVEN_THEN = 0.1;

/** A card read by hand, or off a frame: how exactly its place is known, stops. Our own choice. */
const CARD_PLACE_SD = 0.1;

// A formula or a table is as exact as the maker's paper, and a body as true to it as this. Our own choice.
const CURVE_SIGMA = 0.002;
const CURVE_STOPS = [-6, -4.5, -3, -1.5, 0, 1.5, 3, 4.5];

/** A whole curve as readings, to be weighed against others: from -6 to its clip. */
export const curveAsEvidence = (data: ProfileData): CurveEvidence => {
  const { transfer, clipStops } = compileProfile(data);
  const places = [0, ...CURVE_STOPS.filter((stops) => stops < clipStops).map(stopsToReflectance)];
  return {
    readings: places.map((reflectance) => ({
      reflectance,
      signal: transfer.encode(reflectance),
      sigma: CURVE_SIGMA,
    })),
    clipStops,
    curve: data.curve,
  };
};

/** Each item's bracket is a series of its own. */
const readingsOf = (items: readonly EvidenceItem[]): CurveReading[] =>
  items.flatMap(({ id, readings }) =>
    readings.map((reading) => (reading.series === undefined ? reading : { ...reading, series: id })),
  );

const solve = (items: readonly EvidenceItem[], known?: Known): CurveSolution | undefined => {
  try {
    return solveCurve(readingsOf(items), known);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return undefined;
  }
};

/** A clip that was filmed is believed before one that was printed. */
const CLIP_ORDER = Object.keys(EVIDENCE_KINDS) as EvidenceKind[];

const clipOf = (items: readonly EvidenceItem[]): number | undefined =>
  [...items]
    .sort((a, b) => CLIP_ORDER.indexOf(a.kind) - CLIP_ORDER.indexOf(b.kind))
    .find(({ clipStops }) => clipStops !== undefined)?.clipStops;

/**
 * One profile from all that is known of it: printed numbers, formulae, tables, brackets and single readings in one
 * solution, muted ones left out. A profile whose clip none of them tells keeps `clipStops`.
 * @param known How far a bracket's steps lie off, where that was found otherwise
 */
export const profileFromEvidence = (
  items: readonly EvidenceItem[],
  gamut: GamutSpec,
  clipStops: number,
  known?: Known,
): Result<ProfileSolution> => {
  const heard = items.filter(({ muted }) => !muted);
  const clip = clipOf(heard) ?? clipStops;
  if (heard.length === 1 && heard[0].curve)
    return success({
      profile: { curve: heard[0].curve, gamut, clipStops: clip },
      residuals: [],
      warnings: [],
    });
  const solution = solve(heard, known);
  if (!solution)
    return failure(
      'evidence',
      'What is left says too little for a curve: readings at two places are needed.',
    );
  const { curve, band, residuals, logResiduals, published, narrowing } = solution;
  const names = heard.flatMap(({ readings }) =>
    readings.map(({ reflectance }) =>
      reflectance > 0 ? printStopsDecimal(reflectanceToStops(reflectance)) : '0 %',
    ),
  );
  const named = (signals: readonly number[]) => signals.map((signal, i) => ({ name: names[i], signal }));
  return success({
    profile: { curve, gamut, clipStops: clip, band },
    residuals: named(residuals),
    warnings: curve.kind === 'log' ? [] : [notOneLogCurve(worstOf(named(logResiduals)), published)],
    narrowing: narrowing(clip),
  });
};

/** What each source does: the band with it and without it, and how far it moves grey. */
export const evidenceEffects = (items: readonly EvidenceItem[]): EvidenceEffect[] => {
  const whole = solve(items.filter(({ muted }) => !muted));
  return items.map(({ id, muted }): EvidenceEffect => {
    const other = solve(items.filter((item) => (item.id === id ? muted : !item.muted)));
    const [withIt, withoutIt] = muted ? [other, whole] : [whole, other];
    if (!withIt || !withoutIt)
      return { id, with: withIt && meanWidth(withIt.band), without: withoutIt && meanWidth(withoutIt.band) };
    const grey = compileCurve(withIt.curve).encode(0.18);
    const movesGrey = reflectanceToStops(compileCurve(withoutIt.curve).decode(grey));
    const allowed = doubtAt(withoutIt.band, 0)?.stops ?? 0;
    return {
      id,
      with: meanWidth(withIt.band),
      without: meanWidth(withoutIt.band),
      movesGrey,
      contradicts: Math.abs(movesGrey) > allowed + EVEN_THEN,
    };
  });
};

/** Readings of a card at a place, such as `the card reads 43.5 % at +1`. Signal fraction; stops over grey. */
export const cardEvidence = (stops: number, signal: number, sigma: number): CurveEvidence => ({
  readings: [{ reflectance: stopsToReflectance(stops), signal, sigma, placeSd: CARD_PLACE_SD }],
});

/** A card read on a take: where it was planned, stops over grey, and its signal. */
export type TakeReading = { readonly stops: number; readonly signal: number };

export type TakesAgainstCurve = {
  readonly count: number;
  /** Mean of read minus curve, stops. */
  readonly off: number;
  /** What the curve's band and the scatter of exposing explain, stops. */
  readonly explained: number;
};

/** What the readings of takes are called together. */
const TAKES = 'takes';
/** So few takes say nothing. */
const FEWEST_TAKES = 3;

/**
 * Whether takes read the card elsewhere than the profile says: further off, in the mean, than its band at these
 * places and the errors of exposing (0.1 stop each) come to. @returns undefined where there are too few of them, or
 * none is told apart.
 */
export const takesAgainstCurve = (
  takes: readonly TakeReading[],
  data: ProfileData,
): TakesAgainstCurve | undefined => {
  if (takes.length < FEWEST_TAKES) return undefined;
  const profile = compileProfile(data);
  const offs = takes.map(({ stops, signal }) => profile.stopsAt(signal) - stops);
  const off = offs.reduce((sum, o) => sum + o, 0) / offs.length;
  const scatter = Math.sqrt(offs.reduce((sum, o) => sum + (o - off) ** 2, 0) / (offs.length - 1));
  const band = data.band
    ? takes.reduce((sum, { stops }) => sum + (doubtAt(data.band, stops)?.stops ?? 0), 0) / takes.length
    : 0;
  const exposing = (2 * Math.max(scatter, CARD_PLACE_SD)) / Math.sqrt(takes.length);
  const explained = Math.hypot(band, exposing);
  return Number.isFinite(off) && Math.abs(off) > explained
    ? { count: takes.length, off, explained }
    : undefined;
};

/**
 * Takes as evidence: a card each, where it was planned. They are one series: how far each lies off is told by their
 * scatter, and all may be off by what their exposing has in common.
 */
export const takesEvidence = (takes: readonly TakeReading[], sigma: number): CurveEvidence => ({
  readings: takes.map(({ stops, signal }) => ({
    reflectance: stopsToReflectance(stops),
    signal,
    sigma,
    series: TAKES,
  })),
});
