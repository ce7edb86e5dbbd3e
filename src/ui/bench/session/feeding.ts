import { failure, type Failure } from '#core/result.ts';
import type { Range } from '#core/signal/scale.ts';
import type { FrameInfo, JudgeJobs } from '#workers/judge/protocol.ts';
import { since1970 } from '#workers/judge/clock.ts';
import type { Client } from '#workers/rpc/client.ts';
import { runLive, type LiveStep } from './liveLoop.ts';
import type { Pulse } from './pulse.ts';

/** What moving pictures tell the session. */
export type MovingNews = {
  readonly opened: (frame: {
    readonly name: string;
    readonly kind: 'feed';
    readonly info: FrameInfo;
  }) => void;
  /** The feed changed its size or coding on the way. */
  readonly reread: (info: FrameInfo) => void;
  readonly failed: (name: string, failure: Failure) => void;
  readonly waiting: (name: string, phase: string) => void;
  /** What was waited for is not waited for any more. */
  readonly ended: () => void;
};

/** What a feed is made of: a device's picture, and the way to let the device go. */
export type FeedSource = {
  readonly name: string;
  readonly frames: ReadableStream<VideoFrame>;
  readonly end: () => void;
  /** Called when the device goes away by itself. */
  readonly onGone: (gone: () => void) => void;
};

/** A feed’s picture that waited longer than this is left out, ms: at 25 a second a newer one has come for certain. */
const OLD_MS = 50;

const shapeOf = ({ width, height, bitDepth, range }: FrameInfo) => `${width} ${height} ${bitDepth} ${range}`;

type FeedingParts = {
  readonly judge: Client<JudgeJobs>;
  readonly pulse: Pulse;
  readonly told: MovingNews;
  /** Begins to move. @returns whether it was stopped since, or something else begun */
  readonly begin: () => () => boolean;
  readonly stop: () => void;
  readonly showStep: (step: LiveStep) => Promise<void>;
};

/** Devices whose pictures come live: one at a time, let go when it is stopped, fails or goes away. */
export const createFeeding = ({ judge, pulse, told, begin, stop, showStep }: FeedingParts) => {
  let source: FeedSource | undefined;

  const endSource = (which = source) => {
    if (which !== source) return;
    source?.end();
    source = undefined;
  };

  const follow = async (from: FeedSource, isStopped: () => boolean, first: FrameInfo): Promise<void> => {
    let shape = shapeOf(first);
    const ended = await runLive(
      isStopped,
      async () => {
        const outcome = await judge.call('feedNext', {});
        if (outcome.state === 'failed') return failure('feed', outcome.reason);
        if (outcome.state !== 'done') return undefined;
        if (!outcome.output.ok) return outcome.output;
        const { info, seconds, dropped, arrivedAt } = outcome.output.value;
        if (shapeOf(info) !== shape) {
          shape = shapeOf(info);
          told.reread(info);
        }
        return { ok: true, value: { at: seconds, dropped, arrivedAt } };
      },
      showStep,
      ({ arrivedAt }) => since1970() - (arrivedAt ?? Infinity) > OLD_MS,
    );
    if (ended && !ended.ok) told.failed(from.name, ended);
    if (!isStopped()) stop();
    // Another device may have been chosen meanwhile: that one stays.
    endSource(from);
  };

  /** Takes a device's pictures until it is stopped or goes away. */
  const startFeed = async (from: FeedSource, range: Range): Promise<void> => {
    stop();
    endSource();
    source = from;
    told.waiting(from.name, 'Waiting for the first picture');
    const outcome = await judge.call(
      'feed',
      { frames: from.frames, name: from.name, range },
      { transfer: [from.frames] },
    );
    // Something else was opened, or another device chosen, while this one was waited for.
    if (source !== from) return;
    if (outcome.state !== 'done' || !outcome.output.ok) {
      endSource(from);
      told.ended();
      if (outcome.state === 'failed') told.failed(from.name, failure('feed', outcome.reason));
      else if (outcome.state === 'done' && !outcome.output.ok) told.failed(from.name, outcome.output);
      return;
    }
    const isStopped = begin();
    from.onGone(() => {
      if (isStopped()) return;
      stop();
      endSource(from);
      told.failed(
        from.name,
        failure('device', 'The device went away: plug it in again and choose it. The last picture stays.'),
      );
    });
    told.opened({ name: from.name, kind: 'feed', info: outcome.output.value.info });
    await pulse.beat();
    void follow(from, isStopped, outcome.output.value.info);
  };

  return {
    start: startFeed,
    /** Lets the device go; its last picture stays. */
    end: () => {
      if (source) void judge.call('feedStop', {});
      endSource();
    },
  };
};
