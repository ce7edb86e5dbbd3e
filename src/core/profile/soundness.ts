import { failure, type Result } from '../result.ts';
import { printStopsDecimal } from '../units.ts';
import { compileProfile, type Profile } from './compile.ts';
import type { ProfileSolution } from './solution.ts';
import type { ProfileData } from './types.ts';

/** No camera records outside these fractions of its signal: what does is a slip of the pen. */
const SIGNALS = { least: -1, most: 4 } as const;
/** A curve may sink by so much where two of its pieces meet: less than a code of 10 bit. */
const SEAM = 1 / 1023;
const DARKEST = -10;
const STEP = 1 / 6;
/** A signal read back must come out within this of the light it was made of, stops. */
const WAY_BACK = 0.1;

const stopsUpTo = (clip: number): number[] =>
  Array.from({ length: Math.floor((clip - DARKEST) / STEP) }, (_, i) => DARKEST + i * STEP).concat(clip);

const curveProblem = ({ clipStops, signalAt, stopsAt, transfer }: Profile): string | undefined => {
  let highest = -Infinity;
  for (const stops of stopsUpTo(clipStops)) {
    const signal = signalAt(stops);
    const at = () => `at ${printStopsDecimal(stops)} stops`;
    if (!(signal >= SIGNALS.least && signal <= SIGNALS.most))
      return `the curve leaves what a camera can record ${at()}: check its numbers`;
    if (signal < highest - SEAM) return `the curve falls ${at()}: more light must come out as more signal`;
    if (Number.isNaN(transfer.decode(signal))) return `the curve cannot be read backwards ${at()}`;
    highest = Math.max(highest, signal);
  }
  if (!(Math.abs(stopsAt(signalAt(0))) <= WAY_BACK)) return 'grey does not come back out of its own signal';
  return undefined;
};

/**
 * What keeps a profile from being used: its numbers make no curve, or one that no camera has. Stops from grey.
 * @returns a clause without a full stop, or undefined where the profile is sound.
 */
export const profileProblem = (data: ProfileData): string | undefined => {
  if (!(data.clipStops > 0)) return 'its clip must lie over grey';
  const { stops, signal, stopsWide } = data.band ?? { stops: [], signal: [], stopsWide: [] };
  if (stops.length !== signal.length || stops.length !== stopsWide.length)
    return 'its band must have a signal and a width for every stop';
  try {
    return curveProblem(compileProfile(data));
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return `its numbers make no curve (${error.message.replace(/^\w+: /, '')})`;
  }
};

/** A solution whose profile can be used; a failure says why it cannot, with what to do. */
export const soundSolution = (solved: Result<ProfileSolution>): Result<ProfileSolution> => {
  const problem = solved.ok ? profileProblem(solved.value.profile) : undefined;
  return problem === undefined
    ? solved
    : failure('curve', `These numbers come to no profile, ${problem}: check their unit and what was typed.`);
};
