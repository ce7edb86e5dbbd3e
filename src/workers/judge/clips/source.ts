import type { OpenedFrame, ReadingOptions } from '#core/formats/opened.ts';
import type { Result } from '#core/result.ts';
import type { ClipFacts } from '../../demux/protocol.ts';
import type { ClipInfo } from '../protocol.ts';

/** A clip whose frames are fetched one at a time; the file itself stays where it is. */
export type ClipSource = {
  readonly info: ClipInfo;
  /** What the container says of it; a Y4M says nothing. */
  readonly facts?: ClipFacts;
  /** Frame n; `options` says how its codes are read. Its R'G'B' may still be to be made from its Y'CbCr. */
  readonly frameAt: (n: number, options: ReadingOptions) => Promise<Result<OpenedFrame>>;
  /** Says which frames will be asked for next, rising, where that makes them come quicker. */
  readonly expect?: (frames: readonly number[]) => Promise<void>;
  readonly close: () => void;
};

/** The same clip, its frames fetched one after the other whoever asks: a decoder does one thing at a time. */
export const oneAtATime = ({ info, facts, frameAt, expect, close }: ClipSource): ClipSource => {
  let last: Promise<unknown> = Promise.resolve();
  const inTurn = <T>(job: () => Promise<T>): Promise<T> => {
    const mine = last.then(job);
    last = mine.catch(() => undefined);
    return mine;
  };
  return {
    info,
    facts,
    frameAt: (n, options) => inTurn(() => frameAt(n, options)),
    expect: expect && ((frames) => inTurn(() => expect(frames))),
    close: () => void inTurn(async () => close()),
  };
};

/** Frame times of a steady rate. */
export const steady = (frames: number, rate: number): Float64Array =>
  Float64Array.from({ length: frames }, (_, n) => n / rate);

/**
 * Length and mean rate of frame times, and whether they keep to it: within a fifth of a frame. `last`: length
 * of the last.
 */
export const pace = (times: Float64Array, last: number): Pick<ClipInfo, 'rate' | 'variable' | 'seconds'> => {
  const n = times.length;
  const seconds = (n > 0 ? times[n - 1] - times[0] : 0) + last;
  const each = n > 1 ? (times[n - 1] - times[0]) / (n - 1) : last;
  const variable = times.some((t, i) => i > 0 && Math.abs(t - times[i - 1] - each) > 0.2 * each);
  return { seconds, rate: each > 0 ? 1 / each : 25, variable };
};
