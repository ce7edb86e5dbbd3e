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

/** Seconds from one shot to the next, to set it. Our own choice, by the clock. */
const TO_SET = 9;

/** The list for what somebody has: every shot in its order. */
export const shotList = (basis: ListBasis): readonly Shot[] =>
  Object.values(SHOT_KINDS).flatMap(({ shots }) => shots(basis));

/** Minutes that a list takes. */
export const minutesOf = (list: readonly Shot[]): number =>
  list.reduce((sum, { seconds }) => sum + seconds + TO_SET, 0) / 60;
