'use client';

import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';
import { KEYMAP, type KeyId } from './keymap.ts';

/** Digits typed into a date are not the numbers of the steps. */
const DATES = ['date', 'time', 'datetime-local', 'month', 'week'];
const TYPED = new Set(['text', 'search', 'number', 'email', 'tel', 'url', 'password', ...DATES]);

/** Whether a key press is meant for the field it is typed into. */
const isTyping = ({ target }: KeyboardEvent): boolean => {
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement) return TYPED.has(target.type);
  return (
    target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement || target.isContentEditable
  );
};

/** Runs a key of the keyboard map, wherever the focus is but in a field that is typed into. */
export const useKey = (id: KeyId, run: (event: KeyboardEvent) => void): void => {
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  });
  useEffect(() => {
    const heard = (event: KeyboardEvent) => {
      // The browser has its own undo.
      if (event.ctrlKey || event.metaKey) event.preventDefault();
      latest.current(event);
    };
    const presses = KEYMAP[id].presses.map((press) => [press, heard] as const);
    return tinykeys(window, Object.fromEntries(presses), { ignore: isTyping });
  }, [id]);
};
