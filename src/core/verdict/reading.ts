import { codeToSignal, maxCode, signalToCode, type Coding, type Range } from '../signal/scale.ts';
import type { FrameMeasurement } from '../scopes/measureFrame.ts';
import type { VerdictInput, VerdictRule } from './types.ts';
import { printShare } from './wording.ts';
import { darkerThanBlack, mayBe, RANGE_HOLDS } from './verdictWords.ts';

/** Signal that noise and rounding may reach beyond what a profile gives. Our own. */
const SLACK = 0.015;
/** Share of the picture that may lie beyond. Our own. */
const BEYOND = 0.01;
/** Share that counts as the darkest tones. */
const DARKEST = 0.001;
/** Share that lies within a few codes of them where they stand on a black. Our own. */
const WALL = 0.01;
const WALL_CODES = 2;

const codeOfLevel = ({ histogram, coding }: FrameMeasurement, level: number) =>
  (level * (maxCode(coding.bitDepth) + 1)) / histogram.length;

/** Share of the picture's luma in levels that pass. */
const shareOf = (measurement: FrameMeasurement, test: (code: number) => boolean): number => {
  let [inside, all] = [0, 0];
  measurement.histogram.forEach((n, level) => {
    all += n;
    if (test(codeOfLevel(measurement, level))) inside += n;
  });
  return all > 0 ? inside / all : 0;
};

/** Code under which a share of the picture lies. */
const codeAtShare = (measurement: FrameMeasurement, share: number): number => {
  const total = measurement.histogram.reduce((sum, n) => sum + n, 0);
  let sum = 0;
  for (let level = 0; level < measurement.histogram.length; level += 1) {
    sum += measurement.histogram[level];
    if (sum > share * total) return codeOfLevel(measurement, level);
  }
  return maxCode(measurement.coding.bitDepth);
};

/** What a picture may be: recorded through the profile that is set, or finished for a screen; in either range. */
type Kind = { readonly what: 'profile' | 'display'; readonly range: Range };

const RANGES = ['legal', 'full'] as const;
/** A finished picture may overshoot where its range has room: 109.5 % is the top code of legal range. */
const DISPLAY_LIMITS = { legal: [0, 1.095], full: [0, 1] } as const;
/** A log curve's black stands above this. Our own. */
const LIFTED = 0.025;

/** Signals that a kind can give: from no light to its clip. */
const limitsOf = (
  { numbers: { profile, clipStops } }: VerdictInput,
  { what, range }: Kind,
): readonly [number, number] =>
  what === 'display' ? DISPLAY_LIMITS[range] : [profile.transfer.encode(0), profile.signalAt(clipStops)];

/** Share of the picture that a kind cannot have given. */
const outsideOf = (input: VerdictInput, kind: Kind): number => {
  const coding: Coding = { bitDepth: input.measurement.coding.bitDepth, range: kind.range };
  const [black, clip] = limitsOf(input, kind);
  const low = signalToCode(black - SLACK, coding);
  const high = signalToCode(clip + SLACK, coding);
  return shareOf(input.measurement, (code) => code < low || code > high);
};

/** The darkest tones stand on a kind's black like on a wall: hardly anything is darker, within a code of 8 bit. */
const standsOnBlack = (input: VerdictInput, kind: Kind): boolean => {
  const { measurement } = input;
  const { bitDepth } = measurement.coding;
  const tall = 2 ** (bitDepth - 8);
  const black = signalToCode(limitsOf(input, kind)[0], { bitDepth, range: kind.range });
  const [least, most] = [codeAtShare(measurement, DARKEST), codeAtShare(measurement, WALL)];
  return Math.abs(least - black) <= tall && most - least <= WALL_CODES * tall;
};

/** A finished picture comes near its black or its white; one recorded through a log curve need not. Our own. */
const NEAR_END = 0.02;
const reachesAnEnd = ({ measurement }: VerdictInput, { what, range }: Kind): boolean => {
  if (what === 'profile') return true;
  const coding: Coding = { bitDepth: measurement.coding.bitDepth, range };
  const signal = (share: number) => codeToSignal(codeAtShare(measurement, share), coding);
  return signal(DARKEST) < NEAR_END || signal(1 - DARKEST) > 1 - NEAR_END;
};

type Outcome = {
  readonly set: Kind;
  /** Share of the picture that what is set cannot have given. */
  readonly outside: number;
  /** What else it may be, where it cannot be what is set; empty where it may. */
  readonly instead: readonly Kind[];
};

/**
 * What a picture is, in one judgement: what is set, unless more of the picture lies outside it than noise explains;
 * then all that could have given it. More than one is an answer too: it cannot be told.
 */
