import { printStopsDecimal } from '../units.ts';
import { dialFor } from './lean.ts';

/** A source in the set-up: its temperature and tint in thousandths of Duv. */
export type Source = {
  readonly id: string;
  readonly name: string;
  readonly kelvin: number;
  readonly tint: number;
};
export type GelOption = {
  readonly id: string;
  readonly name: string;
  readonly mired: number;
  readonly lossStops: number;
};

/** Difference of two temperatures on the mired scale, of `a` from `b`: warm + (10^6/K). */
export const miredShift = (a: number, b: number): number => 1e6 / a - 1e6 / b;

/** Distance between the warmest and the coolest of the lights that play, mired; 0 for one light or none. */
export const splitOf = (sources: readonly Pick<Source, 'kelvin'>[]): number => {
  const mired = sources.map(({ kelvin }) => 1e6 / kelvin);
  return mired.length === 0 ? 0 : Math.max(...mired) - Math.min(...mired);
};

/** A split under this is hardly seen: about 5 to 10 mired is just seen. Common practice. */
export const SEEN_MIRED = 8;

export type BalanceInput = {
  /** The light on the skin first. */
  readonly sources: readonly Source[];
  readonly kelvinStep: number;
  readonly kelvinRange: readonly [number, number];
  readonly leanMired: number;
  /** Day exterior, where one daylight number stands for all. */
  readonly outside: boolean;
  /** The light keeps changing and nobody can stop. */
  readonly changing: boolean;
  /** Light that the first camera of the set-up is balanced to, its own lean taken out; K. */
  readonly agreed?: number;
};

type BalanceSchool = {
  readonly name: string;
  readonly says: string;
  /** Kelvin of the light that the school calls neutral; undefined where it cannot speak. */
  readonly neutral: (input: BalanceInput) => number | undefined;
  /** Why it has no number, where it has none: said instead of one. */
  readonly without: string;
  /** The body's lean is taken off. */
  readonly leanOff: boolean;
};

/** One fixed daylight number, K. Common practice: 5500 to 5600. */
const DAYLIGHT = 5600;

/** Schools of white balance. A further one is a row. */
export const BALANCE_SCHOOLS = {
  card: {
    name: 'Custom from the card',
    says: 'Measured off a grey card in the light on the skin; the camera’s own lean is in it.',
    without: 'as the card reads',
    neutral: ({ sources }) => sources[0]?.kelvin,
    leanOff: true,
  },
  daylight: {
    name: 'One daylight number',
    says: '5600 K all day, so that morning is cool and dusk is warm.',
    without: 'only outside by day: tick it in the brief',
    neutral: ({ outside }) => (outside ? DAYLIGHT : undefined),
    leanOff: true,
  },
  agreed: {
    name: 'One number for all cameras',
    says: 'The first camera’s light on every camera, each one’s own lean taken off.',
    without: 'no light is named yet: add one in the bag',
    neutral: ({ agreed, sources }) => agreed ?? sources[0]?.kelvin,
    leanOff: true,
  },
  sky: {
    name: 'By sky',
    says: '5000 K in sun, 6000 K under cloud: what small cameras have.',
    without: 'only outside by day: tick it in the brief',
    neutral: ({ outside, sources }) =>
      outside ? ((sources[0]?.kelvin ?? DAYLIGHT) > 6000 ? 6000 : 5000) : undefined,
    leanOff: false,
  },
  auto: {
    name: 'Auto',
    says: 'Only where light keeps changing and nobody can stop; never within a shot that must hold.',
    without: 'this light does not change: a fixed number holds the shot',
    neutral: ({ changing, sources }) => (changing ? sources[0]?.kelvin : undefined),
    leanOff: false,
  },
} as const satisfies Record<string, BalanceSchool>;
export type BalanceSchoolId = keyof typeof BALANCE_SCHOOLS;
export const BALANCE_SCHOOL_IDS = Object.keys(BALANCE_SCHOOLS) as BalanceSchoolId[];

export type BalanceAnswer = {
  readonly id: BalanceSchoolId;
  /** What to dial; undefined where the school does not fit. */
  readonly dial?: number;
  /** How warm a neutral in each source's light comes out, mired: warm +. */
  readonly cast: readonly { readonly source: Source; readonly mired: number }[];
};

const onDial = (kelvin: number, step: number, [low, high]: readonly [number, number]) =>
  Math.min(high, Math.max(low, Math.round(kelvin / step) * step));

/** How warm a neutral in this light comes out on a body dialled so, mired: warm +. */
export const castInMired = (source: Pick<Source, 'kelvin'>, dial: number, leanMired: number): number =>
  miredShift(source.kelvin, dial) + leanMired;

/** What each school dials and what it leaves on a neutral in every source. */
export const balanceAnswers = (input: BalanceInput): BalanceAnswer[] =>
  BALANCE_SCHOOL_IDS.map((id) => {
    const school: BalanceSchool = BALANCE_SCHOOLS[id];
    const neutral = school.neutral(input);
    if (neutral === undefined) return { id, cast: [] };
    const meant = school.leanOff ? dialFor(neutral, input.leanMired, input.kelvinStep) : neutral;
    const dial = onDial(meant, input.kelvinStep, input.kelvinRange);
    return {
      id,
      dial,
      cast: input.sources.map((source) => ({
        source,
        mired: castInMired(source, dial, input.leanMired),
      })),
    };
  });

export type Closing = {
  readonly source: Source;
  readonly gel: GelOption;
  readonly before: number;
  readonly after: number;
};

/** A gel is worth hanging when it takes off this much of the split. Our own choice. */
const WORTH = 0.4;

/** For every further source, the gel of the bag that brings it nearest to the first; none where it would not help. */
export const closingGels = (sources: readonly Source[], gels: readonly GelOption[]): Closing[] => {
  const [main, ...others] = sources;
  if (!main) return [];
  return others.flatMap((source) => {
    const before = miredShift(source.kelvin, main.kelvin);
    if (Math.abs(before) <= SEEN_MIRED || gels.length === 0) return [];
    const best = gels.reduce((a, b) => (Math.abs(before + b.mired) < Math.abs(before + a.mired) ? b : a));
    const after = before + best.mired;
    return Math.abs(after) < (1 - WORTH) * Math.abs(before) ? [{ source, gel: best, before, after }] : [];
  });
};

/** `+35 mired warm`, `−12 mired cool`, `neutral`. */
export const printCast = (mired: number): string =>
  Math.abs(mired) < 1 ? 'neutral' : `${printStopsDecimal(mired, 0)} mired ${mired > 0 ? 'warm' : 'cool'}`;
