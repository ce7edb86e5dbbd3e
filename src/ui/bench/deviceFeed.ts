import type { FeedSource } from '#ui/bench/session/feeding.ts';
import { failure, success, type Result } from '#core/result.ts';

/** What the browser offers to take pictures off a track; not in every one, and not in TypeScript's own lists. */
type TrackProcessor = new (init: { readonly track: MediaStreamTrack }) => {
  readonly readable: ReadableStream<VideoFrame>;
};
const processorOf = () =>
  (globalThis as { MediaStreamTrackProcessor?: TrackProcessor }).MediaStreamTrackProcessor;

/** Whether this browser can hand a device's pictures on at all. */
export const takesDevices = (): boolean =>
  typeof navigator !== 'undefined' &&
  navigator.mediaDevices !== undefined &&
  (processorOf() !== undefined || typeof VideoFrame !== 'undefined');

export type Device = { readonly id: string; readonly name: string };

/** Video inputs; their names are only told once one of them was allowed. */
export const listDevices = async (): Promise<Result<readonly Device[]>> => {
  try {
    const all = await navigator.mediaDevices.enumerateDevices();
    const inputs = all.filter(({ kind }) => kind === 'videoinput');
    if (inputs.length === 0)
      return failure(
        'device',
        'No video input is there: plug a capture dongle or a webcam in, then look again.',
      );
    return success(
      inputs.map(({ deviceId, label }, i) => ({ id: deviceId, name: label || `Video input ${i + 1}` })),
    );
  } catch (error) {
    return refused(error);
  }
};

const REFUSALS: Readonly<Record<string, string>> = {
  NotAllowedError:
    'This page may not use the device: allow the camera in the browser’s address bar, then choose it again.',
  NotFoundError: 'The device is not there any more: plug it in and choose it again.',
  NotReadableError: 'Another program holds the device: close it there, then choose it again.',
  OverconstrainedError: 'The device does not give the picture that was asked for: choose another one.',
};

const refused = (error: unknown): Result<never> => {
  const name = error instanceof DOMException ? error.name : '';
  const detail = error instanceof Error ? error.message : String(error);
  return failure('device', REFUSALS[name] ?? `The device could not be opened (${detail.slice(0, 90)}).`);
};

/** Pictures of a track where the browser has no processor for it: taken as they come to a video element. */
const framesByVideo = (track: MediaStreamTrack): ReadableStream<VideoFrame> => {
  const video = document.createElement('video');
  video.muted = true;
  video.playsInline = true;
  video.srcObject = new MediaStream([track]);
  return new ReadableStream<VideoFrame>({
    start: (controller) => {
      const take = () => {
        if (track.readyState === 'ended') {
          controller.close();
          return;
        }
        if ((controller.desiredSize ?? 0) > 0) controller.enqueue(new VideoFrame(video));
        video.requestVideoFrameCallback(take);
      };
      track.addEventListener('ended', () => controller.close(), { once: true });
      void video.play().then(() => video.requestVideoFrameCallback(take));
    },
    cancel: () => {
      video.srcObject = null;
    },
  });
};

/** Opens a device at the largest picture it gives up to 1080p, as its pictures come. */
export const openDevice = async (id: string): Promise<Result<FeedSource>> => {
  try {
    const stream = await navigator.mediaDevices.getUserMedia({
      video: {
        ...(id ? { deviceId: { exact: id } } : {}),
        width: { ideal: 1920 },
        height: { ideal: 1080 },
        frameRate: { ideal: 25 },
      },
      audio: false,
    });
    const [track] = stream.getVideoTracks();
    const Processor = processorOf();
    return success({
      name: track.label || 'Video input',
      frames: Processor ? new Processor({ track }).readable : framesByVideo(track),
      end: () => track.stop(),
      onGone: (gone) => track.addEventListener('ended', gone, { once: true }),
    });
  } catch (error) {
    return refused(error);
  }
};
