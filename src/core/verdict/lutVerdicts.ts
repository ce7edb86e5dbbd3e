import { kindOf, type ProfileData, type ProfileKind } from '../profile/index.ts';
import { CARD_TOLERANCE, SKIN_TOLERANCE } from '../exposure/zebraLevels.ts';
import { printStopsDecimal } from '../units.ts';
import { brokenFigure, placeOfNaN } from './noNumber.ts';
import type { Verdict, VerdictState } from './types.ts';
import { INPUT_KINDS, patternProfile, type InputKind } from '../lut/inputKind.ts';
import type { LutReport } from '../lut/inspect.ts';
import {
  atHalfThePoints,
  betweenPoints,
  blackGreyWhite,
  clipLooksSafe,
  greysFall,
  greysTinted,
  kindFound,
  landing,
  otherPull,
  percent,
  topStopsAlike,
  wouldSit,
} from './lutVerdictWords.ts';

export type LutContext = {
  readonly profileName: string;
  readonly profile: ProfileData;
  readonly clipStops: number;
};
type Rule = (report: LutReport, context: LutContext) => Verdict | undefined;

/** The kind of LUT that each kind of profile wants. */
const WANTS: { readonly [K in ProfileKind]: InputKind } = {
  log: 'log',
  flat: 'log',
  hlg: 'log',
  finished: 'display',
};
const state = (size: number, watch: number, lost: number): VerdictState =>
  size > lost ? 'lost' : size > watch ? 'watch' : 'holds';
/** More than this and a tone is no longer where it was planned, stops. */
const FAR = 1;
/** Patterns within this of each other cannot be told apart. */
const CLOSE = 0.01;

const noFigure: Rule = (report) => {
  const place = placeOfNaN(report);
  return place === undefined ? undefined : { id: 'no-number', ...brokenFigure(place) };
};

const feed: Rule = ({ guess, own, landings, pull, placement }, { profileName, profile }) => {
  const likeProfile = patternProfile(guess.like);
  const made = likeProfile && kindOf(likeProfile) === 'log' ? 'log' : 'a flat profile';
  const kind = guess.kind === 'log' ? made : INPUT_KINDS[guess.kind].name;
  const expects = `${kind}${guess.grey === undefined ? '' : ` with grey near ${percent(guess.grey)}`}`;
  // A tone scale may move a face a little; the card stays where it is put.
  const off = landings.map(({ name, seen, wanted }, i) => ({
    name,
    by: seen - wanted,
    past: Math.abs(seen - wanted) - (i === 0 ? CARD_TOLERANCE : SKIN_TOLERANCE),
  }));
  const worst = off.reduce((a, b) => (b.past > a.past ? b : a));
  const holds = worst.past <= 0;
  const next = guess.others[0];
  const sure = next.off - guess.off > CLOSE;
  const right = guess.kind === WANTS[kindOf(profile)];
  // A conversion from the profile itself that lies as near as the nearest of all.
  const fits = right && own - guess.off <= CLOSE;
  const astray = off.filter(({ past }) => past > 0);
  const sits = holds ? 'card and faces sit where they should' : wouldSit(astray);
  const pulls =
    fits && !holds && Math.abs(pull - placement) > CARD_TOLERANCE ? otherPull(pull, placement) : '';
  return {
    id: 'feed',
    state: holds ? 'holds' : fits && Math.abs(worst.by) <= FAR ? 'watch' : 'lost',
    title: holds
      ? 'Fits this picture'
      : fits
        ? 'Right curve, wrong level'
        : right
          ? 'Made for another curve'
          : 'Made for another kind of picture',
    figure: Number.isFinite(worst.by) ? printStopsDecimal(worst.by) : 'lost',
    advice: `${sure ? 'Expects' : 'Seems to expect'} ${expects}; you feed ${profileName}: ${sits}.${pulls}`,
    arithmetic: [
      ...landings.map(({ name, in: signal, out, seen, wanted }) => ({
        label: `${name}, ${percent(signal, 1)} in`,
        value: landing(out, seen, wanted),
      })),
      {
        label: 'furthest off',
        value: `${worst.name}, ${Number.isFinite(worst.by) ? printStopsDecimal(worst.by) : 'lost'}`,
      },
      {
        label: 'kind, by the grey axis',
        value: kindFound(guess),
      },
      { label: `nearest conversion from ${profileName}`, value: `${percent(own, 1)} off` },
      {
        label: 'black, grey, white in',
        value: blackGreyWhite(guess),
      },
    ],
  };
};

/** Light under which a clipped area no longer looks white: 85 % of signal on BT.1886. Our own choice. */
const WHITE_LOOK = 0.85 ** 2.4;

const whites: Rule = ({ whiteStops, whiteSignal, whiteLight }, { clipStops }) => {
  const flat = clipStops - whiteStops;
  if (whiteLight < WHITE_LOOK)
    return {
      id: 'whites',
      state: 'watch',
      title: 'Clipped areas look safe',
      figure: percent(whiteSignal),
      advice: clipLooksSafe(whiteSignal),
      arithmetic: [{ label: 'output at the clip', value: percent(whiteSignal, 1) }],
    };
  const lost = flat > 1 / 3;
  return {
    id: 'whites',
    state: lost ? 'watch' : 'holds',
    title: lost ? 'Flattens the top stops' : 'Shows tones to the clip',
    figure: printStopsDecimal(whiteStops),
    advice: lost
      ? topStopsAlike(whiteStops, clipStops)
      : 'The highest tone it tells apart is the last one that is recorded.',
    arithmetic: [
      { label: 'output is at its highest from', value: `${printStopsDecimal(whiteStops, 2)} over grey` },
      { label: 'the recording clips at', value: printStopsDecimal(clipStops, 2) },
    ],
  };
};

