import { rollup, sum } from 'd3-array';
import type { Profile } from '../profile/index.ts';
import { maxCode, signalToCode, type Coding, type Range } from '../signal/scale.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { stopsToReflectance } from '../units.ts';

/** What a picture may have been recorded as: one of the camera's profiles, or a picture finished for a screen. */
export type Kind = {
  readonly profile: Profile | 'display';
  readonly range: Range;
  /** As it is called in a sentence. */
  readonly name: string;
};

/** Counts of luma from code 0 to the top code, in any number of levels. */
export type CodeCounts = { readonly histogram: ArrayLike<number>; readonly coding: Coding };

/** Signal that noise and rounding may reach beyond what a profile gives. Our own. */
const SLACK = 0.015;
/** Share of the picture that may lie beyond. Our own. */
const BEYOND = 0.01;
/** Share that counts as the darkest and as the brightest tones. */
export const ENDS = 0.001;
/** A finished picture may overshoot where its range has room: 109.5 % is the top code of legal range. */
const DISPLAY_LIMITS = { legal: [0, 1.095], full: [0, 1] } as const;

/** Signals that a kind can give: from no light to its clip. */
export const limitsOf = ({ profile, range }: Kind): readonly [black: number, clip: number] =>
  profile === 'display' ? DISPLAY_LIMITS[range] : [profile.transfer.encode(0), profile.clipSignal];

const codeOfLevel = ({ histogram, coding }: CodeCounts, level: number) =>
  (level * (maxCode(coding.bitDepth) + 1)) / histogram.length;

/** Share of the picture in codes that pass. */
const shareOf = (counts: CodeCounts, test: (code: number) => boolean): number => {
  let [inside, all] = [0, 0];
  for (let level = 0; level < counts.histogram.length; level += 1) {
    all += counts.histogram[level];
    if (test(codeOfLevel(counts, level))) inside += counts.histogram[level];
  }
  return all > 0 ? inside / all : 0;
};

/** Code under which a share of the picture lies. */
export const codeAtShare = (counts: CodeCounts, share: number): number => {
  let total = 0;
  for (let level = 0; level < counts.histogram.length; level += 1) total += counts.histogram[level];
  let sum = 0;
  for (let level = 0; level < counts.histogram.length; level += 1) {
    sum += counts.histogram[level];
    if (sum > share * total) return codeOfLevel(counts, level);
  }
  return maxCode(counts.coding.bitDepth);
};

/** Share of the picture that a kind cannot have given. */
const outsideOf = (counts: CodeCounts, kind: Kind): number => {
  const coding: Coding = { bitDepth: counts.coding.bitDepth, range: kind.range };
  const [black, clip] = limitsOf(kind);
  const low = signalToCode(black - SLACK, coding);
  const high = signalToCode(clip + SLACK, coding);
  return shareOf(counts, (code) => code < low || code > high);
};

/**
 * Where the darkest and the brightest tones of pictures lie, stops from grey, mean and deviation; and what noise takes
 * them off that, in codes of 8 bit: more at the dark end, where a thousandth of a noisy black lies three deviations
 * under it. Our own.
 */
const DARK = { mean: -6.5, spread: 2.5, noise: 3 } as const;
const BRIGHT = { mean: 2.8, spread: 1.3, noise: 1 } as const;
/** What is held possible at any code. */
const ANYWHERE = 2e-4;

const encodeOf = ({ profile, range }: Kind) => {
  if (profile !== 'display') return (stops: number) => profile.signalAt(stops);
  const [, white] = DISPLAY_LIMITS[range];
  return (stops: number) => Math.min(white, TRANSFERS.bt709.encode(stopsToReflectance(stops)));
};

/** How likely an end of the picture is at a code of 8 bit, were it of a kind. */
const likelihoodAt = (
  kind: Kind,
  code8: number,
  { mean, spread, noise }: typeof DARK | typeof BRIGHT,
): number => {
  const encode = encodeOf(kind);
  let [sum, weights] = [0, 0];
  for (let z = -3; z <= 3.001; z += 0.1) {
    const weight = Math.exp(-(z * z) / 2);
    const code = signalToCode(encode(mean + z * spread), { bitDepth: 8, range: kind.range });
    sum += (weight * Math.exp(-(((code8 - code) / noise) ** 2) / 2)) / (noise * Math.sqrt(2 * Math.PI));
    weights += weight;
  }
  return sum / weights + ANYWHERE;
};

