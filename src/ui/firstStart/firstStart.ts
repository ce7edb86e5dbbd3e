'use client';

import { useSyncExternalStore } from 'react';

/** How far somebody new has come: the doors, a stop of the walk, or done with both. */
export type FirstStart = { readonly doors: boolean; readonly stop?: number; readonly reached: number };

const KEY = 'candelum-first-start';
const NEW: FirstStart = { doors: true, reached: 0 };

const listeners = new Set<() => void>();
let kept: FirstStart | undefined;

const read = (): FirstStart => {
  if (kept) return kept;
  try {
    kept = { ...NEW, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<FirstStart>) };
  } catch {
    kept = NEW;
  }
  return kept;
};

/** Changes where somebody new stands; kept in this browser. */
export const setFirstStart = (part: Partial<FirstStart>): void => {
  kept = { ...read(), ...part };
  try {
    localStorage.setItem(KEY, JSON.stringify(kept));
  } catch {
    // It is asked again next time then.
  }
  listeners.forEach((listener) => listener());
};

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const ON_SERVER: FirstStart = { doors: false, reached: 0 };

export const useFirstStart = (): FirstStart => useSyncExternalStore(subscribe, read, () => ON_SERVER);
