import type { UnpackingPlace } from '#core/frame/ofVideo.ts';
import { VIDEO_LAYOUTS } from '#core/frame/videoFormats.ts';
import { EXACT, type Exactness } from '#core/frame/tags.ts';
import type { OpenedFrame, ReadingOptions } from '#core/formats/opened.ts';
import { openedVideo, tagsOfColour } from '#core/formats/video.ts';
import { failure, success, type Result } from '#core/result.ts';

/** How long a call waits for a picture before it says that none came, s. */
const WAIT_SECONDS = 2;
/** The same for the first one: a converter needs some seconds to lock on to a signal. */
const FIRST_WAIT_SECONDS = 10;

export const ENDED = failure(
  'feed',
  'The device gives no more pictures: is it still plugged in? Choose it again.',
);
// A browser whose capture has stuck gives none until it starts anew; one that gave some has not stuck.
const ifBothAreRight = (seconds: number) =>
  seconds === FIRST_WAIT_SECONDS ? ' If both are right, close the browser and open it again.' : '';
const noPicture = (seconds: number) =>
  failure(
    'feed',
    `No picture for ${seconds} seconds: look at the cable and at the camera’s output.${ifBothAreRight(seconds)}`,
  );

/** A picture of the feed as codes. */
const openPicture = async (
  picture: VideoFrame,
  name: string,
  options: ReadingOptions,
  placeFor?: Place,
): Promise<Result<OpenedFrame>> => {
  const layout = VIDEO_LAYOUTS[picture.format ?? ''];
  if (!layout)
    return failure(
      'feed',
      `The device gives pictures as ${picture.format ?? 'textures'}, which hold no codes: choose another one.`,
    );
  const rect = picture.visibleRect;
  const [width, height] = [rect?.width ?? picture.codedWidth, rect?.height ?? picture.codedHeight];
  const place = placeFor?.(width, height);
  const size = picture.allocationSize();
  const bytes = place && size <= place.raw.length ? place.raw.subarray(0, size) : new Uint8Array(size);
  await picture.copyTo(bytes);
  const tags = tagsOfColour(picture.colorSpace);
  const exactness: Exactness =
    layout.kind === 'rgb'
      ? { exact: false, why: 'the browser gives this feed only as RGB it made itself' }
      : EXACT;
  const remark = tags.range ? undefined : 'range not told';
  return success(
    openedVideo({ width, height, layout, bytes, place, container: name, tags, exactness, remark }, options),
  );
};

/** Where a picture of a size may be unpacked. */
type Place = (width: number, height: number) => (UnpackingPlace & { readonly raw: Uint8Array }) | undefined;

export type FeedNext = {
  readonly opened: OpenedFrame;
  readonly seconds: number;
  readonly arrivedAt: number;
  readonly dropped: number;
};

/**
 * A running feed: always the newest picture is kept, older ones are let go and counted. Nothing piles up,
 * however slowly pictures are taken.
 */
export const createFeed = (frames: ReadableStream<VideoFrame>, name: string, now: () => number) => {
  const reader = frames.getReader();
  const started = now();
  let newest: { readonly picture: VideoFrame; readonly arrivedAt: number } | undefined;
  let dropped = 0;
  let ended = false;
  let patience = FIRST_WAIT_SECONDS;
  const waiting = new Set<() => void>();
  const arrived = () => {
    for (const go of waiting) go();
    waiting.clear();
  };

  const pump = async () => {
    try {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) break;
        if (newest) {
          newest.picture.close();
          dropped += 1;
        }
        newest = { picture: value, arrivedAt: now() };
        patience = WAIT_SECONDS;
        arrived();
      }
    } catch {
      // The device went away: the same as its end.
    }
    ended = true;
    arrived();
  };
  void pump();

  return {
    /** Resolves when a picture is there, the device is gone, or none has come for two seconds (the first: ten). */
    wait: (): Promise<void> =>
      newest || ended
        ? Promise.resolve()
        : new Promise<void>((resolve) => {
            const timer = setTimeout(resolve, 1000 * patience);
            waiting.add(() => {
              clearTimeout(timer);
              resolve();
            });
          }),
    /** The newest picture, if one is there. */
    next: async (options: ReadingOptions, placeFor?: Place): Promise<Result<FeedNext>> => {
      if (!newest) return ended ? ENDED : noPicture(patience);
      const { picture, arrivedAt } = newest;
      const seconds = (arrivedAt - started) / 1000;
      const left = dropped;
      newest = undefined;
      dropped = 0;
      try {
        const opened = await openPicture(picture, name, options, placeFor);
        return opened.ok ? success({ opened: opened.value, seconds, arrivedAt, dropped: left }) : opened;
      } finally {
        picture.close();
      }
    },
    stop: async () => {
      newest?.picture.close();
      newest = undefined;
      ended = true;
      arrived();
      await reader.cancel().catch(() => undefined);
    },
  };
};

export type Feed = ReturnType<typeof createFeed>;
