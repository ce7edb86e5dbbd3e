import { codeToSignal, maxCode, signalToCode, type Coding, type Range } from '../signal/scale.ts';
import type { FrameMeasurement } from '../scopes/measureFrame.ts';
import type { VerdictInput, VerdictRule } from './types.ts';
import { printShare } from './wording.ts';
import { darkerThanBlack, RANGE_HOLDS } from './verdictWords.ts';

/** Signal that noise and rounding may reach beyond what a profile gives. Our own. */
const SLACK = 0.015;
/** Share of the picture that may lie beyond. Our own. */
const BEYOND = 0.01;
/** Share that counts as the darkest tones. */
const DARKEST = 0.001;

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

/** Signals a profile can give: from no light to its clip. */
const limitsOf = ({ numbers }: VerdictInput): readonly [number, number] => [
  numbers.profile.transfer.encode(0),
  numbers.profile.signalAt(numbers.clipStops),
];

/** Share of the picture that the profile cannot have given when its codes are read so. */
const beyond = (input: VerdictInput, coding: Coding): number => {
  const [black, clip] = limitsOf(input);
  const low = signalToCode(black - SLACK, coding);
  const high = signalToCode(clip + SLACK, coding);
  return shareOf(input.measurement, (code) => code < low || code > high);
};

const OTHER = { legal: 'full', full: 'legal' } as const satisfies Record<Range, Range>;

export const rangeReading = {
  id: 'range',
  name: 'Range of the codes',
  threshold: RANGE_HOLDS,
  judge: (input) => {
    const { measurement } = input;
    const { coding, origin } = measurement;
    if (coding.feed || origin.referred === 'display') return undefined;
    const { bitDepth, range } = coding;
    const other: Coding = { bitDepth, range: OTHER[range] };
    const [here, there] = [beyond(input, coding), beyond(input, other)];
    const outside = here > BEYOND && there < here / 4;
    // Legal codes read as full lie inside: but their black stands where full range has dark grey, and nothing
    // is under it.
    const darkest = codeAtShare(measurement, DARKEST);
    const [black] = limitsOf(input);
    const tall = 2 ** (bitDepth - 8);
    const onBlack = Math.abs(darkest - signalToCode(black, other)) <= tall;
    const wrongBlack =
      range === 'full' && onBlack && darkest - signalToCode(black, coding) > 6 * tall && there < BEYOND;
    if (!outside && !wrongBlack) return undefined;
    return {
      state: 'watch',
      title: `Read as ${range}, looks ${other.range}`,
      figure: outside ? printShare(here) : `code ${darkest.toFixed(0)}`,
      advice: outside
        ? `So much lies where this profile has nothing. Set the range to ${other.range} under the picture.`
        : `The darkest tones stand on the black of ${other.range} range. Set it to ${other.range} under the picture.`,
      arithmetic: [
        { label: `outside the profile, read as ${range}`, value: printShare(here) },
        { label: `the same as ${other.range}`, value: printShare(there) },
        { label: 'darkest 0.1 % at code', value: darkest.toFixed(0) },
        {
          label: 'black of the profile at code',
          value: [coding, other].map((as) => `${signalToCode(black, as).toFixed(0)} ${as.range}`).join(', '),
        },
      ],
    };
  },
} as const satisfies VerdictRule;

/** Contrast under which a picture is flat: signal between its darkest and brightest half percent. Our own. */
const FLAT_SPAN = 0.6;
/** A log curve's black stands above this. Our own. */
const LIFTED = 0.025;

export const referredReading = {
  id: 'referred',
  name: 'Log or display picture',
  threshold:
    'Under 1 % of the picture darker than the profile’s black; a standard profile’s picture not flat.',
  judge: (input) => {
    const { measurement, numbers } = input;
    const { coding, origin } = measurement;
    const [black] = limitsOf(input);
    const signal = (share: number) => codeToSignal(codeAtShare(measurement, share), coding);
    const [low, high] = [signal(0.005), signal(0.995)];
    const under = shareOf(measurement, (code) => code < signalToCode(black - SLACK, coding));
    const log = black > LIFTED;
    const arithmetic = [
      { label: 'black of the profile', value: `${(100 * black).toFixed(1)} % of signal` },
      { label: 'picture darker than that', value: printShare(under) },
      {
        label: 'darkest and brightest 0.5 %',
        value: `${(100 * low).toFixed(0)} and ${(100 * high).toFixed(0)} %`,
      },
      {
        label: 'clip of the profile',
        value: `${(100 * numbers.profile.signalAt(numbers.clipStops)).toFixed(0)} %`,
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
    if (log && under > BEYOND && low < LIFTED / 2)
      return {
        state: 'watch',
        title: 'Looks already converted',
        figure: printShare(under),
        advice: darkerThanBlack(black),
        arithmetic,
      };
    if (!log && low > 0.06 && high - low < FLAT_SPAN && high < 0.97)
      return {
        state: 'watch',
        title: 'Looks like log',
        figure: `${(100 * (high - low)).toFixed(0)} %`,
        advice:
          'Flat and without black, though the profile is a standard one: choose the profile it was shot in.',
        arithmetic,
      };
    return undefined;
  },
} as const satisfies VerdictRule;
