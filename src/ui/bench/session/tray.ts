import type { Range } from '#core/signal/scale.ts';
import type { Remembered } from '#core/scopes/looks.ts';
import { patchesAt } from '#core/scopes/tracks.ts';
import type { JudgeJobs } from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Moving } from './moving.ts';
import type { Access, TrayItem } from './state.ts';

type TrayParts = {
  readonly judge: Client<JudgeJobs>;
  readonly access: Access;
  readonly moving: Moving;
  readonly openFile: (file: File, range: Range) => Promise<boolean>;
};

/** How files of the tray are read, and the set-up they are opened for. */
export type TrayFor = { readonly range: Range; readonly setupId: string };

/** Files that were opened together: one is on the bench, the others are a key away, and marks go along. */
export const createTray = ({ judge, access: { get, set }, moving, openFile }: TrayParts) => {
  let files: readonly File[] = [];
  /** The set-up that the file on the bench was opened for. */
  let openedFor: string | undefined;

  /** Marks on the frame that is shown, kept for the next file; undefined where there are none. */
  const remember = async (): Promise<readonly Remembered[] | undefined> => {
    const { frame, patches, keyed } = get();
    if (!frame || frame.scene !== undefined || patches.length === 0) return undefined;
    const shown = frame.kind === 'clip' ? patchesAt(patches, keyed, moving.getState().at) : patches;
    const outcome = await judge.call('remember', { patches: shown });
    return outcome.state === 'done' ? outcome.output : undefined;
  };

  /** Puts the remembered marks where they lie on the new frame; those that are not found are asked for. */
  const refind = async (): Promise<void> => {
    const { frame } = get();
    const outcome = await judge.call('refind', {});
    const now = get();
    // Something else was opened, or marked by hand meanwhile: that stands.
    if (outcome.state !== 'done' || now.frame?.serial !== frame?.serial || now.patches.length > 0) return;
    set({ patches: outcome.output.found, unfound: outcome.output.lost });
  };

  const say = (at: number, refused?: string) =>
    set(({ tray }) => {
      if (!tray) return {};
      const items = tray.items.map((item, n): TrayItem => (n === at ? { name: item.name, refused } : item));
      return { tray: { items, at } };
    });

  const openAt = async (at: number, { range, setupId }: TrayFor): Promise<void> => {
    const file = files[at];
    if (!file) return;
    const carries = openedFor === setupId && (await remember()) !== undefined;
    say(at);
    const { failure: before } = get();
    if (!(await openFile(file, range))) {
      // Given up for another file there is nothing new that went wrong.
      const { failure } = get();
      if (failure && failure !== before && failure.name === file.name) say(at, failure.reason);
      return;
    }
    openedFor = setupId;
    if (carries) await refind();
  };

  return {
    /** Opens the first of these files; several make a new tray, one more joins the tray that is there. */
    add: async (added: readonly File[], how: TrayFor): Promise<void> => {
      if (added.length === 0) return;
      const joins = added.length === 1 && files.length > 1;
      const first = joins ? files.length : 0;
      if (!joins) openedFor = undefined;
      files = joins ? [...files, ...added] : added;
      const before = joins ? (get().tray?.items ?? []) : [];
      set({ tray: { items: [...before, ...added.map(({ name }) => ({ name }))], at: first } });
      await openAt(first, how);
    },
    /** Opens the file so many places on; at either end nothing happens. */
    go: async (by: number, how: TrayFor): Promise<void> => {
      const { tray } = get();
      if (tray) await openAt(tray.at + by, how);
    },
    open: openAt,
    /** What the marks on the frame look like, to find them in other clips. */
    marksNow: remember,
  };
};
