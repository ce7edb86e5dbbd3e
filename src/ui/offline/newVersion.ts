'use client';

import { createStore } from 'zustand/vanilla';

/** A newer version that is there and waits to be taken. */
export const newVersion = createStore<{ readonly waiting?: ServiceWorker }>(() => ({}));
