import { openedVideo } from '#core/formats/video.ts';
import { failure, success, type Failure, type Result } from '#core/result.ts';
import type { Client } from '../../rpc/client.ts';
import type { Demuxed, DemuxJobs, Undecodable } from '../../demux/protocol.ts';
import { pace, type ClipSource } from './source.ts';

/** A clip that has not got on for so long does not get on any more, ms. */
const SILENT_MS = 5000;
/** The worker must be loaded before it can say anything; on a busy machine that takes a while. */
const LOADING_MS = 20_000;

const STUCK = (where: string) =>
  failure(where, 'Reading it makes no progress: the file is damaged. Copy it from the card again.');

/**
 * A clip in MP4, MOV, MKV or WebM, taken apart and decoded in a worker of its own. A spoilt container can hold
 * that worker for ever: one that has not got on for a while is ended, and the clip is refused.
 * @param start Starts the worker.
 * @param signal Ends it when aborted while the clip is opened.
 */
export const openDemuxedClip = async (
  file: Blob,
  start: () => Client<DemuxJobs>,
  { signal, silentMs = SILENT_MS }: { readonly signal?: AbortSignal; readonly silentMs?: number } = {},
): Promise<Result<ClipSource> | { readonly ok: false; readonly undecodable: Undecodable }> => {
  const client = start();
  const end = () => client.end();
  let isLoaded = false;
  let isStuck = false;
  /** Asks the worker; ends it when it is silent for too long. */
  const ask = async <K extends keyof DemuxJobs>(
    job: K,
    input: DemuxJobs[K]['input'],
    where: string,
  ): Promise<DemuxJobs[K]['output'] | Failure> => {
    const stuck = () => {
      isStuck = true;
      end();
    };
    let timer = setTimeout(stuck, isLoaded ? silentMs : Math.max(LOADING_MS, silentMs));
    const onProgress = () => {
      isLoaded = true;
      clearTimeout(timer);
      timer = setTimeout(stuck, silentMs);
    };
    const outcome = await client.call(job, input, { onProgress });
    clearTimeout(timer);
    isLoaded = true;
    if (outcome.state === 'done') return outcome.output;
    if (outcome.state === 'failed') return failure(where, outcome.reason);
    return isStuck ? STUCK(where) : failure(where, 'It was stopped: do it again.');
  };
  signal?.addEventListener('abort', end, { once: true });
  const opened: Demuxed = await ask('open', { file }, 'container');
  signal?.removeEventListener('abort', end);
  if (!opened.ok) {
    end();
    return opened;
  }
  const { times, last, facts } = opened.value;
  return success({
    info: { times, ...pace(times, last) },
    facts,
    frameAt: async (n, options) => {
      const picture = await ask('frame', { n }, `frame ${n + 1}`);
      return picture.ok ? success(openedVideo(picture.value, options)) : picture;
    },
    expect: async (frames) => {
      await ask('expect', { frames }, 'clip');
    },
    close: end,
  });
};
