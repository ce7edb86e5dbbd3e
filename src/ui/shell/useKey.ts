'use client';

import { useHotkeys } from 'react-hotkeys-hook';
import { KEYMAP, type KeyId } from './keymap.ts';

const TYPED = new Set(['text', 'search', 'number', 'email', 'tel', 'url', 'password']);

/** Whether a key press is meant for the field it is typed into. */
const isTyping = ({ target }: KeyboardEvent): boolean => {
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement) return TYPED.has(target.type);
  return (
    target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement || target.isContentEditable
  );
};

/** Letters and digits go by the key, signs by what the key types: they lie elsewhere on other keyboards. */
const SIGNS = new Set<string>([KEYMAP.brighter.keys, KEYMAP.darker.keys, KEYMAP.help.keys]);

/** Runs a key of the keyboard map, wherever the focus is but in a field that is typed into. */
export const useKey = (id: KeyId, run: (event: KeyboardEvent) => void): void => {
  const { keys } = KEYMAP[id];
  useHotkeys(keys.split(', '), run, {
    enableOnFormTags: true,
    ignoreEventWhen: isTyping,
    preventDefault: keys.startsWith('mod'),
    useKey: SIGNS.has(keys),
  });
};
