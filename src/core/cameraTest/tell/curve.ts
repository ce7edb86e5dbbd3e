import { compileProfile, doubtAt, type EvidenceItem } from '../../profile/index.ts';
import { profileFromEvidence } from '../../profile/making.ts';
import type { ProfileData, UncertaintyBand } from '../../profile/types.ts';
import { failure, success, type Result } from '../../result.ts';
import { said } from '../../said.ts';
import { codeToSignal } from '../../signal/scale.ts';
import { reflectanceToStops, stopsToReflectance } from '../../units.ts';
import { CARDS, type ExposureBy } from '../types.ts';
import { chipItem, edgeEvidence, evidenceOf, type Round } from './curveEvidence.ts';
import { shutterErrors, type ShutterErrors } from './shutterErrors.ts';
import {
  bentOff,
  clipFrom,
  edgeReadings,
  fullSignal,
  isBracket,
  sigmaOf,
  stepsOf,
  trueBlack,
  type EdgeReading,
  type Step,
} from './steps.ts';
import { throughSteps } from './throughSteps.ts';
import { downToBlack } from './toe.ts';
import type { TestBasis, TestCurve } from './types.ts';

// The curve from the bracket, its way back, the cap and the chip in one solution.

/** So near under the clip a channel may have clipped already, signal fraction. */
const NEAR_CLIP = 0.015;
/** How exactly grey's place is known, stops, standard deviation; a printed signal is evidence itself. Our choice. */
const GREY_BY: Readonly<Record<ExposureBy, number>> = { meter: 0.035, profile: 0, camera: 0.035 };
/** What is left of a step's error once its shutter's is known, stops, and share of the doubt of that. Tried. */
const STEP_LEFT = 0.004;
const OF_DOUBT = 0.25;
const FEWEST_STEPS = 5;
/** A bracket that moves the card by less was filmed with an automatic on, signal fraction. */
const LEAST_MOVE = 0.1;
/** Bent means of noisy steps, and grey's place by its signal, are known once there is a curve. */
const ROUNDS = 3;
/** A clip that no step reaches, to ask a curve beyond its own. */
const OPEN = 12;
/** Rows of a straight end, stops apart. */
const STRAIGHT_APART = 0.25;

/** The two darkest steps in light, a stop apart at least, what noise bends taken out. */
const toeOf = (rising: readonly Step[], { encode, shift }: Round): TestCurve['toe'] => {
  const [first] = rising;
  const second = rising.find(({ stops }) => stops > first.stops + 0.7) ?? rising[1];
  const [low, high] = [first, second].map(({ stops, signal, deviation }) => {
    const light = stopsToReflectance(stops + shift);
    return { light, signal: signal - (encode ? bentOff(encode, light, deviation) : 0) };
  });
  return [low, high];
};

/** The slope is taken over so many stops under the last reading; a knee bends on by half of what it did. Tried. */
const SLOPE_OVER = 0.75;
const BENDS_ON = 0.5;

/**
 * A table beyond its last reading goes on as steep as it was: what the solver has for it there comes of the log form,
 * which a knee has left.
 */
const straightOn = (profile: ProfileData, last: number): ProfileData => {
  const { curve } = profile;
  if (curve.kind !== 'table') return profile;
  const { signalAt } = compileProfile({ ...profile, clipStops: OPEN });
  const [end, before, first] = [0, 1, 2].map((k) => signalAt(last - k * SLOPE_OVER));
  const [steep, was] = [(end - before) / SLOPE_OVER, (before - first) / SLOPE_OVER];
  const slope = Math.max(0, steep - BENDS_ON * Math.min(steep / 2, Math.max(0, was - steep)));
  const beyond = Array.from({ length: Math.ceil((OPEN - last) / STRAIGHT_APART) + 1 }, (_, i) => {
    const stops = last + i * STRAIGHT_APART;
    return { reflectance: stopsToReflectance(stops), signal: end + slope * (stops - last) };
  });
  const rows = curve.rows.filter(({ reflectance }) => reflectance < beyond[0].reflectance - 1e-9);
  return { ...profile, curve: { ...curve, rows: [...rows, ...beyond] } };
};

