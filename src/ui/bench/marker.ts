'use client';

/**
 * What is known of the records outside of them: when they began and when they were saved last. Where they open
 * as new though the marker is there, the browser has lost them.
 */
export type Marker = { readonly since: string; readonly savedAt?: string };

const KEY = 'candelum-records';

const isTime = (value: unknown): value is string =>
  typeof value === 'string' && !Number.isNaN(Date.parse(value));

const readMarker = (): Marker | undefined => {
  try {
    const { since, savedAt } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Marker>;
    return isTime(since) ? { since, ...(isTime(savedAt) ? { savedAt } : {}) } : undefined;
  } catch {
    return undefined;
  }
};

/** Whether this browser has kept records before, as far as the marker tells. */
export const hasMarker = (): boolean => readMarker() !== undefined;

const write = (marker: Marker): void => {
  try {
    localStorage.setItem(KEY, JSON.stringify(marker));
  } catch {
    // Without room for the marker all else still works; a loss is then not noticed.
  }
};

/**
 * The records are open.
 * @returns what the marker said where records that were there before have gone.
 */
export const markOpened = (isNew: boolean, now: Date): Marker | undefined => {
  const marker = readMarker();
  if (!marker || isNew) write({ since: now.toISOString() });
  return isNew ? marker : undefined;
};

export const markSaved = (now: Date): void =>
  write({ since: readMarker()?.since ?? now.toISOString(), savedAt: now.toISOString() });

/** When the records were saved last; undefined where they never were. */
export const savedAt = (): string | undefined => readMarker()?.savedAt;