const outcomeOf = (input: VerdictInput): Outcome => {
  const { range } = input.measurement.coding;
  const set: Kind = { what: 'profile', range };
  const isLog = limitsOf(input, set)[0] > LIFTED;
  const others: readonly Kind[] = [
    { what: 'profile', range: range === 'legal' ? 'full' : 'legal' },
    ...(isLog ? RANGES.map((one): Kind => ({ what: 'display', range: one })) : []),
  ];
  const outside = outsideOf(input, set);
  if (outside > BEYOND)
    return {
      set,
      outside,
      instead: others.filter((kind) => outsideOf(input, kind) < outside / 4 && reachesAnEnd(input, kind)),
    };
  // Legal codes read as full lie inside: but their black stands where full range has dark grey, with nothing under it.
  const [legal] = others;
  const isOnBlack = range === 'full' && standsOnBlack(input, legal) && !standsOnBlack(input, set);
  const isApart =
    signalToCode(limitsOf(input, legal)[0], { ...input.measurement.coding, range: 'legal' }) -
      signalToCode(limitsOf(input, set)[0], input.measurement.coding) >
    6 * 2 ** (input.measurement.coding.bitDepth - 8);
  return { set, outside, instead: isOnBlack && isApart && outsideOf(input, legal) < BEYOND ? [legal] : [] };
};

const NAMES = { profile: 'the profile', display: 'a finished picture' } as const;
const nameOf = ({ what, range }: Kind) => `${NAMES[what]} in ${range} range`;

const evidence = (input: VerdictInput, { set, outside, instead }: Outcome) => [
  { label: `outside ${nameOf(set)}`, value: printShare(outside) },
  ...instead.map((kind) => ({ label: `outside ${nameOf(kind)}`, value: printShare(outsideOf(input, kind)) })),
  { label: 'darkest 0.1 % at code', value: codeAtShare(input.measurement, DARKEST).toFixed(0) },
  {
    label: 'black of the profile at code',
    value: RANGES.map((range) => {
      const [black] = limitsOf(input, { what: 'profile', range });
      return `${signalToCode(black, { ...input.measurement.coding, range }).toFixed(0)} ${range}`;
    }).join(', '),
  },
];

export const rangeReading = {
  id: 'range',
  name: 'Range of the codes',
  threshold: RANGE_HOLDS,
  judge: (input) => {
    const { coding, origin } = input.measurement;
    if (coding.feed || origin.referred === 'display') return undefined;
    const outcome = outcomeOf(input);
    const { outside, instead } = outcome;
    if (instead.length !== 1 || instead[0].what !== 'profile') return undefined;
    const { range } = instead[0];
    const isOutside = outside > BEYOND;
    return {
      state: 'watch',
      title: `Read as ${coding.range}, looks ${range}`,
      figure: isOutside ? printShare(outside) : `code ${codeAtShare(input.measurement, DARKEST).toFixed(0)}`,
      advice: isOutside
        ? `So much lies where this profile has nothing. Set the range to ${range} under the picture.`
        : `The darkest tones stand on the black of ${range} range. Set it to ${range} under the picture.`,
      arithmetic: evidence(input, outcome),
    };
  },
} as const satisfies VerdictRule;

/** Contrast under which a picture is flat: signal between its darkest and brightest half percent. Our own. */
const FLAT_SPAN = 0.6;

export const referredReading = {
  id: 'referred',
  name: 'Log or display picture',
  threshold:
    'Under 1 % of the picture outside what the profile can give; a standard profile’s picture not flat.',
  judge: (input) => {
    const { measurement } = input;
    const { coding, origin } = measurement;
    const outcome = outcomeOf(input);
    const { outside, instead } = outcome;
    const signal = (share: number) => codeToSignal(codeAtShare(measurement, share), coding);
    const [low, high] = [signal(0.005), signal(0.995)];
    const [black] = limitsOf(input, outcome.set);
    const arithmetic = [
      ...evidence(input, outcome),
      {
        label: 'darkest and brightest 0.5 %',
        value: `${(100 * low).toFixed(0)} and ${(100 * high).toFixed(0)} %`,
      },
    ];
    if (origin.referred === 'display')
      return {
        state: 'watch',
        title: 'A display picture',
        figure: '',
        advice: 'It is made for a screen, so the stops shown here are not the stops of the scene.',
        arithmetic,
      };
    if (instead.length > 0 && instead.every(({ what }) => what === 'display'))
      return {
        state: 'watch',
        title: 'Looks already converted',
        figure: printShare(outside),
        advice: darkerThanBlack(black),
        arithmetic,
      };
    if (instead.length > 1)
      return {
        state: 'watch',
        title: 'Not as set: cannot tell',
        figure: printShare(outside),
        advice: mayBe(instead.map(nameOf)),
        arithmetic,
      };
    if (black <= LIFTED && low > 0.06 && high - low < FLAT_SPAN && high < 0.97)
      return {
        state: 'watch',
        title: 'Flat: log, or haze',
        figure: `${(100 * (high - low)).toFixed(0)} %`,
        advice:
          'Flat and without black under a finished profile. A flat scene looks so too: if it was none, it is log.',
        arithmetic,
      };
    return undefined;
  },
} as const satisfies VerdictRule;
