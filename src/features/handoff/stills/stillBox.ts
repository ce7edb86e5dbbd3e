import Dexie, { type EntityTable } from 'dexie';
import { safeName } from '#core/formats/safeName.ts';
import type { Database } from '#store/database.ts';

/** Where a picture that goes into the bundle belongs, and what its files are called after. */
export type StillFacts = {
  readonly shootId: string;
  readonly setupId: string;
  readonly cameraId: string;
  /** `Furnace mouth A-cam A0005 frame 75`. */
  readonly name: string;
};

/** The picture as it was recorded and through the trial grade: PNGs of 16 bits. */
export type KeptStill = StillFacts & {
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

type FactsRow = StillFacts & {
  /** Rises with every still that is kept. */
  readonly nr: number;
  /** One still has a name in a shoot, however it is written. */
  readonly key: string;
  readonly bytes: number;
};
type PicturesRow = Pick<KeptStill, 'asShot' | 'graded'> & { readonly nr: number };

const keyOf = ({ shootId, name }: Pick<StillFacts, 'shootId' | 'name'>) =>
  `${shootId} ${safeName(name).toLowerCase()}`;

/**
 * The stills that were kept for the bundle, in a database beside the records: frames are no records, and are in no
 * back-up. What they are is apart from what they show, so that a list of them reads no picture.
 */
export class StillBox extends Dexie {
  declare private facts: EntityTable<FactsRow, 'nr'>;
  declare private pictures: EntityTable<PicturesRow, 'nr'>;

  /** @param name Of the database of the records */
  constructor(name: string) {
    super(`${name}-stills`);
    this.version(1).stores({ facts: '++nr, &key, shootId', pictures: 'nr' });
  }

  /** What is kept of a shoot, the oldest first. */
  list(shootId: string): Promise<readonly StillFacts[]> {
    return this.facts.where({ shootId }).sortBy('nr');
  }

  /** The stills of a shoot with their pictures. */
  ofShoot(shootId: string): Promise<readonly KeptStill[]> {
    return this.transaction('r', this.facts, this.pictures, async () => {
      const facts = await this.facts.where({ shootId }).sortBy('nr');
      const pictures = await this.pictures.bulkGet(facts.map(({ nr }) => nr));
      return facts.flatMap((still, i) => (pictures[i] ? [{ ...still, ...pictures[i] }] : []));
    });
  }

  /** Keeps a still in the place of one of its name; the oldest go where there are too many. */
  keep({ asShot, graded, ...facts }: KeptStill): Promise<void> {
    return this.transaction('rw', this.facts, this.pictures, async () => {
      await this.remove(await this.facts.where({ key: keyOf(facts) }).primaryKeys());
      const bytes = asShot.byteLength + graded.byteLength;
      const nr = await this.facts.add({ ...facts, key: keyOf(facts), bytes } as FactsRow);
      await this.pictures.add({ nr, asShot, graded });
      await this.makeRoom();
    });
  }

  /** Takes a still out. */
  drop(still: Pick<StillFacts, 'shootId' | 'name'>): Promise<void> {
    return this.transaction('rw', this.facts, this.pictures, async () =>
      this.remove(await this.facts.where({ key: keyOf(still) }).primaryKeys()),
    );
  }

  private async remove(nrs: readonly number[]): Promise<void> {
    await Promise.all([this.facts.bulkDelete([...nrs]), this.pictures.bulkDelete([...nrs])]);
  }

  /** The newest stay that there is room for; the very newest always. */
  private async makeRoom(): Promise<void> {
    const newestFirst = await this.facts.reverse().toArray();
    let [count, bytes] = [0, 0];
    const tooMany = newestFirst.filter((still) => {
      count += 1;
      bytes += still.bytes;
      return count > 1 && (count > MOST_STILLS || bytes > MOST_BYTES);
    });
    await this.remove(tooMany.map(({ nr }) => nr));
  }
}

const boxes = new WeakMap<Database, StillBox>();

/** The box beside a database of records. */
export const stillBox = (database: Database): StillBox => {
  const box = boxes.get(database) ?? new StillBox(database.name);
  boxes.set(database, box);
  return box;
};
