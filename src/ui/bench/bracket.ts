import type { EvidenceItem } from '#core/profile/index.ts';
import type { FilmedCamera } from '#core/cameraTest/film/film.ts';
import type { InCameraId } from '#core/inCamera/settings.ts';
import type { CardMark } from '#core/scopes/cardReading.ts';
import { failure, success, type Result } from '#core/result.ts';
import type { Range } from '#core/signal/scale.ts';
import type { BracketJobs, FilmedCard, MeasuredPair } from '#workers/bracket/protocol.ts';
import type { Pixels } from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';

/** A frame of a bracket as a file; `range` where it is known how its codes are laid out. */
type FilmedFrame = { readonly bytes: Blob; readonly range?: Range };

const answerOf = <T>(outcome: Outcome<Result<T>>): Result<T> | undefined => {
  if (outcome.state === 'cancelled') return undefined;
  return outcome.state === 'done' ? outcome.output : failure('frames', outcome.reason);
};

/** What is asked about frames of a filmed bracket; the worker keeps nothing of them. */
export const createBracket = (client: Client<BracketJobs>) => ({
  /** Reads the card off a frame. @returns undefined when the signal says that nobody waits any more. */
  readCard: async (
    { bytes, range }: FilmedFrame,
    mark: CardMark,
    recorded: Range,
    signal: AbortSignal,
  ): Promise<Result<FilmedCard> | undefined> => {
    try {
      const buffer = await bytes.arrayBuffer();
      const outcome = await client.call(
        'reading',
        { bytes: buffer, range: range ?? recorded, mark },
        { transfer: [buffer], signal },
      );
      return answerOf(outcome);
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      return failure('frame', `it could not be read (${detail}): drop it again.`);
    }
  },
  /** A frame's codes as a small picture, to mark the card on; undefined when it does not open. */
  preview: async (
    { bytes, range }: FilmedFrame,
    recorded: Range,
    maxWidth: number,
    signal: AbortSignal,
  ): Promise<Pixels | undefined> => {
    const opened = await bytes.arrayBuffer().then(success, () => undefined);
    if (!opened) return undefined;
    const outcome = await client.call(
      'preview',
      { bytes: opened.value, range: range ?? recorded, maxWidth },
      { transfer: [opened.value], latest: 'preview', signal },
    );
    return outcome.state === 'done' && outcome.output.ok ? outcome.output.value : undefined;
  },
  /** What a setting does, from a frame without it and one with it; undefined when nobody waits any more. */
  pair: async (
    files: { readonly without: Blob; readonly with: Blob },
    range: Range,
    signal: AbortSignal,
  ): Promise<Result<MeasuredPair> | undefined> => {
    try {
      const [without, withIt] = await Promise.all([files.without.arrayBuffer(), files.with.arrayBuffer()]);
      return answerOf(
        await client.call(
          'pair',
          { without, with: withIt, range },
          { transfer: [without, withIt], latest: 'pair', signal },
        ),
      );
    } catch {
      return failure('frames', 'A frame could not be read: choose both again.');
    }
  },
  /** The same of two frames that the stage films. */
  stagePair: async (
    camera: FilmedCamera,
    setting: InCameraId,
    seed: number,
    signal: AbortSignal,
  ): Promise<Result<MeasuredPair> | undefined> =>
    answerOf(await client.call('stagePair', { camera, setting, seed }, { latest: 'pair', signal })),
  /** What each source of a profile does to the whole; a newer question takes an older one's place. */
  effects: (items: readonly EvidenceItem[], signal: AbortSignal) =>
    client.call('effects', { items }, { latest: 'effects', signal }),
  end: client.end,
});

export type Bracket = ReturnType<typeof createBracket>;
