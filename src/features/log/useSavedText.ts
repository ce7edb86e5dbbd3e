'use client';

import { useEffect, useRef, useState } from 'react';

/** A crash costs what was typed in this time at most. */
const SAVE_EVERY_MS = 800;

/**
 * Text that is stored while it is typed: at most 0.8 s behind, when the field is left, when the page is hidden
 * or left. What could not be stored stays in the field.
 */
export const useSavedText = (
  stored: string,
  /** @returns false when it was not stored. */
  save: (text: string) => Promise<boolean>,
  /** Keeps it elsewhere while the page is left; undefined when it is stored. */
  keep: (text: string | undefined) => void,
) => {
  const [typed, setTyped] = useState<string>();
  const [isRefused, setRefused] = useState(false);
  const latest = useRef({ typed, stored, save, keep });
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  /** With `leaves` what is stored shows again afterwards. */
  const [flush] = useState(() => ({ leaves = false } = {}) => {
    clearTimeout(timer.current);
    timer.current = undefined;
    const { typed: text, stored: held, save: store } = latest.current;
    if (text === undefined) return;
    const settle = (isStored: boolean) => {
      setRefused(!isStored);
      // Typed on meanwhile: that is not stored yet.
      if (!isStored || latest.current.typed !== text) return;
      latest.current.keep(undefined);
      if (leaves) setTyped(undefined);
    };
    if (text === held) settle(true);
    else void store(text).then(settle);
  });
  const [keepAndFlush] = useState(() => () => {
    const { typed: text, stored: held } = latest.current;
    if (text !== undefined && text !== held) latest.current.keep(text);
    flush();
  });
  useEffect(() => {
    latest.current = { typed, stored, save, keep };
  });
  useEffect(() => {
    window.addEventListener('pagehide', keepAndFlush, { capture: true });
    document.addEventListener('visibilitychange', keepAndFlush);
    return () => {
      window.removeEventListener('pagehide', keepAndFlush, { capture: true });
      document.removeEventListener('visibilitychange', keepAndFlush);
      flush();
    };
  }, [flush, keepAndFlush]);
  return {
    text: typed ?? stored,
    isRefused,
    type: (text: string) => {
      latest.current = { ...latest.current, typed: text };
      setTyped(text);
      timer.current ??= setTimeout(flush, SAVE_EVERY_MS);
    },
    /** The field is left: what is stored shows again, unless it was refused. */
    leave: () => flush({ leaves: true }),
  };
};
