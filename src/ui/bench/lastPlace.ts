'use client';

import type { LastPlace } from '#store/selection.ts';

// Where the user was last: what an address means that does not say it. Kept in this browser, outside the records.

const KEY = 'candelum-place';

type Kept = {
  readonly path: string;
  readonly shoot: string;
  /** The set-up and camera last used, by shoot. */
  readonly in: Readonly<Record<string, { readonly setup: string; readonly camera: string }>>;
};

const NOWHERE: Kept = { path: '/plan', shoot: '', in: {} };

const read = (): Kept => {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Kept>;
    return typeof kept.path === 'string' && typeof kept.in === 'object' ? { ...NOWHERE, ...kept } : NOWHERE;
  } catch {
    return NOWHERE;
  }
};

export const lastPath = (): string => read().path;

/** The place that ids in an address are filled up from. @param asked The shoot that the address names */
export const lastPlace = (asked: string | null): LastPlace => {
  const { shoot, in: kept } = read();
  const place = Object.hasOwn(kept, asked ?? shoot) ? kept[asked ?? shoot] : undefined;
  return { shoot, ...place };
};

const MOST_SHOOTS = 100;

/** Keeps where the user is; the address without a step is no place of its own. */
export const rememberPlace = (path: string, shoot: string, setup: string, camera: string): void => {
  const before = read();
  const others = Object.entries(before.in).filter(([id]) => id !== shoot);
  const kept: Kept = {
    path: path === '/' ? before.path : path,
    shoot,
    in: Object.fromEntries([...others, [shoot, { setup, camera }] as const].slice(-MOST_SHOOTS)),
  };
  try {
    localStorage.setItem(KEY, JSON.stringify(kept));
  } catch {
    // Without room for it the first shoot is shown.
  }
};
