import Dexie, { type Table } from 'dexie';

// Folders that were chosen by File System Access, kept beside the records: a handle is of this browser alone and has
// no place in a back-up.

type Permission = { readonly mode: 'read' };
type Folder = FileSystemDirectoryHandle & {
  readonly queryPermission?: (how: Permission) => Promise<PermissionState>;
  readonly requestPermission?: (how: Permission) => Promise<PermissionState>;
};
type Picker = {
  readonly showDirectoryPicker?: (how: Permission & { readonly id: string }) => Promise<Folder>;
};
type Kept = { readonly id: string; readonly handle: Folder };

const READ: Permission = { mode: 'read' };
/** Most files read of a folder, and how deep: a card has some thousands at most. */
const MOST_FILES = 20_000;
const DEEPEST = 8;

const table = async <T>(work: (folders: Table<Kept, string>) => Promise<T>): Promise<T> => {
  const database = new Dexie('candelum-folders');
  database.version(1).stores({ folders: 'id' });
  try {
    return await work(database.table('folders'));
  } finally {
    database.close();
  }
};

/** Whether this browser can hand out folders that are kept. */
export const canChooseFolders = (): boolean => (globalThis as Picker).showDirectoryPicker !== undefined;

/** Asks for a folder; undefined where none was chosen. */
export const chooseFolder = async (): Promise<Folder | undefined> => {
  try {
    return await (globalThis as Picker).showDirectoryPicker?.({ ...READ, id: 'card' });
  } catch (error) {
    if ((error as { readonly name?: string }).name === 'AbortError') return undefined;
    throw error;
  }
};

/** Files of a folder and those in it, in the order of their names. @throws Where it is gone or may not be read. */
export const filesIn = async (folder: FileSystemDirectoryHandle, depth = 0): Promise<readonly File[]> => {
  const entries: (FileSystemDirectoryHandle | FileSystemFileHandle)[] = [];
  for await (const entry of folder.values()) entries.push(entry);
  const files: File[] = [];
  for (const entry of entries.toSorted((a, b) => a.name.localeCompare(b.name))) {
    if (files.length >= MOST_FILES) break;
    if (entry.kind === 'file') files.push(await entry.getFile());
    else if (depth < DEEPEST) files.push(...(await filesIn(entry, depth + 1)));
  }
  return files;
};

/** Keeps the folder of a camera's card, in the place of the one before. */
export const keepFolder = (id: string, handle: Folder): Promise<unknown> =>
  table((folders) => folders.put({ id, handle }));

/** The folder that was kept for a camera's card; undefined where there is none. */
export const keptFolder = async (id: string): Promise<Folder | undefined> =>
  (await table((folders) => folders.get(id)))?.handle;

/** Whether a kept folder may be read; the browser asks where it must, after a press only. */
export const mayRead = async (folder: Folder): Promise<boolean> =>
  (await folder.queryPermission?.(READ)) === 'granted' ||
  (await folder.requestPermission?.(READ)) === 'granted';
