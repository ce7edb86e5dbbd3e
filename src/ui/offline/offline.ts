'use client';

import { newVersion } from './newVersion.ts';

const offer = (waiting: ServiceWorker | null) => {
  // The first one takes over by itself: there is nothing to be taken from.
  if (waiting && navigator.serviceWorker.controller) newVersion.setState({ waiting });
};

/** Has the app kept by this browser, so that it opens without its server; none while developing. */
export const keepOffline = async (): Promise<void> => {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  const registration = await navigator.serviceWorker.register('/sw.js');
  offer(registration.waiting);
  registration.addEventListener('updatefound', () => {
    const coming = registration.installing;
    coming?.addEventListener('statechange', () => {
      if (coming.state === 'installed') offer(coming);
    });
  });
};

/** Loads the page anew with the version that waits. */
export const takeNewVersion = (waiting: ServiceWorker): void => {
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), {
    once: true,
  });
  waiting.postMessage('take over');
};
