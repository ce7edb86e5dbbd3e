'use client';

import { useEffect } from 'react';

/** Where a browser does not tell when it is idle, ms after the page is drawn. */
const SOON = 1500;

/**
 * Does something that nobody waits for yet once the page has nothing else to do: a script that the next press
 * will need is there by then. What fails is told where it is needed. @param work The same function each time.
 */
export const useWhenIdle = (work: () => Promise<unknown>) => {
  useEffect(() => {
    const go = () => void work().catch(() => undefined);
    if (typeof requestIdleCallback !== 'function') {
      const timer = setTimeout(go, SOON);
      return () => clearTimeout(timer);
    }
    const id = requestIdleCallback(go, { timeout: 5000 });
    return () => cancelIdleCallback(id);
  }, [work]);
};
