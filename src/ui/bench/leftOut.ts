'use client';

/** Set-ups whose screen stopped, left out in this window until it is closed or they are asked for again. */
const KEY = 'candelum-left-out';

export const leftOutSetups = (): readonly string[] => {
  try {
    const ids: unknown = JSON.parse(sessionStorage.getItem(KEY) ?? '[]');
    return Array.isArray(ids) ? ids.filter((id) => typeof id === 'string') : [];
  } catch {
    return [];
  }
};

export const leaveOutSetup = (id: string): void =>
  sessionStorage.setItem(KEY, JSON.stringify([...new Set([...leftOutSetups(), id])]));

export const leaveNoneOut = (): void => sessionStorage.removeItem(KEY);
