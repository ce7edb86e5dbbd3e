import { EncodedPacketSink, VideoSampleSink, type InputVideoTrack, type VideoSample } from 'mediabunny';
import { failure, success, type Failure, type Result } from '#core/result.ts';

export const notDecoded = (n: number, error: unknown): Failure => {
  const detail = error instanceof Error ? error.message : String(error);
  return failure(
    `frame ${n + 1}`,
    `It could not be decoded (${detail.slice(0, 90)}): the clip may be cut short.`,
  );
};

type Planned = AsyncGenerator<VideoSample | null, void, unknown>;
type Run = { readonly samples: AsyncGenerator<VideoSample, void, unknown>; next: number };

/**
 * Decoded samples of a track by their number. What follows is decoded on, across frames that nobody asks for as well
 * unless a key frame lies nearer; any other jump begins at the key frame before it. The caller closes each.
 * @param getsOn Called as frames are passed over.
 */
export const samplesOf = (track: InputVideoTrack, times: Float64Array, getsOn: () => void) => {
  const sink = new VideoSampleSink(track);
  const packets = new EncodedPacketSink(track);
  let run: Run | undefined;

  const leave = async () => {
    const was = run;
    run = undefined;
    await was?.samples.return();
  };

  /** Decodes on to a frame; false where a jump is nearer. */
  const passTo = async (n: number, { samples, next }: Run): Promise<boolean> => {
    if (n < next) return false;
    if (n > next) {
      const key = await packets.getKeyPacket(times[n], { metadataOnly: true });
      if (!key || key.timestamp > times[next]) return false;
    }
    for (let at = next; at < n; at += 1) {
      const { value: passed, done } = await samples.next();
      if (done) return false;
      passed.close();
      getsOn();
    }
    return true;
  };

  /** Frames that will be asked for in this order, and the decoder that gets them on its way from one to the next. */
  let plan: { readonly frames: readonly number[]; readonly samples: Planned; at: number } | undefined;
  const planned = async (n: number): Promise<VideoSample | undefined> => {
    if (!plan || plan.frames[plan.at] !== n) return undefined;
    plan.at += 1;
    const { value, done } = await plan.samples.next();
    return done ? undefined : (value ?? undefined);
  };

  const sampleAt = async (n: number): Promise<Result<VideoSample>> => {
    try {
      const sooner = await planned(n);
      if (sooner) return success(sooner);
      let now = run;
      if (!now || !(await passTo(n, now))) {
        await leave();
        now = { samples: sink.samples(times[n]), next: n };
      }
      run = now;
      const { value: sample, done } = await now.samples.next();
      now.next = n + 1;
      if (!done && sample) return success(sample);
      await leave();
      return failure(
        `frame ${n + 1}`,
        'The clip ends before this frame: it may be cut short, copy it again.',
      );
    } catch (error) {
      await leave().catch(() => undefined);
      return notDecoded(n, error);
    }
  };

  return {
    sampleAt,
    /** Says which frames will be asked for next, rising: they are decoded one on the way to the other. */
    expect: async (frames: readonly number[]): Promise<void> => {
      await leave();
      await plan?.samples.return();
      plan = { frames, samples: sink.samplesAtTimestamps(frames.map((n) => times[n])), at: 0 };
    },
  };
};
