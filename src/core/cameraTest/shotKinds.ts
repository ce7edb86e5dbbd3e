import { back, bracket } from './shots/bracket.ts';
import { balance, tint } from './shots/balance.ts';
import { cap } from './shots/cap.ts';
import { iso } from './shots/iso.ts';
import { again, edge, first, sheets, wall } from './shots/looks.ts';
import { meter } from './shots/meter.ts';
import type { ListBasis, Shot, ShotKind, ShotKindId } from './types.ts';

/** Kinds of shots in the order they are filmed: what needs the same light stands together. A further one is a row. */
export const SHOT_KINDS = {
  cap,
  first,
  iso,
  balance,
  tint,
  meter,
  bracket,
  back,
  sheets,
  edge,
  wall,
  again,
} as const satisfies Record<ShotKindId, ShotKind>;

/** Seconds to set a shot: a click of the shutter or ISO dial; a light, a menu, another view. Our own estimate. */
const TO_SET = { dial: 5, other: 15 } as const;

/** Whether nothing but a dial is turned from one shot to the next. */
const isByDial = (shot: Shot, before: Shot | undefined): boolean =>
  before !== undefined &&
  shot.view === before.view &&
  shot.kind !== 'meter' &&
  (['kelvin', 'tint', 'processing', 'moreLight'] as const).every(
    (key) => shot.settings[key] === before.settings[key],
  );

/** The list for what somebody has: every shot in its order. */
export const shotList = (basis: ListBasis): readonly Shot[] =>
  Object.values(SHOT_KINDS).flatMap(({ shots }) => shots(basis));

/** Minutes that a list takes. */
export const minutesOf = (list: readonly Shot[]): number =>
  list.reduce(
    (sum, shot, i) => sum + shot.seconds + (isByDial(shot, list[i - 1]) ? TO_SET.dial : TO_SET.other),
    0,
  ) / 60;
