import { failure, success, type Result } from '#core/result.ts';
import type { Patch } from '#core/scopes/measure.ts';
import { keyedWith } from '#core/scopes/tracks.ts';
import type {
  Captured,
  FrameInfo,
  JudgeJobs,
  MeasuredFrame,
  MeasureInput,
  ThumbnailRequest,
} from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Moving } from './moving.ts';
import type { Access, MeasureTarget, Tell } from './state.ts';

/** Whether something was measured of this frame as it is read now. */
export const isOf = (
  { opening, picture }: Pick<FrameInfo, 'opening' | 'picture'>,
  measured: Pick<FrameInfo, 'opening' | 'picture'>,
): boolean => measured.opening === opening && measured.picture >= picture;

type MeasuringParts = {
  readonly judge: Client<JudgeJobs>;
  readonly access: Access;
  readonly moving: Moving;
  readonly tell: Tell;
};

/** Marks on the frame, and what is measured of it. */
export const createMeasuring = ({ judge, access: { get, set }, moving, tell }: MeasuringParts) => {
  let surveying: AbortController | undefined;

  const marks = ({ patches, keyed } = get()): Pick<MeasureInput, 'patches' | 'keyed'> => ({ patches, keyed });

  /** Measures the picture that is on the bench at this moment; undefined when there is none. */
  const measureNow = async (target: MeasureTarget): Promise<MeasuredFrame | undefined> => {
    const outcome = await judge.call('measure', { ...target, ...marks() });
    return outcome.state === 'done' ? outcome.output : undefined;
  };

  const keep = (measured: MeasuredFrame): boolean => {
    const { frame } = get();
    if (!frame || !isOf(frame.info, measured)) return false;
    set({ measured });
    return true;
  };

  return {
    /** Puts a mark; in a clip, where it lies at the frame that is shown. */
    setPatch: (patch: Patch) =>
      set(({ patches, unfound, keyed, frame }) => ({
        unfound: unfound.filter((id) => id !== patch.id),
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
  };
};
