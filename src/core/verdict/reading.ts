import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { signalToCode } from '../signal/scale.ts';
import { codeAtShare, ENDS, limitsOf, pictureKind, type Kind, type KindFound } from './pictureKind.ts';
import type { VerdictInput, VerdictRule } from './types.ts';
import { capital, printShare } from './wording.ts';
import {
  CANNOT_TELL,
  darkerThanBlack,
  endsLie,
  FLAT_OR_LOG,
  KIND_HOLDS,
  mayBe,
  standsOn,
} from './verdictWords.ts';

const RANGES = ['legal', 'full'] as const;
/** A log curve's black stands above this. Our own. */
const LIFTED = 0.025;
const isLog = (kind: Pick<Kind, 'profile' | 'range'>) => limitsOf({ ...kind, name: '' })[0] > LIFTED;

const SET = 'the profile';
const FINISHED = 'a finished picture';
/** Log pictures as such, for a camera of which no log profile is known. */
const LOGS = [ARCHETYPES.wideLog, ARCHETYPES.classicLog, ARCHETYPES.mildLog].map((data) => ({
  profile: compileProfile(data),
  name: 'a log picture',
}));

/** All that the picture may be, the first being what is set: the camera's profiles, a finished picture, log. */
const kindsFor = ({ numbers, others = [], measurement }: VerdictInput): readonly [Kind, ...Kind[]] => {
  const { range } = measurement.coding;
  const profiles = [{ profile: numbers.profile, name: SET }, ...others];
  const general = [
    ...(profiles.every(isLogProfile) ? [{ profile: 'display' as const, name: FINISHED }] : []),
    ...(profiles.some(isLogProfile) ? [] : LOGS),
  ];
  const all = [...profiles, ...general].flatMap((one) =>
    RANGES.map((each): Kind => ({ ...one, range: each })),
  );
  const set = all.find((kind) => kind.profile === numbers.profile && kind.range === range);
  return set
    ? [set, ...all.filter((kind) => kind !== set)]
    : [{ profile: numbers.profile, range, name: SET }];
};
const isLogProfile = ({ profile }: { readonly profile: Kind['profile'] }) =>
  isLog({ profile, range: 'legal' });

/** Both rules ask the same of a frame: it is judged once. */
const judged = new WeakMap<VerdictInput, ReturnType<typeof pictureKind>>();
const kindOf = (input: VerdictInput): ReturnType<typeof pictureKind> => {
  const answer = judged.get(input) ?? pictureKind(input.measurement, kindsFor(input));
  judged.set(input, answer);
  return answer;
};

const nameOf = ({ name, range }: Kind) => `${name} in ${range} range`;

/** Kinds of one name as one: the first, with all their likelihood. */
const byName = (found: readonly KindFound[]): readonly KindFound[] => {
  const sameAs = ({ kind }: KindFound) => found.filter((other) => nameOf(other.kind) === nameOf(kind));
  return found
    .filter((one) => sameAs(one)[0] === one)
    .map((one) => ({ ...one, posterior: sameAs(one).reduce((sum, { posterior }) => sum + posterior, 0) }));
};

const evidence = (input: VerdictInput, found: readonly KindFound[]) => {
  const { measurement } = input;
  return [
    ...byName(found).map(({ kind, outside, posterior }, i) => ({
      label: `${capital(nameOf(kind))}${i === 0 ? ', as set' : ''}`,
      value: `${(100 * posterior).toFixed(0)} % likely, ${printShare(outside)} outside it`,
    })),
    {
      label: 'darkest and brightest 0.1 % at code',
      value: [ENDS, 1 - ENDS].map((share) => codeAtShare(measurement, share).toFixed(0)).join(', '),
    },
    {
      label: 'black and clip of the profile at code',
      value: RANGES.map((range) => {
        const ends = limitsOf({ profile: input.numbers.profile, range, name: SET }).map((signal) =>
          signalToCode(signal, { ...measurement.coding, range }).toFixed(0),
        );
        return `${ends.join(' and ')} in ${range} range`;
      }).join('; '),
    },
  ];
};

export const rangeReading = {
  id: 'range',
  name: 'Range of the codes',
  threshold: KIND_HOLDS,
  judge: (input) => {
    const { coding, origin } = input.measurement;
    if (coding.feed || origin.referred === 'display') return undefined;
    const { found, instead } = kindOf(input);
    const [answer] = instead;
    if (instead.length !== 1 || answer.kind.profile !== input.numbers.profile) return undefined;
    const { range } = answer.kind;
    return {
      state: 'watch',
      title: `Read as ${coding.range}, looks ${range}`,
      figure: `${(100 * answer.posterior).toFixed(0)} %`,
      advice: standsOn(range),
      arithmetic: evidence(input, found),
    };
  },
} as const satisfies VerdictRule;

/** What is said where the answer is not the profile that is set. */
const insteadOf = (set: Kind, instead: readonly KindFound[]) => {
  const kinds = instead.map(({ kind }) => kind);
  const [first] = kinds;
  const isOneName = kinds.every(({ name }) => name === first.name);
  if (isOneName && !isLog(first) && isLog(set))
    return { title: 'Looks already converted', advice: darkerThanBlack(limitsOf(set)[0]) };
  const log = instead.reduce((sum, { kind, posterior }) => sum + (isLog(kind) ? posterior : 0), 0);
  if (log > 0.5 && !isLog(set)) return { title: 'Flat: log, or haze', advice: FLAT_OR_LOG };
  if (isOneName) return { title: `Looks like ${first.name}`, advice: endsLie(nameOf(first)) };
  return { title: CANNOT_TELL, advice: mayBe([...new Set(kinds.map(nameOf))]) };
};

export const referredReading = {
  id: 'referred',
  name: 'Log or display picture',
  threshold: KIND_HOLDS,
  judge: (input) => {
    const { measurement } = input;
    const { found, instead } = kindOf(input);
    const set = found[0].kind;
    const arithmetic = evidence(input, found);
    if (measurement.origin.referred === 'display')
      return {
        state: 'watch',
        title: 'A display picture',
        figure: '',
        advice: 'It is made for a screen, so the stops shown here are not the stops of the scene.',
        arithmetic,
      };
    if (instead.length === 0 || instead.every(({ kind }) => kind.profile === set.profile)) return undefined;
    return {
      state: 'watch',
      figure: `${(100 * found[0].posterior).toFixed(0)} % as set`,
      arithmetic,
      ...insteadOf(set, instead),
    };
  },
} as const satisfies VerdictRule;
