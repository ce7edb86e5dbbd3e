'use client';

import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';

const KEY = 'candelum-practises';
/** Who practises until somebody gives a name. */
const NOBODY = 'Me';

const read = (): string => {
  try {
    return localStorage.getItem(KEY)?.trim().slice(0, 60) || NOBODY;
  } catch {
    return NOBODY;
  }
};

const store = createStore<{ readonly person?: string }>(() => ({}));

/** Who practises at this machine now. */
export const usePerson = (): string => useStore(store, ({ person }) => person) ?? read();

export const setPerson = (name: string): void => {
  const person = name.trim().slice(0, 60) || NOBODY;
  store.setState({ person });
  try {
    localStorage.setItem(KEY, person);
  } catch {
    // The name holds for this window then.
  }
};
