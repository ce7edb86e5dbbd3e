'use client';

import { newVersion } from './newVersion.ts';

const offer = (waiting: ServiceWorker | null) => {
  // The first one takes over by itself: there is nothing to be taken from.
  if (waiting && navigator.serviceWorker.controller) newVersion.setState({ waiting });
};

/** The first wait before it is tried again, ms; then twice as long each time: it fetches the whole app. */
const AGAIN_MS = 10_000;

/** Whether one is there or comes to be; a single file that does not arrive makes it redundant. */
const isKept = ({ active, waiting, installing }: ServiceWorkerRegistration): Promise<boolean> =>
  new Promise((resolve) => {
    const there = active ?? waiting;
    if (there || !installing) {
      resolve(there !== null);
      return;
    }
    installing.addEventListener('statechange', () => {
      if (installing.state !== 'installing') resolve(installing.state !== 'redundant');
    });
  });

const register = async (): Promise<boolean> => {
  const registration = await navigator.serviceWorker.register('/sw.js');
  offer(registration.waiting);
  registration.addEventListener('updatefound', () => {
    const coming = registration.installing;
    coming?.addEventListener('statechange', () => {
      if (coming.state === 'installed') offer(coming);
    });
  });
  return isKept(registration);
};

/**
 * Has the app kept by this browser, so that it opens without its server; none while developing. Where that fails,
 * it is tried again for as long as the page is open.
 */
export const keepOffline = async (again = AGAIN_MS): Promise<void> => {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  if (await register().catch(() => false)) return;
  setTimeout(() => void keepOffline(again * 2), again);
};

/** Loads the page anew with the version that waits. */
export const takeNewVersion = (waiting: ServiceWorker): void => {
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), {
    once: true,
  });
  waiting.postMessage('take over');
};