/** Share of the darkest tones that lies within `WALL_CODES` of 8 bit where a picture stands on its black. Our own. */
const WALL = 0.01;
const WALL_CODES = 0.5;
/** How much less likely it is that they stand elsewhere than on a kind's black. Our own. */
const STRAY_WALL = 0.01;

type Ends = { readonly dark: number; readonly bright: number; readonly isOnWall: boolean };

/** Ends of the picture in codes of 8 bit, and whether it stands on the dark one like on a wall. */
const endsOf = (counts: CodeCounts): Ends => {
  const at = (share: number) => codeAtShare(counts, share) / 2 ** (counts.coding.bitDepth - 8);
  const dark = at(ENDS);
  return { dark, bright: at(1 - ENDS), isOnWall: at(WALL) - dark <= WALL_CODES };
};

/** How likely the ends of a picture are, were it of a kind. */
const likelihoodOf = (kind: Kind, { dark, bright, isOnWall }: Ends): number => {
  const black = signalToCode(limitsOf(kind)[0], { bitDepth: 8, range: kind.range });
  const isStray = isOnWall && Math.abs(dark - black) > 1;
  return likelihoodAt(kind, dark, DARK) * likelihoodAt(kind, bright, BRIGHT) * (isStray ? STRAY_WALL : 1);
};

export type KindFound = {
  readonly kind: Kind;
  /** Share of the picture that it cannot have given. */
  readonly outside: number;
  /** How likely it is, the kinds asked about together being 1. */
  readonly posterior: number;
};

/** How likely a kind is beforehand, against what is set: of another profile, of the other range. Our own. */
const OTHER_PROFILE = 0.15;
const OTHER_RANGE = 0.1;
const priorOf = (kind: Kind, set: Kind) =>
  (kind.profile === set.profile ? 1 : OTHER_PROFILE) * (kind.range === set.range ? 1 : OTHER_RANGE);

/** What a hundredth of the picture outside a kind costs it. Our own. */
const IMPOSSIBLE = 1e-4;

/**
 * How likely each kind is, the first being what is set: by where its curve puts the darkest and the brightest tones
 * that pictures have, and by how much of the picture it cannot have given.
 */
const kindsOf = (counts: CodeCounts, [set, ...others]: readonly [Kind, ...Kind[]]): readonly KindFound[] => {
  const ends = endsOf(counts);
  const weighed = [set, ...others].map((kind) => {
    const outside = outsideOf(counts, kind);
    return {
      kind,
      outside,
      weight: priorOf(kind, set) * likelihoodOf(kind, ends) * IMPOSSIBLE ** Math.min(1, outside / BEYOND),
    };
  });
  const all = weighed.reduce((sum, { weight }) => sum + weight, 0);
  return weighed.map(({ kind, outside, weight }) => ({ kind, outside, posterior: weight / all }));
};

/** Kinds less likely than the best by this are left out of the answer; what is set is doubted under `DOUBTED`. */
const FAR_BEHIND = 0.1;
/** A picture whose ends lie closer than this, codes of 8 bit, says nothing: a wall, a card that fills it. Our own. */
const EVEN = 40;
const DOUBTED = 0.2;
/** No other kind makes it doubtful that is likelier by less than this: many poor answers are none. Our own. */
const AHEAD = 3;

/** How likely each name is, whatever its range. */
const byName = (found: readonly KindFound[]): readonly number[] =>
  [
    ...rollup(
      found,
      (own) => sum(own, ({ posterior }) => posterior),
      ({ kind }) => kind.name,
    ),
  ].map(([, posterior]) => posterior);

/**
 * What a picture is, in one judgement: as it is set, or what it may be instead. More than one is an answer too: it
 * cannot be told.
 */
export const pictureKind = (counts: CodeCounts, kinds: readonly [Kind, ...Kind[]]) => {
  const found = kindsOf(counts, kinds);
  const best = Math.max(...found.map(({ posterior }) => posterior));
  const likely = found
    .filter(({ posterior }) => posterior >= FAR_BEHIND * best)
    .toSorted((a, b) => b.posterior - a.posterior);
  const { dark, bright } = endsOf(counts);
  const isEven = bright - dark < EVEN && found[0].outside < BEYOND;
  const set = found[0].posterior;
  const isDoubted = set < DOUBTED && Math.max(...byName(found)) >= AHEAD * set;
  const isAsSet = isEven || (!isDoubted && likely.includes(found[0]));
  return { found, instead: isAsSet ? [] : likely };
};
