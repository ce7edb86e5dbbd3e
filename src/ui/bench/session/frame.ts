import type { Range } from '#core/signal/scale.ts';
import type { JudgeJobs, OpenedPicture, RereadInput } from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import { fetchBytes } from './files.ts';
import { createMeasuring } from './measuring.ts';
import type { Moving } from './moving.ts';
import { createOpener } from './opener.ts';
import type { Opening } from './opening.ts';
import { CLEARED, type Access, type OpenFrame, type Tell } from './state.ts';

/** What the frame on the bench was opened from, so that it can be opened once more. */
type File = { readonly name: string; readonly file: () => Promise<Blob>; readonly range: Range };

export type FrameParts = {
  readonly judge: Client<JudgeJobs>;
  readonly access: Access;
  readonly opening: Opening;
  readonly moving: Moving;
  readonly tell: Tell;
  readonly nextSerial: () => number;
};

/** The frame on the bench: opening, reading, marking and measuring it. */
export const createFrame = ({
  judge,
  access: { get, set },
  opening,
  moving,
  tell,
  nextSerial,
}: FrameParts) => {
  let from: File | undefined;
  let reading: RereadInput | undefined;

  const open = createOpener({ access: { get, set }, opening, tell });

  const openFrom = async (file: File): Promise<boolean> => {
    moving.pause();
    const done = await open(
      file.name,
      'Reading the file',
      async ({ signal, onProgress }) =>
        judge.call(
          'open',
          { file: await file.file(), name: file.name, range: file.range },
          { signal, onProgress },
        ),
      ({ info, clip }) => {
        moving.reset();
        return {
          ...CLEARED,
          stage: undefined,
          frame: { name: file.name, kind: clip ? 'clip' : 'still', info, clip, serial: nextSerial() },
        };
      },
    );
    if (!done) return false;
    from = file;
    reading = undefined;
    return true;
  };

  const measuring = createMeasuring({ judge, access: { get, set }, moving, tell });

  return {
    /** @returns false when it did not open: why is told, and what was there stays. */
    openFile: (file: globalThis.File, range: Range): Promise<boolean> =>
      openFrom({ name: file.name, file: () => Promise.resolve(file), range }),
    /** The step wedge that checks the bench itself. */
    openWedge: (): Promise<boolean> =>
      openFrom({
        name: 'step-wedge.png',
        file: async () => new Blob([await fetchBytes('/demo/step-wedge.png')]),
        range: 'legal',
      }),
    /** The same picture, read as another range, sample layout or feed. */
    reread: async (input: RereadInput): Promise<void> => {
      const { frame } = get();
      if (!frame) return;
      const done = await open(
        frame.name,
        'Reading the codes again',
        ({ signal, onProgress }) => judge.call('reread', input, { signal, onProgress }),
        ({ info }) => ({
          frame: { ...frame, info, serial: nextSerial() },
          measured: undefined,
          samples: undefined,
        }),
      );
      if (done) reading = input;
    },
    /** Gives up what is being opened. */
    cancelOpening: () => {
      opening.end();
      if (get().frame?.kind !== 'clip') moving.pause();
    },
    /** Takes the frame off the bench. */
    close: () => {
      moving.reset();
      opening.end();
      from = undefined;
      set({ ...CLEARED, frame: undefined, stage: undefined });
    },
    ...measuring,
    /** After the worker was replaced: the same file, read the same way, at the same frame, marks and all. */
    reopen: async (): Promise<void> => {
      const { frame } = get();
      if (!frame || frame.kind === 'camera') return;
      const file = from;
      if (!file || frame.kind === 'feed') {
        moving.reset();
        set({ ...CLEARED, frame: undefined });
        return;
      }
      const { at } = moving.getState();
      moving.pause();
      const again = (opened: OpenedPicture): Partial<{ frame: OpenFrame; measured: undefined }> => ({
        frame: { ...frame, info: opened.info, serial: nextSerial() },
        measured: undefined,
      });
      const back = await open(
        file.name,
        'Opening it again',
        async ({ signal, onProgress }) => {
          const input = { file: await file.file(), name: file.name, range: file.range };
          const opened = await judge.call('open', input, { signal, onProgress });
          if (opened.state !== 'done' || !opened.output.ok || !reading) return opened;
          return judge.call('reread', reading, { signal, onProgress });
        },
        again,
      );
      if (!back) set({ ...CLEARED, frame: undefined });
      else if (frame.kind === 'clip' && at > 0) await moving.seek(file.name, at);
    },
  };
};
