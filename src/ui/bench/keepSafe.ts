'use client';

import { askToKeep, resumeFolder } from '../backup/folder.ts';
import { keepOffline } from '../offline/offline.ts';
import type { Kept } from '../backup/backups.ts';

/** What keeps records and app safe, once the screen stands: back-ups, room in the browser, no need of a server. */
export const keepSafe = (records: Kept): Promise<unknown> =>
  Promise.allSettled([resumeFolder(records), askToKeep(records), keepOffline()]);