/** The same down to the black that was filmed; where none was, as it is. */
const underSteps = (
  profile: ProfileData,
  items: readonly EvidenceItem[],
  toe: TestCurve['toe'],
): ProfileData => {
  const black = items.find(({ id }) => id === 'cap')?.readings[0].signal;
  return black === undefined ? profile : downToBlack(profile, toe, black);
};

/** A band that also holds how far the whole curve may lie to one side, stops. */
const withShift = (
  band: UncertaintyBand,
  signalAt: (stops: number) => number,
  shift: number,
): UncertaintyBand => {
  const slopes = band.stops.map((at) => (signalAt(at + 0.05) - signalAt(at - 0.05)) / 0.1);
  return {
    stops: band.stops,
    signal: band.signal.map((width, i) => Math.hypot(width, slopes[i] * shift)),
    stopsWide: band.stopsWide.map((width) => Math.hypot(width, shift)),
  };
};

/** Steps under clip in their real places, and the clip. */
type Rising = {
  readonly all: readonly Step[];
  readonly rising: readonly Step[];
  readonly clip?: number;
  readonly clipSignal: number;
  /** Channels of steps near clip that are not full. */
  readonly edges: readonly EdgeReading[];
  readonly errors?: ShutterErrors;
};

const risingOf = (basis: TestBasis): Result<Rising> => {
  const perCode = codeToSignal(1, basis.coding) - codeToSignal(0, basis.coding);
  const steps = stepsOf(basis.filmed, reflectanceToStops(CARDS[basis.have.card].reflectance));
  if (steps.length < FEWEST_STEPS)
    return failure(
      'bracket',
      said(
        `Of the bracket ${steps.length} ${steps.length === 1 ? 'step was' : 'steps were'} found,`,
        `at least ${FEWEST_STEPS} are needed: film the card again, one shutter after the other.`,
      ),
    );
  const signals = steps.map(({ signal }) => signal);
  if (Math.max(...signals) - Math.min(...signals) < LEAST_MOVE)
    return failure(
      'bracket',
      said(
        'The card is as bright in every step of the bracket: an automatic was on.',
        'Set exposure to manual and film it again.',
      ),
    );
  const from = clipFrom(steps, perCode);
  const clip = from === undefined ? undefined : fullSignal(basis.filmed, steps.slice(from));
  const near = clip === undefined ? Infinity : clip - NEAR_CLIP;
  const under = steps.slice(0, from).filter(({ signal }) => signal < near);
  if (under.length < FEWEST_STEPS)
    return failure('bracket', 'Too few steps of the bracket lie under clip: film darker ones, down to −6.');
  // Real shutter times first: then the steps tell the curve.
  const errors = shutterErrors(under.map((step) => ({ ...step, sigma: sigmaOf(step.deviation, perCode) })));
  const rising = under
    .map((step) => ({ ...step, stops: step.stops + realOff(errors, step.shutter, step.light) }))
    .sort((a, b) => a.stops - b.stops);
  return success({
    all: steps,
    rising,
    clipSignal: clip ?? Math.max(...signals),
    edges: clip === undefined || from === undefined ? [] : edgeReadings(steps, from, { clip, near, perCode }),
    ...(clip === undefined ? {} : { clip }),
    ...(errors ? { errors } : {}),
  });
};

const realOff = (errors: ShutterErrors | undefined, shutter: string, light: number): number =>
  errors ? errors.of(shutter) + errors.ofLight(light) : 0;

/** Where each shot of the bracket really puts the card, by its id. */
const placesOf = ({ filmed, have }: TestBasis, errors: ShutterErrors | undefined, shift: number) => {
  const cardStops = reflectanceToStops(CARDS[have.card].reflectance);
  return new Map(
    filmed.filter(isBracket).map((one) => {
      const [step] = stepsOf([one], cardStops);
      return [one.shot.id, step.stops + shift + realOff(errors, step.shutter, step.light)] as const;
    }),
  );
};

