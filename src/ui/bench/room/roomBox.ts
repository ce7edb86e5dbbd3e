import Dexie, { type EntityTable } from 'dexie';
import type { RoomPatch } from '#core/room/drift.ts';
import { MOST_EVENTS, type RoomEvent } from '#core/room/events.ts';
import type { Database } from '#store/database.ts';

/** The moment that an input is held against at a position: what its marks showed, and when. */
type Moment = { readonly at: number; readonly patches: readonly RoomPatch[] };

/** A moment belongs to an input and to where it looks. */
export const momentKey = (inputId: string, positionId: string): string => `${inputId} ${positionId}`;

/** An evening in a set-up: the moments kept, by `momentKey`, and what happened since. */
export type Evening = {
  readonly setupId: string;
  readonly moments: Readonly<Record<string, Moment>>;
  readonly events: readonly RoomEvent[];
};

export const emptyEvening = (setupId: string): Evening => ({ setupId, moments: {}, events: [] });

/** An evening with one event more; the oldest go where there are too many. */
export const withEvent = (evening: Evening, event: RoomEvent): Evening => ({
  ...evening,
  events: [...evening.events, event].slice(-MOST_EVENTS),
});

/**
 * The evenings of this browser, in a database beside the records: what a room went through is no record of the shoot's,
 * is undone by nobody and is written often.
 */
class RoomBox extends Dexie {
  declare private evenings: EntityTable<Evening, 'setupId'>;

  /** @param name Of the database of the records */
  constructor(name: string) {
    super(`${name}-room`);
    this.version(1).stores({ evenings: 'setupId' });
  }

  async evening(setupId: string): Promise<Evening> {
    return (await this.evenings.get(setupId)) ?? emptyEvening(setupId);
  }

  async keep(evening: Evening): Promise<void> {
    await this.evenings.put(evening);
  }
}

const boxes = new WeakMap<Database, RoomBox>();

/** The box beside a database of records. */
export const roomBox = (database: Database): RoomBox => {
  const box = boxes.get(database) ?? new RoomBox(database.name);
  boxes.set(database, box);
  return box;
};
