import type { Range } from '#core/signal/scale.ts';
import type { CardMark } from '#core/scopes/cardReading.ts';
import { startBracket } from '#workers/bracket/client.ts';
import type { Pixels } from '#workers/judge/protocol.ts';
import type { BracketFrame } from './bracketModel.ts';

let worker: ReturnType<typeof startBracket> | undefined;
/** One bracket worker for this tab, started when it is first needed. */
const bracketWorker = () => (worker ??= startBracket());

/** Reads the card off every frame, one after the other. Stops when the signal says so: then undefined. */
export const readFrames = async (
  frames: readonly BracketFrame[],
  mark: CardMark,
  range: Range,
  signal: AbortSignal,
): Promise<BracketFrame[] | undefined> => {
  const read: BracketFrame[] = [];
  for (const frame of frames) {
    try {
      const bytes = await frame.bytes.arrayBuffer();
      const outcome = await bracketWorker().call(
        'reading',
        { bytes, range: frame.range ?? range, mark },
        { transfer: [bytes], signal },
      );
      if (outcome.state === 'cancelled') return undefined;
      if (outcome.state === 'failed') throw new Error(outcome.reason);
      const { output } = outcome;
      read.push(
        output.ok
          ? { ...frame, reading: output.value, refused: undefined }
          : { ...frame, reading: undefined, refused: output.reason },
      );
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      read.push({
        ...frame,
        reading: undefined,
        refused: `it could not be read (${detail}): drop it again.`,
      });
    }
  }
  return read;
};

/** A frame's codes as a small picture, to mark the card on. */
export const previewOf = async (
  frame: BracketFrame,
  range: Range,
  maxWidth: number,
): Promise<Pixels | undefined> => {
  const bytes = await frame.bytes.arrayBuffer();
  const outcome = await bracketWorker().call(
    'preview',
    { bytes, range: frame.range ?? range, maxWidth },
    { transfer: [bytes], latest: 'preview' },
  );
  return outcome.state === 'done' && outcome.output.ok ? outcome.output.value : undefined;
};