/** The curve of a test, or why there is none. */
export const curveOf = (basis: TestBasis): Result<TestCurve> => {
  const steps = risingOf(basis);
  if (!steps.ok) return steps;
  const { all, rising, clip, clipSignal, edges, errors } = steps.value;
  const top = rising[rising.length - 1].stops;
  const isOneBracket = errors !== undefined || new Set(rising.map(({ light }) => light)).size === 1;
  let round: Round = { shift: 0 };
  let items: readonly EvidenceItem[] = [];
  let chip: readonly EvidenceItem[] = [];
  let edge: EvidenceItem['readings'] = [];
  let solved: Result<{ readonly profile: ProfileData; readonly warnings: readonly string[] }> | undefined;
  for (let i = 0; i < ROUNDS; i += 1) {
    const [first, ...others] = evidenceOf(basis, rising, round, errors !== undefined);
    items = [{ ...first, readings: [...first.readings, ...edge] }, ...others, ...chip];
    const known = errors && { stepSd: STEP_LEFT + OF_DOUBT * errors.doubt };
    const formed = profileFromEvidence(items, basis.gamut, top + round.shift, known);
    if (!formed.ok) return formed;
    const { profile, warnings } = formed.value;
    const closer = known ? throughSteps(profile, items[0].readings, known.stepSd) : profile;
    solved = success({ profile: underSteps(closer, items, toeOf(rising, round)), warnings });
    const { transfer, stopsAt } = compileProfile({ ...solved.value.profile, clipStops: OPEN });
    const off = basis.greySignal !== undefined && i === 0 ? stopsAt(basis.greySignal) : 0;
    round = { encode: transfer.encode, shift: round.shift - off };
    const { shift } = round;
    const placeOf = (step: Step) => step.stops + shift + realOff(errors, step.shutter, step.light);
    if (basis.have.chip) chip = chipItem(basis, stopsAt, placesOf(basis, errors, shift), clipSignal);
    // Where lights hang apart, each is a bracket of its own: then a step at the edge has nothing to lean on.
    edge = isOneBracket ? edgeEvidence(edges, rising, placeOf, stopsAt) : [];
  }
  if (!solved?.ok) throw new Error('curveOf: no round was run');
  const last = Math.max(...items[0].readings.map(({ reflectance }) => reflectanceToStops(reflectance)));
  const ended = straightOn(solved.value.profile, last);
  const open = compileProfile({ ...ended, clipStops: OPEN });
  const clipStops = open.stopsAt(clipSignal);
  const greySd = Math.hypot(GREY_BY[basis.have.exposureBy], errors?.meanDoubt ?? 0);
  const { curve, gamut, band } = ended;
  const widened = band && withShift(band, open.signalAt, 2 * greySd);
  const profile = { curve, gamut, clipStops, ...(widened ? { band: widened } : {}) };
  const dark = basis.filmed.find(({ shot }) => shot.kind === 'cap');
  return success({
    profile,
    evidence: items.map((item, i) => (i === 0 && clip !== undefined ? { ...item, clipStops } : item)),
    stopsAt: open.stopsAt,
    signalAt: compileProfile(profile).signalAt,
    lightAt: open.transfer.decode,
    doubt: (stops) => doubtAt(widened, stops)?.stops ?? 0,
    isClipFound: clip !== undefined,
    lastStops: last,
    clipSignal,
    blackSignal: dark ? trueBlack(dark, basis.coding) : open.transfer.encode(0),
    ...(errors ? { shutters: errors } : {}),
    toe: toeOf(rising, round),
    steps: all.map(({ stops, signal }) => ({ stops: stops + round.shift, signal })),
    warnings: solved.value.warnings,
  });
};
