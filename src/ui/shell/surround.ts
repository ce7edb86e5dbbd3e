'use client';

import { useCallback, useSyncExternalStore } from 'react';
import { words } from '#ui/wording/shell.ts';

const SURROUNDS = [
  { id: 'dark', name: words.dark },
  { id: 'grey', name: words.grey },
  { id: 'daylight', name: words.daylight },
] as const;
export type SurroundId = (typeof SURROUNDS)[number]['id'];

const KEY = 'candelum-surround';
const isSurround = (value: string | null): value is SurroundId => SURROUNDS.some(({ id }) => id === value);

const read = (): SurroundId => {
  const kept = localStorage.getItem(KEY);
  return isSurround(kept) ? kept : 'dark';
};

const listeners = new Set<() => void>();

const wear = (surround: SurroundId) => {
  document.documentElement.dataset.surround = surround;
  document.documentElement.dataset.bsTheme = surround === 'daylight' ? 'light' : 'dark';
};

/** What the page is surrounded by; kept in this browser. */
export const useSurround = () => {
  const surround = useSyncExternalStore(
    (listener) => {
      wear(read());
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    read,
    () => 'dark' as const,
  );
  const next = useCallback(() => {
    const at = SURROUNDS.findIndex(({ id }) => id === read());
    const chosen = SURROUNDS[(at + 1) % SURROUNDS.length].id;
    localStorage.setItem(KEY, chosen);
    wear(chosen);
    listeners.forEach((listener) => listener());
  }, []);
  return { surround, next };
};
