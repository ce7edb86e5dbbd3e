import { said } from '../../said.ts';
import { ARCHETYPES, ARCHETYPE_IDS, compileProfile } from '../../profile/index.ts';
import { SHOT_KINDS } from '../shotKinds.ts';
import { shotName } from '../shotWords.ts';
import type { FilmedShot } from '../tell/types.ts';
import type { Shot } from '../types.ts';
import { holdOf, holdsOf, type Hold, type LookedAt } from './holds.ts';
import { recognise, SURE, type FoundShot } from './recognise.ts';

/** What somebody changed by hand: which shot a hold is, and from where to where it goes. */
export type HoldEdits = {
  /** Shot of a hold by its id; null for none. */
  readonly labels: Readonly<Record<string, string | null>>;
  /** Seconds in its clip, by the id of the hold. */
  readonly bounds: Readonly<Record<string, { readonly from: number; readonly to: number }>>;
};

/** A shot as it was found, without its frames. */
export type FoundIn = {
  readonly id: string;
  readonly clip: string;
  readonly from: number;
  readonly to: number;
  readonly shotId?: string;
  readonly sure: number;
  /** By hand, not by what is in it. */
  readonly isSet: boolean;
  /** Luma of the card, signal fraction. */
  readonly signal: number;
  /** What is odd about it. */
  readonly odd?: string;
};

/** What is wrong with the whole, and what to film again. */
export type ClipProblem = {
  readonly id: string;
  readonly text: string;
  /** Shots it is about. */
  readonly shots: readonly string[];
};

/** A card that moves by more within a shot, signal fraction, was not held. Our own choice. */
const MOVES = 0.012;
const COLOUR_MOVES = 0.01;
const STARTS = ARCHETYPE_IDS.map((id) => compileProfile(ARCHETYPES[id]).signalAt);

const oddOf = ({ moves }: Hold): string | undefined => {
  if (Math.abs(moves.signal) > MOVES)
    return 'The level moves while it is held: an automatic exposure was on, or the light moved.';
  if (Math.abs(moves.colour) > COLOUR_MOVES)
    return 'The colour moves while it is held: automatic balance was on.';
  return undefined;
};

/** A hold cut to other ends. */
const cut = (hold: Hold, clips: readonly LookedAt[], { bounds }: HoldEdits): Hold => {
  const bound = bounds[hold.id];
  const clip = bound && clips.find(({ name }) => name === hold.clip);
  const glances = clip?.glances.filter(({ at }) => at >= bound.from - 1e-6 && at <= bound.to + 1e-6) ?? [];
  return clip && glances.length > 0 ? { ...holdOf(hold.clip, glances, clip.perCode), id: hold.id } : hold;
};

/** Every hold of the clips with the shot it is. A shot set by hand is believed. */
export const findShots = (
  list: readonly Shot[],
  clips: readonly LookedAt[],
  edits: HoldEdits,
): readonly FoundShot[] => {
  const holds = holdsOf(clips).map((hold) => cut(hold, clips, edits));
  return recognise(list, holds, STARTS).map((found) => {
    const label = edits.labels[found.hold.id];
    if (label === undefined) return found;
    return { hold: found.hold, sure: 1, ...(label === null ? {} : { shotId: label }) };
  });
};

export const foundIn = (found: readonly FoundShot[], { labels }: HoldEdits): readonly FoundIn[] =>
  found.map(({ hold, shotId, sure }) => {
    const odd = oddOf(hold);
    return {
      id: hold.id,
      clip: hold.clip,
      from: hold.from,
      to: hold.to,
      sure,
      isSet: labels[hold.id] !== undefined,
      signal: hold.card.signal,
      ...(shotId === undefined ? {} : { shotId }),
      ...(odd ? { odd } : {}),
    };
  });

/** What is to be evaluated: the last of each shot, those that are sure enough. */
export const filmedShots = (list: readonly Shot[], found: readonly FoundShot[]): readonly FilmedShot[] =>
  list.flatMap((shot) => {
    const one = found.findLast(({ shotId, sure }) => shotId === shot.id && sure >= SURE);
    return one ? [{ shot, hold: one.hold }] : [];
  });

/** A card less even than this is none, signal fraction; so many of its shots have to say so. Our own choice. */
const NO_CARD = 0.02;
const MOST_OF = 0.6;
/** Fewer of the holds that are shots of the list: these are other clips. */
const LIST_SHARE = 0.35;
const FEWEST_HOLDS = 3;

/** What is wrong with all of the clips together. */
const wholeProblems = (list: readonly Shot[], found: readonly FoundShot[]): readonly ClipProblem[] => {
  const views = new Map(list.map(({ id, view }) => [id, view]));
  const cards = found.filter(({ shotId }) => views.get(shotId ?? '') === 'card');
  const uneven = cards.filter(({ hold }) => hold.card.spatial > NO_CARD);
  const placed = found.filter(({ shotId }) => shotId !== undefined);
  return [
    ...(found.length >= FEWEST_HOLDS && placed.length < LIST_SHARE * found.length
      ? [
          {
            id: 'other',
            text: said(
              `${found.length - placed.length} of ${found.length} shots are none of this list’s:`,
              'were they filmed by it? What fits is used; the rest is left alone.',
            ),
            shots: [],
          },
        ]
      : []),
    ...(cards.length >= FEWEST_HOLDS && uneven.length > MOST_OF * cards.length
      ? [
          {
            id: 'no card',
            text: said(
              'Where the card should be the picture is not even: choose a shot and drag the mark over the card.',
              'If none was filmed, a plain wall in the same light will do for all but the place of grey.',
            ),
            shots: [],
          },
        ]
      : []),
  ];
};

/** Shots that are missing by kind, doubtful ones, holds that are none. */
export const problemsOf = (list: readonly Shot[], found: readonly FoundShot[]): readonly ClipProblem[] => {
  const has = new Set(found.flatMap(({ shotId }) => shotId ?? []));
  const missing = list.filter(({ id }) => !has.has(id));
  const doubtful = found.filter(({ shotId, sure }) => shotId !== undefined && sure < SURE);
  const kinds = [...new Set(missing.map(({ kind }) => kind))];
  return [
    ...wholeProblems(list, found),
    ...(doubtful.length > 0
      ? [
          {
            id: 'doubtful',
            text: said(
              `${doubtful.length} ${doubtful.length === 1 ? 'shot is' : 'shots are'} not sure:`,
              'say which they are, or they are left out.',
            ),
            shots: doubtful.flatMap(({ shotId }) => shotId ?? []),
          },
        ]
      : []),
    ...kinds.map((kind) => {
      const shots = missing.filter((shot) => shot.kind === kind);
      const names = shots.map((shot) => shotName(shot));
      return {
        id: `missing ${kind}`,
        text: said(
          `Not found: ${SHOT_KINDS[kind].name}${names.length > 0 ? `, ${names.join(', ')}` : ''}.`,
          `It tells ${SHOT_KINDS[kind].tells}.`,
        ),
        shots: shots.map(({ id }) => id),
      };
    }),
  ];
};
