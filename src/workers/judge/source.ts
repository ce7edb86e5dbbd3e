import type { OpenedFrame, ReadingOptions } from '#core/formats/opened.ts';
import { success, type Result } from '#core/result.ts';
import type { FeedAnchors } from '#core/signal/scale.ts';
import type { ClipSource } from './clips/source.ts';
import type { Feed } from './feed.ts';
import type { Holder } from './holder.ts';
import type { FrameInfo } from './protocol.ts';

/** Where the picture on the bench comes from. `rest`: a feed that was stopped, its last picture stays. */
export type Origin =
  | { readonly kind: 'still'; readonly bytes: Uint8Array }
  | { readonly kind: 'clip'; readonly clip: ClipSource; readonly at: number }
  | { readonly kind: 'camera' }
  | { readonly kind: 'feed'; readonly feed: Feed; readonly seconds: number }
  | { readonly kind: 'rest'; readonly seconds: number };

/** An origin with all that is known of how its pictures are read; a new one begins with nothing of the old. */
export type Source = Origin & {
  /** Counts what was put on the bench, so that two are told apart. */
  readonly opening: number;
  readonly options: ReadingOptions;
  /** What a chain of cables does to black and white, where it was measured. */
  readonly anchors?: FeedAnchors;
};

export type SourceOf<K extends Origin['kind']> = Extract<Source, { kind: K }>;

const leave = (source: Source | undefined): void => {
  if (source?.kind === 'clip') source.clip.close();
  if (source?.kind === 'feed') void source.feed.stop();
};

/** The one source on the bench, and the ways in which its picture comes to lie there. */
export const createSourceHolder = (
  holder: Holder,
  /** Told when a feed begins and ends. */
  onLive: (isLive: boolean) => void = () => undefined,
) => {
  let source: Source | undefined;
  let openings = 0;

  /** A frame of the source, read with what is known of it. */
  const read = (opened: OpenedFrame): OpenedFrame =>
    source?.anchors ? { ...opened, frame: { ...opened.frame, feed: source.anchors } } : opened;
  const put = (opened: OpenedFrame): FrameInfo => ({
    ...holder.put(read(opened)),
    opening: source?.opening ?? 0,
    picture: holder.count(),
  });

  return {
    get: (): Source | undefined => source,
    /** Whether a source is still the one on the bench, however it is read now. */
    is: ({ opening }: Source): boolean => source?.opening === opening,
    read,
    /** A new thing on the bench. */
    open: (origin: Origin, options: ReadingOptions, opened: OpenedFrame): FrameInfo => {
      leave(source);
      openings += 1;
      source = { ...origin, opening: openings, options };
      onLive(origin.kind === 'feed');
      return put(opened);
    },
    /** A further picture of the same source. */
    next: (
      opened: OpenedFrame,
      moved: { readonly at?: number; readonly seconds?: number } = {},
    ): FrameInfo => {
      if (source) source = { ...source, ...moved } as Source;
      return put(opened);
    },
    /** The same picture, read another way; kept only where it can be read so. */
    reread: (
      options: Pick<Source, 'options' | 'anchors'>,
      opened: Result<OpenedFrame>,
    ): Result<FrameInfo> => {
      if (!opened.ok || !source) return opened as Result<never>;
      source = { ...source, anchors: undefined, ...options };
      return success(put(opened.value));
    },
    /** Lets a feed go; its last picture stays as it is read. */
    rest: async (): Promise<void> => {
      if (source?.kind !== 'feed') return;
      const { feed, seconds, opening, options, anchors } = source;
      source = { kind: 'rest', seconds, opening, options, anchors };
      onLive(false);
      await feed.stop();
    },
    /** Frame of a clip, or seconds of a feed, that lies on the bench. */
    moment: (): number | undefined =>
      source?.kind === 'clip'
        ? source.at
        : source?.kind === 'feed' || source?.kind === 'rest'
          ? source.seconds
          : undefined,
  };
};

export type SourceHolder = ReturnType<typeof createSourceHolder>;
