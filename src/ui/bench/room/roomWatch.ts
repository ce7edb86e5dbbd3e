import { meanOfFrames } from '#core/match/patches.ts';
import type { Dial } from '#core/colour/lean.ts';
import type { Drift, DriftKind, RoomPatch } from '#core/room/drift.ts';
import { createHistory, type Minute } from '#core/room/history.ts';
import { causeOf, createWatch, type Alarm, type Cause, type Watch } from '#core/room/watch.ts';

/** Pictures that are taken together where marks are read: noise goes by their root. */
const TOGETHER = 25;

/** An alarm with whose change it is. */
export type NamedAlarm = Alarm & { readonly cause: Cause };

/** What is kept of one input between its pictures; none of it grows. */
const inputWatch = () => {
  let pictures: (readonly RoomPatch[])[] = [];
  let watch: Watch | undefined;
  let history = createHistory();
  return {
    take: (at: number, patches: readonly RoomPatch[]): readonly Alarm[] => {
      pictures = [...pictures, patches].slice(-TOGETHER);
      if (!watch) return [];
      const alarms = watch.take(at, patches);
      history.take(at, watch.drift());
      return alarms;
    },
    /** Held against a moment from now on. */
    hold: (reference: readonly RoomPatch[] | undefined, dial: Dial) => {
      watch = reference && reference.length > 0 ? createWatch(reference, dial) : undefined;
      history = createHistory();
    },
    /** Something was turned or marked anew: pictures from before say nothing of it. */
    restart: () => {
      pictures = [];
    },
    /** The marks as the last pictures show them together. */
    mean: (): readonly RoomPatch[] =>
      (pictures.at(-1) ?? []).map((patch) => {
        const same = pictures.flatMap((one) => one.find(({ name }) => name === patch.name) ?? []);
        return { ...patch, ...meanOfFrames(same) };
      }),
    pictures: () => pictures.length,
    drift: (): Drift => watch?.drift() ?? {},
    told: (): readonly DriftKind[] => watch?.told() ?? [],
    minutes: (): readonly Minute[] => history.minutes(),
  };
};
export type InputWatch = ReturnType<typeof inputWatch>;

/** Pictures after which marks count as read. */
export const ENOUGH_PICTURES = 6;

/** The watch over all inputs: what each is off by, and whose it is. */
export const createRoomWatch = () => {
  const inputs = new Map<string, InputWatch>();
  const of = (id: string): InputWatch => {
    const known = inputs.get(id) ?? inputWatch();
    inputs.set(id, known);
    return known;
  };
  return {
    of,
    take: (id: string, at: number, patches: readonly RoomPatch[]): readonly NamedAlarm[] => {
      const alarms = of(id).take(at, patches);
      const others = [...inputs].flatMap(([other, watch]) => (other === id ? [] : [watch.drift()]));
      return alarms.map((alarm) => ({ ...alarm, cause: causeOf(alarm.kind, alarm.size, others) }));
    },
    forget: (id: string) => inputs.delete(id),
  };
};
export type RoomWatch = ReturnType<typeof createRoomWatch>;
