import { failure, success, type Result } from '#core/result.ts';
import type { Patch } from '#core/scopes/measure.ts';
import { keyedWith } from '#core/scopes/tracks.ts';
import type { Range } from '#core/signal/scale.ts';
import type {
  Captured,
  FrameInfo,
  JudgeJobs,
  Measured,
  MeasureInput,
  Opened,
  RereadInput,
  ThumbnailRequest,
} from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import { fetchBytes, wordsOf } from './files.ts';
import type { Moving } from './moving.ts';
import type { Opening } from './opening.ts';
import {
  CLEARED,
  withoutPassingNotice,
  type Access,
  type MeasureTarget,
  type OpenFrame,
  type Tell,
} from './state.ts';

/** Whether something was measured of this frame as it is read now. */
export const isOf = (
  { opening, picture }: Pick<FrameInfo, 'opening' | 'picture'>,
  measured: Pick<FrameInfo, 'opening' | 'picture'>,
): boolean => measured.opening === opening && measured.picture >= picture;

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
  let how: RereadInput | undefined;
  let surveying: AbortController | undefined;

  const open = async (
    name: string,
    phase: string,
    call: (way: ReturnType<Opening['begin']>) => Promise<Outcome<Result<Opened>>>,
    found: (opened: Opened) => Parameters<Access['set']>[0],
  ): Promise<boolean> => {
    const way = opening.begin(name, phase);
    let outcome: Outcome<Result<Opened>>;
    try {
      outcome = await call(way);
    } catch (error) {
      outcome = { state: 'failed', reason: wordsOf(error) };
    }
    if (way.isOver()) return false;
    opening.end();
    if (outcome.state === 'cancelled') return false;
    const result =
      outcome.state === 'done'
        ? outcome.output
        : failure('file', `It could not be opened: ${outcome.reason}`);
    if (!result.ok) {
      tell(name, result);
      return false;
    }
    set(withoutPassingNotice);
    set(found(result.value));
    return true;
  };

  const openFrom = async (file: File): Promise<void> => {
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
    if (!done) return;
    from = file;
    how = undefined;
  };

  const marks = ({ patches, keyed } = get()): Pick<MeasureInput, 'patches' | 'keyed'> => ({ patches, keyed });

  /** Measures the picture that is on the bench at this moment; undefined when there is none. */
  const measureNow = async (target: MeasureTarget): Promise<Measured | undefined> => {
    const outcome = await judge.call('measure', { ...target, ...marks() });
    return outcome.state === 'done' ? outcome.output : undefined;
  };

  const keep = (measured: Measured): boolean => {
    const { frame } = get();
    if (!frame || !isOf(frame.info, measured)) return false;
    set({ measured });
    return true;
  };

  return {
    openFile: (file: globalThis.File, range: Range) =>
      openFrom({ name: file.name, file: () => Promise.resolve(file), range }),
    /** The step wedge that checks the bench itself. */
    openWedge: () =>
      openFrom({
        name: 'step-wedge.png',
        file: async () => new Blob([await fetchBytes('/demo/step-wedge.png')]),
        range: 'legal',
      }),
    /** The same picture, read as another range, sample layout or feed. */
    reread: async (wanted: RereadInput): Promise<void> => {
      const { frame } = get();
      if (!frame) return;
      const done = await open(
        frame.name,
        'Reading the codes again',
        ({ signal, onProgress }) => judge.call('reread', wanted, { signal, onProgress }),
        ({ info }) => ({
          frame: { ...frame, info, serial: nextSerial() },
          measured: undefined,
          samples: undefined,
        }),
      );
      if (done) how = wanted;
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
    /** Puts a mark; in a clip, where it lies at the frame that is shown. */
    setPatch: (patch: Patch) =>
      set(({ patches, keyed, frame }) => ({
        patches: [...patches.filter(({ id }) => id !== patch.id), patch],
        ...(frame?.kind === 'clip'
          ? { keyed: keyedWith(keyed, patch.id, moving.getState().at, patch.rect) }
          : {}),
      })),
    removePatch: (id: string) =>
      set(({ patches, keyed }) => {
        const { [id]: _gone, ...rest } = keyed;
        return { patches: patches.filter((patch) => patch.id !== id), keyed: rest };
      }),
    /** Measures the frame as it stands; a newer call takes the place of an older one. */
    measure: async (target: MeasureTarget, signal?: AbortSignal): Promise<void> => {
      const outcome = await judge.call('measure', { ...target, ...marks() }, { latest: 'measure', signal });
      if (outcome.state === 'done') keep(outcome.output);
    },
    measureNow,
    /** Shows what was measured of a moving picture; not if another one was opened since. */
    keep,
    /** Everything of one moment, for a take: the picture, what is measured of it and its thumbnail. */
    capture: async (target: MeasureTarget, thumbnail: ThumbnailRequest): Promise<Captured | undefined> => {
      const outcome = await judge.call('capture', { ...target, ...marks(), thumbnail });
      return outcome.state === 'done' ? outcome.output : undefined;
    },
    /** Measures frames over the whole clip. */
    survey: async (target: MeasureTarget, frames: readonly number[]): Promise<void> => {
      const { frame } = get();
      if (!frame) return;
      moving.pause();
      surveying?.abort();
      const mine = new AbortController();
      surveying = mine;
      set({ surveying: 0 });
      try {
        const outcome = await judge.call(
          'survey',
          { ...target, ...marks(), frames },
          {
            signal: mine.signal,
            onProgress: ({ fraction }) => surveying === mine && set({ surveying: fraction }),
          },
        );
        if (outcome.state === 'failed') tell(frame.name, failure('clip', outcome.reason));
        if (outcome.state !== 'done' || get().frame?.info.opening !== frame.info.opening) return;
        if (outcome.output.ok) set({ samples: outcome.output.value });
        else tell(frame.name, outcome.output);
      } finally {
        if (surveying === mine) {
          surveying = undefined;
          set({ surveying: undefined });
        }
      }
    },
    stopSurvey: () => surveying?.abort(),
    /** The frame on the bench as a file of its codes. */
    codesAsPng: async (): Promise<Result<Uint8Array<ArrayBuffer>>> => {
      const outcome = await judge.call('still', {});
      if (outcome.state === 'cancelled') return failure('frame', 'It was stopped: do it again.');
      if (outcome.state === 'failed') return failure('frame', outcome.reason);
      return outcome.output.ok ? success(outcome.output.value.png) : outcome.output;
    },
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
      const again = (opened: Opened): Partial<{ frame: OpenFrame; measured: undefined }> => ({
        frame: { ...frame, info: opened.info, serial: nextSerial() },
        measured: undefined,
      });
      const back = await open(
        file.name,
        'Opening it again',
        async ({ signal, onProgress }) => {
          const input = { file: await file.file(), name: file.name, range: file.range };
          const opened = await judge.call('open', input, { signal, onProgress });
          if (opened.state !== 'done' || !opened.output.ok || !how) return opened;
          return judge.call('reread', how, { signal, onProgress });
        },
        again,
      );
      if (!back) set({ ...CLEARED, frame: undefined });
      else if (frame.kind === 'clip' && at > 0) await moving.seek(file.name, at);
    },
  };
};
