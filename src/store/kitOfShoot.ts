import type { BookRecords } from './mirror.ts';
import type { ShootRecord } from './records/shoot.ts';

/** What is carried from shoot to shoot. */
export const KIT_TABLES = ['cameras', 'ndSets', 'lights', 'gels', 'monitors', 'luts'] as const;
type KitTable = (typeof KIT_TABLES)[number];

type KitRecord = { readonly id: string; readonly isDemo?: true };
type Kit = { readonly [T in KitTable]: ReadonlyMap<string, KitRecord> };

/** Ids of what of the kit some shoots use: on their set-ups, on plans, on the cameras that are there. */
export const usedBy = (book: BookRecords, isAsked: (shootId: string) => boolean): ReadonlySet<string> => {
  const used = new Set<string>();
  const on = (luts: Readonly<Record<string, string>> = {}) => Object.entries(luts).flat();
  const setups = [...book.setups.values()].filter(({ shootId }) => isAsked(shootId));
  for (const { cameraIds, lightIds } of setups) [...cameraIds, ...lightIds].forEach((id) => used.add(id));
  const ids = new Set(setups.map(({ id }) => id));
  for (const { setupId, ndSetId, monitorLuts } of book.plans.values()) {
    if (!ids.has(setupId)) continue;
    if (ndSetId !== undefined) used.add(ndSetId);
    on(monitorLuts).forEach((id) => used.add(id));
  }
  for (const { id, isDemo, starts } of book.cameras.values())
    if (!isDemo || used.has(id)) on(starts?.monitorLuts).forEach((one) => used.add(one));
  return used;
};

const narrowed = new WeakMap<
  object,
  { readonly key: string; readonly rows: ReadonlyMap<string, KitRecord> }
>();

/** Own records and those in use; the very same map as long as nothing of it changes. */
const ownRows = (all: ReadonlyMap<string, KitRecord>, used: ReadonlySet<string>) => {
  const rows = [...all].filter(([id, { isDemo }]) => !isDemo || used.has(id));
  if (rows.length === all.size) return all;
  const key = rows.map(([id]) => id).join(' ');
  const before = narrowed.get(all);
  if (before?.key === key) return before.rows;
  const fresh = new Map(rows);
  narrowed.set(all, { key, rows: fresh });
  return fresh;
};

const seen = new WeakMap<object, { readonly id: string; readonly book: object }>();

/**
 * The records as a shoot of the user's own sees them: of the demo's kit only what its set-ups use. The demo shoot
 * sees all. The very same object for the same records and shoot.
 */
export const kitOfShoot = <T extends BookRecords>(book: T, { id, isDemo }: ShootRecord): T => {
  if (isDemo) return book;
  const before = seen.get(book);
  if (before?.id === id) return before.book as T;
  const used = usedBy(book, (shootId) => shootId === id);
  const kit = Object.fromEntries(KIT_TABLES.map((name) => [name, ownRows((book as Kit)[name], used)]));
  const made = { ...book, ...kit };
  seen.set(book, { id, book: made });
  return made;
};
