import { createStore, type StoreApi } from 'zustand/vanilla';
import { safeName } from '#core/formats/safeName.ts';
import type { Database } from '#store/database.ts';

/** A picture that goes into the bundle, as it was recorded and through the trial grade: PNGs of 16 bits. */
export type KeptStill = {
  readonly shootId: string;
  readonly setupId: string;
  readonly cameraId: string;
  /** `Furnace mouth A-cam A0005 frame 75`: what its files are called after. */
  readonly name: string;
  readonly asShot: Uint8Array<ArrayBuffer>;
  readonly graded: Uint8Array<ArrayBuffer>;
};

/** @param at Frame of a clip, from 0 */
export const stillNameOf = (setup: string, camera: string, file: string, at: number | undefined): string =>
  [
    setup,
    camera,
    file
      .split('/')
      .at(-1)!
      .replace(/\.[^.]+$/, ''),
    at === undefined ? undefined : `frame ${at + 1}`,
  ]
    .filter(Boolean)
    .join(' ');

/** Most that are held at once, and most that they take together, bytes: one of UHD is some 80 MB. */
export const MOST_STILLS = 40;
export const MOST_BYTES = 800e6;

const kept = new WeakMap<Database, StoreApi<readonly KeptStill[]>>();

/** Stills kept since this window was opened. Frames are no records: they go with the window. */
export const keptStills = (database: Database): StoreApi<readonly KeptStill[]> => {
  const store = kept.get(database) ?? createStore<readonly KeptStill[]>(() => []);
  kept.set(database, store);
  return store;
};

const isSame = (a: KeptStill, b: Pick<KeptStill, 'shootId' | 'name'>) =>
  a.shootId === b.shootId && safeName(a.name).toLowerCase() === safeName(b.name).toLowerCase();

const bytesOf = ({ asShot, graded }: KeptStill) => asShot.length + graded.length;

/** The newest that there is room for; the very newest always. */
const held = (stills: readonly KeptStill[]): readonly KeptStill[] => {
  let room = MOST_BYTES;
  const first = stills.findLastIndex((still, i) => {
    room -= bytesOf(still);
    return room < 0 && i < stills.length - 1;
  });
  return stills.slice(Math.max(first + 1, stills.length - MOST_STILLS));
};

/** Keeps a still in the place of one of its name; the oldest go where there are too many. */
export const keepStill = (stills: readonly KeptStill[], still: KeptStill): readonly KeptStill[] =>
  held([...stills.filter((one) => !isSame(one, still)), still]);

export const dropStill = (
  stills: readonly KeptStill[],
  still: Pick<KeptStill, 'shootId' | 'name'>,
): readonly KeptStill[] => stills.filter((one) => !isSame(one, still));
