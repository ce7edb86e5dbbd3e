import { videoBytes } from '#core/frame/ofVideo.ts';
import { RAW_LAYOUTS, type ServedClip } from '#core/frame/servedClip.ts';
import { EXACT, type Exactness } from '#core/frame/tags.ts';
import { openedVideo } from '#core/formats/video.ts';
import { failure, success, type Result } from '#core/result.ts';
import { pace, type ClipSource } from './source.ts';

/** Frames fetched ahead when a clip plays on. */
const AHEAD = 4;

const GONE = failure('helper', 'The helper does not answer: is Candelum still running? Open the clip again.');

/** A clip decoded by the ffmpeg of this machine, behind the route handler. */
export const openServedClip = async (file: Blob, signal?: AbortSignal): Promise<Result<ClipSource>> => {
  let answer: Result<ServedClip>;
  try {
    const response = await fetch('/api/clips', { method: 'POST', body: file, signal });
    if (!response.ok) return failure('helper', `The helper refuses this clip (${response.status}).`);
    answer = (await response.json()) as Result<ServedClip>;
  } catch {
    return GONE;
  }
  if (!answer.ok) return answer;
  const { id, width, height, pixels, own, container, codec, times: list, last, tags } = answer.value;
  const layout = RAW_LAYOUTS[pixels];
  const times = Float64Array.from(list);
  const each = videoBytes(width, height, layout);
  const exactness: Exactness =
    pixels === own ? EXACT : { exact: false, why: `the file’s ${own} was turned into ${pixels} by ffmpeg` };
  let ahead: { readonly from: number; readonly bytes: Uint8Array } | undefined;

  const bytesAt = async (n: number): Promise<Result<Uint8Array>> => {
    const at = ahead ? (n - ahead.from) * each : -1;
    if (ahead && at >= 0 && at + each <= ahead.bytes.length)
      return success(ahead.bytes.subarray(at, at + each));
    const count = ahead && n === ahead.from + ahead.bytes.length / each ? AHEAD : 1;
    try {
      const response = await fetch(`/api/clips/${id}?frame=${n}&count=${count}`);
      if (!response.ok) return response.status === 422 ? ((await response.json()) as Result<never>) : GONE;
      ahead = { from: n, bytes: new Uint8Array(await response.arrayBuffer()) };
      return success(ahead.bytes.subarray(0, each));
    } catch {
      return GONE;
    }
  };

  return success({
    info: { times, ...pace(times, last), note: 'decoded by ffmpeg on this machine' },
    frameAt: async (n, options) => {
      const bytes = await bytesAt(n);
      if (!bytes.ok) return bytes;
      const picture = { width, height, layout, bytes: bytes.value };
      return success(
        openedVideo({ ...picture, container: `${container}, ${codec}`, tags, exactness }, options),
      );
    },
    close: () => {
      void fetch(`/api/clips/${id}`, { method: 'DELETE', keepalive: true }).catch(() => undefined);
    },
  });
};
