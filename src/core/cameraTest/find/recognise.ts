import { median } from '../../maths/quantile.ts';
import type { Shot } from '../types.ts';
import { align, type Placed } from './alignment.ts';
import { gainSign, gainsOf, type GainSign } from './gainSign.ts';
import type { Hold } from './holds.ts';
import { VIEW_FITS } from './views.ts';

// Which shot of the list each hold is: by what fills the picture, by where the card's level, colour and noise lie
// against the other holds, and by the order. The levels of an unknown curve are learnt on the way.

export type FoundShot = {
  readonly hold: Hold;
  /** Id of the shot; undefined for none of the list. */
  readonly shotId?: string;
  /** How sure that is, 0..1. */
  readonly sure: number;
};

/** Surer than this nobody is asked. */
export const SURE = 0.9;

const KNOTS = Array.from({ length: 18 }, (_, i) => i - 9);
/** How far a curve that nobody has measured may lie off, signal fraction; how far once its levels were learnt. */
const [AT_FIRST, LEARNT] = [0.04, 0.02];
/** Levels that the meter sets, or that nothing does. */
const BY_METER = 0.07;
const FREE = 0.15;
/** Reach of a level that was learnt, stops; weight of the curve it began with. */
const REACH = 0.7;
const KEPT = 0.3;
const ROUNDS = 3;
/** How much less likely it is that an automatic was left on, negative log. */
const LEFT_ON = 3;
/** A card's colour: how exactly it repeats, and how far a turn of the dial moves it at least, signal fraction. */
const COLOUR_SD = 0.008;
const DIAL = 0.03;
/** Less than this says little: an automatic may have turned it back. */
const DIAL_AT_LEAST = 0.011;
/** Farther from grey colours say little, stops. */
const COLOURS_WITHIN = 2.5;
/** No single sign speaks louder than this. */
const LOUDEST = 8;

/** A card this near the brightest of all is at clip, signal fraction. */
const AS_FULL = 0.02;

const isStep = ({ kind }: Shot): boolean => kind === 'bracket' || kind === 'back';

type Levels = readonly number[];

const levelAt = (levels: Levels, stops: number): number => {
  const at = Math.min(KNOTS.length - 1.001, Math.max(0, stops - KNOTS[0]));
  const k = Math.floor(at);
  return levels[k] + (at - k) * (levels[k + 1] - levels[k]);
};

const quiet = (off: number): number => Math.min(LOUDEST, (off * off) / 2);

type Colours = { readonly warmth: number; readonly green: number; readonly dial: number };

/** What is known of the card so far. */
type Known = {
  readonly levels: Levels;
  readonly sd: number;
  readonly colours: Colours;
  readonly noise: GainSign;
  /** Automatic exposure was left on for the ISO steps. */
  readonly isAutomatic: boolean;
  readonly reference: readonly number[];
};

/** Whether the camera sets a shot's level, not its marks. */
const isMetered = ({ kind }: Shot, isAutomatic: boolean): boolean =>
  kind === 'meter' || (isAutomatic && kind === 'iso');

const levelCost = (shot: Shot, { card }: Hold, { levels, sd, isAutomatic }: Known): number => {
  switch (shot.view) {
    case 'card':
      return isMetered(shot, isAutomatic)
        ? quiet((card.signal - levelAt(levels, 0)) / BY_METER)
        : quiet((card.signal - levelAt(levels, shot.settings.stops)) / sd);
    case 'white':
    case 'black':
      return quiet((card.signal - levelAt(levels, 0)) / BY_METER);
    case 'wall':
      return quiet((card.signal - levelAt(levels, 0)) / FREE);
    default:
      return 0;
  }
};

/** Blue less red, and green less both. */
const colourOf = ({ card: { channels } }: Hold) => ({
  warmth: channels[2] - channels[0],
  green: channels[1] - (channels[0] + channels[2]) / 2,
});

const colourCost = (shot: Shot, hold: Hold, at: Colours): number => {
  if (shot.view !== 'card' || Math.abs(shot.settings.stops) > COLOURS_WITHIN) return 0;
  const { warmth, green } = colourOf(hold);
  const turned = shot.id === 'balance lower' ? at.dial : shot.id === 'balance higher' ? -at.dial : 0;
  // How far it goes is not known before: only that it goes this way.
  const off =
    turned === 0 ? warmth - at.warmth : Math.min(0, Math.sign(turned) * (warmth - at.warmth) - DIAL_AT_LEAST);
  const tinted = shot.kind === 'tint';
  const other = tinted ? Math.min(0, Math.abs(green - at.green) - 0.004) : green - at.green;
  return quiet(off / COLOUR_SD) + quiet(other / COLOUR_SD);
};

/** The levels with what was matched taken in. */
const learn = (
  start: Levels,
  shots: readonly Shot[],
  holds: readonly Hold[],
  { shotOf, sure }: Placed,
  isAutomatic: boolean,
): Levels => {
  const known = holds.flatMap((hold, j) => {
    const shot = shots[shotOf[j]];
    return shot && shot.view === 'card' && !isMetered(shot, isAutomatic) && sure[j] > 0.3
      ? [
          {
            stops: shot.settings.stops,
            off: hold.card.signal - levelAt(start, shot.settings.stops),
            weight: sure[j],
          },
        ]
      : [];
  });
  const learnt = KNOTS.map((knot, k) => {
    let [sum, weight] = [0, KEPT];
    for (const one of known) {
      const near = one.weight * Math.exp(-0.5 * ((one.stops - knot) / REACH) ** 2);
      sum += near * one.off;
      weight += near;
    }
    return start[k] + sum / weight;
  });
  return learnt.reduce<number[]>((out, v) => [...out, Math.max(v, out[out.length - 1] ?? -Infinity)], []);
};

