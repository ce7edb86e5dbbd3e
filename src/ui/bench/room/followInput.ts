import type { DriftKind, RoomPatch } from '#core/room/drift.ts';
import type { RoomEvent } from '#core/room/events.ts';
import type { InputState } from '#core/room/liveness.ts';
import type { RoomPicture } from '#workers/room/protocol.ts';
import type { InputOnBench } from './roomState.ts';
import { ENOUGH_PICTURES, type RoomWatch } from './roomWatch.ts';

/** The page's figures follow the pictures so often, ms. */
const FIGURES_MS = 500;
/** Marks are read so often, ms. */
const READ_MS = 2000;
/** States that are written down; those between are nobody's news. */
const NEWS: readonly InputState[] = ['still', 'black', 'gone', 'resized'];

/** How often pictures came over the last two seconds. */
const paceOf = () => {
  let came: number[] = [];
  return (at: number): number => {
    came = [...came.filter((one) => at - one < 2000), at];
    return came.length < 2 ? 0 : (1000 * (came.length - 1)) / (at - came[0]);
  };
};

/** What following an input needs of the room. */
export type FollowParts = {
  readonly now: () => number;
  readonly watch: RoomWatch;
  readonly paintersOf: (id: string) => Iterable<(picture: RoomPicture) => void>;
  readonly inputOf: (id: string) => InputOnBench | undefined;
  readonly change: (id: string, fields: Partial<InputOnBench>) => void;
  readonly write: (event: RoomEvent) => void;
  /** A change is over: whoever has seen it sees the next anew. */
  readonly isBack: (id: string, kind: DriftKind) => void;
};

/** What a picture says, on the page: its figures, and what is to be told of it. */
export const followInput = ({
  id,
  now,
  watch,
  paintersOf,
  inputOf,
  change,
  write,
  isBack,
  isOver,
}: FollowParts & {
  readonly id: string;
  /** It was let go. */
  readonly isOver: () => boolean;
}) => {
  const pace = paceOf();
  let [shown, dropped, figuresAt, readAt] = [0, 0, 0, 0];
  let patches: readonly RoomPatch[] | undefined;
  return (picture: RoomPicture) => {
    const time = now();
    shown += 1;
    dropped += picture.dropped;
    for (const painter of paintersOf(id)) painter(picture);
    for (const { kind, state: is, size, cause } of watch.take(id, picture.at, picture.patches)) {
      write({ at: time, inputId: id, what: 'drift', kind, state: is, size, cause });
      if (is === 'over') isBack(id, kind);
    }
    const rate = pace(picture.arrivedAt);
    const before = inputOf(id)?.state ?? 'waiting';
    const { state } = picture;
    const isNews = state !== before;
    if (isNews && (NEWS.includes(state) || (NEWS.includes(before) && state === 'running')))
      write({ at: time, inputId: id, what: 'input', state });
    if (!isNews && time - figuresAt < FIGURES_MS) return;
    figuresAt = time;
    if (isOver()) return;
    const of = watch.of(id);
    const isRead = of.pictures() >= ENOUGH_PICTURES;
    if (!isRead) patches = undefined;
    else if (patches === undefined || time - readAt >= READ_MS) [patches, readAt] = [of.mean(), time];
    change(id, {
      state,
      problem: undefined,
      coding: picture.coding,
      under: picture.under,
      clipped: picture.clipped,
      at: picture.at,
      rate,
      shown,
      dropped,
      patches,
      drift: of.drift(),
      told: of.told(),
      minutes: of.minutes(),
      faults: picture.faults ?? [],
    });
  };
};
