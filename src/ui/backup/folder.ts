'use client';

import Dexie from 'dexie';
import { createStore } from 'zustand/vanilla';
import { markSaved } from '../bench/marker.ts';
import { failureWords } from '#store/words.ts';
import { makeBackup, type Kept } from './backups.ts';

// Back-ups into a folder that the user chose, one file a day, written again after each change.

/** A folder with the permissions that Chromium asks for. */
type Folder = FileSystemDirectoryHandle & {
  readonly queryPermission?: (mode: { mode: 'readwrite' }) => Promise<PermissionState>;
  readonly requestPermission?: (mode: { mode: 'readwrite' }) => Promise<PermissionState>;
};
type Picker = { readonly showDirectoryPicker?: (mode: { mode: 'readwrite' }) => Promise<Folder> };

export type FolderState = {
  /** Called so; undefined where none was chosen. */
  readonly name?: string;
  /** The browser asks again before it writes there. */
  readonly isAsking: boolean;
  readonly savedAt?: string;
  readonly problem?: string;
};

export const folderState = createStore<FolderState>(() => ({ isAsking: false }));

/** Whether this browser lets a page write into a folder. */
export const canKeepFolder = (): boolean => (window as Picker).showDirectoryPicker !== undefined;

const MODE = { mode: 'readwrite' } as const;
const QUIET_MS = 15_000;

/** Where the folder is remembered; apart from the records, for a folder is no data of theirs. */
const shelf = () => {
  const database = new Dexie('candelum-folder');
  database.version(1).stores({ folders: 'id' });
  return database.table<{ readonly id: 'folder'; readonly folder: Folder }, string>('folders');
};

let folder: Folder | undefined;
let records: Kept | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;

const fileName = (now: Date): string => `candelum-${now.toISOString().slice(0, 10)}.zip`;

/** Writes the back-up of the day; the file that was there stays until the new one is whole. */
const saveToFolder = async (now = new Date()): Promise<void> => {
  if (!folder || !records) return;
  try {
    const made = await makeBackup(records, { now });
    if (!made.ok) throw new Error(made.reason);
    const file = await folder.getFileHandle(fileName(now), { create: true });
    const stream = await file.createWritable();
    await stream.write(made.value);
    await stream.close();
    markSaved(now);
    folderState.setState({ savedAt: now.toISOString(), problem: undefined, isAsking: false });
  } catch (error) {
    folderState.setState({ problem: `The back-up was not written: ${failureWords(error)}.` });
  }
};

const soon = () => {
  clearTimeout(timer);
  timer = setTimeout(() => void saveToFolder(), QUIET_MS);
};

const watch = () => {
  const mine = `idb://${records?.database.name ?? ''}/`;
  Dexie.on('storagemutated', (parts: Readonly<Record<string, unknown>>) => {
    if (folder && Object.keys(parts).some((part) => part.startsWith(mine))) soon();
  });
};

const begin = async (opened: Kept, chosen: Folder): Promise<void> => {
  records = opened;
  folder = chosen;
  folderState.setState({ name: chosen.name, isAsking: false, problem: undefined });
  await saveToFolder();
};

/** Asks for a folder and writes the first back-up there. Nothing changes where none is chosen. */
export const chooseFolder = async (opened: Kept): Promise<void> => {
  const chosen = await (window as Picker).showDirectoryPicker?.(MODE).catch(() => undefined);
  if (!chosen) return;
  await shelf().put({ id: 'folder', folder: chosen });
  await begin(opened, chosen);
};

/** The permission of an earlier visit, asked for again; by a press, for the browser wants one. */
export const goOnWithFolder = async (opened: Kept): Promise<void> => {
  const kept = (await shelf().get('folder'))?.folder;
  if (kept && (await kept.requestPermission?.(MODE)) !== 'denied') await begin(opened, kept);
};

export const leaveFolder = async (): Promise<void> => {
  clearTimeout(timer);
  folder = undefined;
  await shelf().clear();
  folderState.setState({ name: undefined, isAsking: false, savedAt: undefined, problem: undefined });
};

/** The folder of an earlier visit goes on being written to, where the browser still allows it. */
export const resumeFolder = async (opened: Kept): Promise<void> => {
  records = opened;
  watch();
  if (!canKeepFolder()) return;
  const kept = (
    await shelf()
      .get('folder')
      .catch(() => undefined)
  )?.folder;
  if (!kept) return;
  const state = (await kept.queryPermission?.(MODE)) ?? 'granted';
  if (state === 'granted') folder = kept;
  folderState.setState({ name: kept.name, isAsking: state !== 'granted' });
};

/** Asks the browser to keep the records for good, once there is something of the user's own in them. */
export const askToKeep = async ({ book }: Pick<Kept, 'book'>): Promise<void> => {
  const { shoots, cameras } = book.getState();
  const isOwn = [...shoots.values(), ...cameras.values()].some(({ isDemo }) => !isDemo);
  if (isOwn && !(await navigator.storage?.persisted?.())) await navigator.storage?.persist?.();
};