const blacks: Rule = ({ blackStops }) =>
  blackStops > -4
    ? {
        id: 'blacks',
        state: 'watch',
        title: 'Crushes the shadows',
        figure: printStopsDecimal(blackStops),
        advice: `All under ${printStopsDecimal(blackStops)} comes out as black.`,
        arithmetic: [
          { label: 'output is at its lowest up to', value: `${printStopsDecimal(blackStops, 2)} from grey` },
        ],
      }
    : undefined;

const order: Rule = ({ falls, folds }) => {
  const folding = folds > 0.005;
  return {
    id: 'order',
    state: falls ? 'lost' : folding ? 'watch' : 'holds',
    title: falls ? 'Greys fall' : folding ? 'Colours fold over' : 'Rises throughout',
    figure: falls ? percent(falls.by, 1) : percent(folds, 1),
    advice: falls
      ? greysFall(falls.at, falls.by)
      : folding
        ? 'Somewhere more of a channel comes out as less of it: two colours become one.'
        : 'More light never comes out as less.',
    arithmetic: [
      {
        label: 'grey axis',
        value: falls ? `falls by ${percent(falls.by, 2)} from ${percent(falls.at, 1)} in` : 'never falls',
      },
      { label: 'steps along the axes that fall', value: percent(folds, 2) },
    ],
  };
};

// A difference of 1 is just seen side by side (CIE 015:2018, clause 8); looks tint on purpose.
const neutrality: Rule = ({ tinge }) => ({
  id: 'neutral',
  state: tinge.delta > 2 ? 'watch' : 'holds',
  title: tinge.delta > 2 ? 'Tints the greys' : 'Greys stay grey',
  figure: tinge.delta.toFixed(1),
  advice:
    tinge.delta > 2
      ? greysTinted(tinge.delta, tinge.at)
      : `No cast along the grey axis: at most ${tinge.delta.toFixed(1)} in a* or b*.`,
  arithmetic: [
    {
      label: 'largest a* or b* of a neutral',
      value: `${tinge.delta.toFixed(2)} at ${percent(tinge.at, 1)} in`,
    },
  ],
});

const smooth: Rule = ({ bend }) => ({
  id: 'smooth',
  state: bend.by > 1 ? 'watch' : 'holds',
  title: bend.by > 1 ? 'Has a kink' : 'Smooth',
  figure: bend.by.toFixed(2),
  advice:
    bend.by > 1
      ? `The slope jumps at ${percent(bend.at)} in: even gradients may show an edge there.`
      : `The slope along the grey axis changes by ${bend.by.toFixed(2)} of its mean at most.`,
  arithmetic: [
    {
      label: 'largest change of slope',
      value: `${bend.by.toFixed(2)} of the mean slope, between neighbouring 1024ths at ${percent(bend.at, 1)} in`,
    },
  ],
});

const legal: Rule = ({ range, outside, illegal }) => ({
  id: 'legal',
  state: illegal > 0 ? 'lost' : outside > 0 ? 'watch' : 'holds',
  title:
    illegal > 0
      ? 'Outside the legal signal'
      : outside > 0
        ? 'Uses over- and undershoot'
        : 'Within black and white',
  figure: percent(illegal > 0 ? illegal : outside, 1),
  advice:
    outside > 0
      ? `Puts out ${percent(range[0])} to ${percent(range[1])} of signal: a box that holds to the legal range cuts it.`
      : `Puts out ${percent(range[0])} to ${percent(range[1])} of signal.`,
  arithmetic: [
    {
      label: 'lowest and highest output',
      value: `${percent(range[0], 1)} and ${percent(range[1], 1)} of signal`,
    },
    { label: 'outside 0..100 %', value: `${percent(outside, 2)} of the values` },
    { label: 'outside −5..105 % (EBU R 103)', value: `${percent(illegal, 2)} of the values` },
  ],
});

const points: Rule = ({ halved }) => {
  if (!halved) return undefined;
  // Straight reads: the error goes by the square of the distance of the points.
  const [worst, stops] = [halved.worst / 4, halved.stops / 4];
  return {
    id: 'points',
    state: state(worst, 2, 8),
    title: worst > 2 ? 'Too few points for its curve' : 'Points enough',
    figure: `ΔE ${worst.toFixed(1)}`,
    advice: betweenPoints(worst, stops),
    arithmetic: [
      {
        label: 'at half its points, against all',
        value: atHalfThePoints(halved),
      },
      { label: 'a quarter of it', value: `worst ΔE2000 ${worst.toFixed(2)}, ${stops.toFixed(3)} stop` },
    ],
  };
};

/** What is said of a LUT, in this order. A further one is a row. */
const RULES: readonly Rule[] = [noFigure, feed, whites, blacks, order, neutrality, points, legal, smooth];

/** A report in sentences: what it expects against what it is fed first. */
export const judgeLut = (report: LutReport, context: LutContext): Verdict[] =>
  RULES.flatMap((rule) => rule(report, context) ?? []);
