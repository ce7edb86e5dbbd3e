'use client';

import { useCallback, useEffect, useState } from 'react';

/** How long it is said that something was not taken, once its field was left. */
const SAID_MS = 8000;

/** The text that was not taken when its field was left, for a while: nothing snaps back without a word. */
export const useRefused = () => {
  const [refused, setRefused] = useState<string>();
  useEffect(() => {
    if (refused === undefined) return undefined;
    const timer = setTimeout(() => setRefused(undefined), SAID_MS);
    return () => clearTimeout(timer);
  }, [refused]);
  /** What to say of it, before what stays. */
  const words =
    refused === undefined
      ? undefined
      : `${refused.trim() === '' ? 'An empty field' : `“${refused}”`} was not taken.`;
  return { words, refuse: setRefused, forget: useCallback(() => setRefused(undefined), []) };
};