/** The view of the card, to know it by: the one that most lit pictures are like. */
const referenceOf = (holds: readonly Hold[]): readonly number[] => {
  const lit = holds.filter(({ signs }) => !signs.dark && signs.span > 0.05);
  const from = lit.length > 0 ? lit : holds;
  const levels = from.map(({ card }) => card.signal);
  const usual = median(levels);
  // Of those at a usual level the one that most are like.
  const near = from.filter(({ card }) => Math.abs(card.signal - usual) < 0.15);
  return cellMedians(near.length > 0 ? near : from);
};

const cellMedians = (holds: readonly Hold[]): readonly number[] =>
  holds[0].signs.look.map((_, cell) => median(holds.map(({ signs }) => signs.look[cell])));

const placed = (shots: readonly Shot[], holds: readonly Hold[], known: Known): Placed =>
  align(shots.length, holds.length, (i, j) => {
    const [shot, hold] = [shots[i], holds[j]];
    return (
      VIEW_FITS[shot.view](hold.signs, { reference: known.reference, stops: shot.settings.stops }) +
      levelCost(shot, hold, known) +
      colourCost(shot, hold, known.colours) +
      quiet(known.noise.off(shot, hold))
    );
  });

const coloursOf = (
  shots: readonly Shot[],
  holds: readonly Hold[],
  { shotOf }: Placed,
): Colours | undefined => {
  const plain = holds.filter((_, j) => {
    const shot = shots[shotOf[j]];
    return (
      shot?.view === 'card' &&
      Math.abs(shot.settings.stops) < COLOURS_WITHIN &&
      shot.kind !== 'balance' &&
      shot.kind !== 'tint'
    );
  });
  if (plain.length === 0) return undefined;
  return {
    warmth: median(plain.map((hold) => colourOf(hold).warmth)),
    green: median(plain.map((hold) => colourOf(hold).green)),
    dial: DIAL,
  };
};

/**
 * Which shot each hold is.
 * @param starts Curves it may be, stops over grey to signal: the likeliest is begun with, however far off it may be
 */
export const recognise = (
  shots: readonly Shot[],
  holds: readonly Hold[],
  starts: readonly ((stops: number) => number)[],
): readonly FoundShot[] => {
  if (holds.length === 0) return [];
  const reference = referenceOf(holds);
  const lit = holds.filter(({ signs }) => !signs.dark);
  const from = lit.length > 0 ? lit : holds;
  let colours: Colours = {
    warmth: median(from.map((hold) => colourOf(hold).warmth)),
    green: median(from.map((hold) => colourOf(hold).green)),
    dial: DIAL,
  };
  const gains = gainsOf(shots);
  const begun = starts.flatMap((signalAt) => {
    const levels = KNOTS.map(signalAt);
    const noise = gainSign(gains, holds, levelAt(levels, 0));
    return [false, true].map((isAutomatic) => {
      const known = { levels, sd: AT_FIRST, colours, noise, isAutomatic, reference };
      const found = placed(shots, holds, known);
      return { start: levels, isAutomatic, found, likely: found.likely - (isAutomatic ? LEFT_ON : 0) };
    });
  });
  const best = begun.reduce((a, b) => (b.likely > a.likely ? b : a));
  const { start, isAutomatic } = best;
  let { found } = best;
  let known: Known | undefined;
  for (let round = 0; round < ROUNDS; round += 1) {
    const levels = learn(start, shots, holds, found, isAutomatic);
    colours = coloursOf(shots, holds, found) ?? colours;
    const { shotOf } = found;
    const noise = gainSign(gains, holds, levelAt(levels, 0), (j) => gains.get(shots[shotOf[j]]?.id ?? ''));
    const sd = AT_FIRST * (LEARNT / AT_FIRST) ** ((round + 1) / ROUNDS);
    known = { levels, sd, colours, noise, isAutomatic, reference };
    found = placed(shots, holds, known);
  }
  // Steps of a bracket at clip are one like the other: which of them is which makes no difference.
  const full = Math.max(...holds.map(({ card }) => card.signal)) - AS_FULL;
  const sureOf = (j: number): number => {
    const shot = shots[found.shotOf[j]];
    if (!shot || !isStep(shot) || holds[j].card.signal < full) return found.sure[j];
    return found.beliefs[j].reduce((sum, belief, i) => (isStep(shots[i]) ? sum + belief : sum), 0);
  };
  const result = holds.map((hold, j): FoundShot => {
    const shot = shots[found.shotOf[j]];
    return { hold, sure: sureOf(j), ...(shot ? { shotId: shot.id } : {}) };
  });
  return known === undefined ? result : strayAgain(shots, result, known);
};

/** What was filmed out of the list's order: holds that fit nowhere are laid along the shots that are missing. */
const strayAgain = (
  shots: readonly Shot[],
  found: readonly FoundShot[],
  known: Known,
): readonly FoundShot[] => {
  const taken = new Set(found.flatMap(({ shotId }) => shotId ?? []));
  const missing = shots.filter(({ id }) => !taken.has(id));
  const stray = found.filter(({ shotId }) => shotId === undefined);
  if (missing.length === 0 || stray.length === 0) return found;
  const again = placed(
    missing,
    stray.map(({ hold }) => hold),
    known,
  );
  return found.map((one) => {
    const j = stray.indexOf(one);
    const shot = j < 0 ? undefined : missing[again.shotOf[j]];
    // Out of order it is asked about, however well it fits.
    return shot ? { ...one, shotId: shot.id, sure: Math.min(again.sure[j], SURE - 0.01) } : one;
  });
};
