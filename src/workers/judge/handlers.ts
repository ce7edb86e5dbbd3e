import type { Kernels } from '#core/kernels/types.ts';
import { openFrame } from '#core/formats/openFrame.ts';
import type { OpenedFrame, ReadingWish } from '#core/formats/opened.ts';
import { failure, success, type Result } from '#core/result.ts';
import type { Handlers } from '../rpc/serve.ts';
import type { ClipSource } from './clips/source.ts';
import { since1970 } from './clock.ts';
import { isStill, openClip } from './clips/open.ts';
import { createFeed, ENDED, type Feed } from './feed.ts';
import { createHolder } from './holder.ts';
import { lookHandlers, measureHeld } from './look.ts';
import { stageHandlers } from './stage.ts';
import type { ClipSample, FeedPicture, FrameInfo, JudgeJobs, RereadInput } from './protocol.ts';

const NO_FRAME = failure('frame', 'No frame is open: open one first.');
const NO_CLIP = failure('clip', 'No clip is open: open one first.');

/** Where the frame on the bench came from, so that it can be read again. */
type Origin =
  | { readonly kind: 'still'; readonly bytes: Uint8Array }
  | { readonly kind: 'clip'; readonly source: ClipSource; readonly at: number }
  | { readonly kind: 'camera' }
  | { readonly kind: 'feed'; readonly feed: Feed };

/** The jobs, each with the last good frame at hand. A file that does not open leaves it as it was. */
export const judgeHandlers = (
  kernels: Kernels,
  /** Kernels with a memory of their own, for frames that are measured while another one is on the bench. */
  others: Kernels,
  now: () => number = since1970,
): Handlers<JudgeJobs> => {
  const holder = createHolder(kernels);
  const survey = createHolder(others);
  let origin: Origin | undefined;
  let wish: ReadingWish = { range: 'legal' };
  let anchors: RereadInput['feed'];

  const leave = () => {
    if (origin?.kind === 'clip') origin.source.close();
    if (origin?.kind === 'feed') void origin.feed.stop();
  };
  const put = (opened: OpenedFrame): FrameInfo =>
    holder.put(anchors ? { ...opened, frame: { ...opened.frame, feed: anchors } } : opened);
  /** A new thing on the bench: what it was read with before does not hold for it. */
  const fresh = (next: Origin, how: ReadingWish, opened: OpenedFrame): FrameInfo => {
    leave();
    origin = next;
    wish = how;
    anchors = undefined;
    return put(opened);
  };

  const seek = async (clip: Extract<Origin, { kind: 'clip' }>, n: number): Promise<Result<FrameInfo>> => {
    const opened = await clip.source.frameAt(n, wish);
    if (!opened.ok) return opened;
    origin = { ...clip, at: n };
    return success(put(opened.value));
  };

  const nextOf = async (feed: Feed): Promise<Result<FeedPicture>> => {
    const next = await feed.next(wish, holder.place);
    if (!next.ok) return next;
    const { opened, ...when } = next.value;
    return success({ info: put(opened), ...when });
  };

  return {
    ...stageHandlers(
      (opened) => {
        if (origin?.kind === 'camera') return put(opened);
        return fresh({ kind: 'camera' }, wish, opened);
      },
      () => holder.get()?.frame,
    ),
    ...lookHandlers(kernels, holder),

    open: async ({ file, name: _name, ...how }, { step }) => {
      await step('Reading the file', 0.1);
      if (await isStill(file)) {
        const bytes = new Uint8Array(await file.arrayBuffer());
        const opened = openFrame(bytes, how);
        if (!opened.ok) return { output: opened };
        return { output: success({ info: fresh({ kind: 'still', bytes }, how, opened.value) }) };
      }
      const clip = await openClip(file, (words) => step(words, 0.3));
      if (!clip.ok) return { output: clip };
      await step('Decoding the first frame', 0.8);
      const first = await clip.value.frameAt(0, how);
      if (!first.ok) {
        clip.value.close();
        return { output: first };
      }
      const info = fresh({ kind: 'clip', source: clip.value, at: 0 }, how, first.value);
      return { output: success({ info, clip: clip.value.info, at: 0 }) };
    },

    reread: async (how, { step }) => {
      const held = holder.get();
      if (!held || !origin) return { output: NO_FRAME };
      await step('Reading the codes again', 0.1);
      const { feed, ...reading } = how;
      const wanted = { ...reading, byHand: true };
      if (origin.kind === 'still') {
        const opened = openFrame(origin.bytes, wanted);
        if (!opened.ok) return { output: opened };
        wish = wanted;
        anchors = feed;
        return { output: success({ info: put(opened.value) }) };
      }
      wish = wanted;
      anchors = feed;
      if (origin.kind === 'clip') {
        const { at } = origin;
        const info = await seek(origin, at);
        return { output: info.ok ? success({ info: info.value, at }) : info };
      }
      // A live picture has no file: its codes stay, only their range is read another way.
      const { opened } = held;
      const { range, referred = opened.referred } = how;
      const { feed: _before, ...frame } = opened.frame;
      return { output: success({ info: put({ ...opened, referred, frame: { ...frame, range } }) }) };
    },

    seek: async ({ frame }, { step }) => {
      if (origin?.kind !== 'clip') return { output: NO_CLIP };
      await step('Decoding', 0.2);
      return { output: await seek(origin, frame) };
    },

    survey: async ({ frames, tracks, ...input }, { step }) => {
      if (origin?.kind !== 'clip') return { output: NO_CLIP };
      const { source } = origin;
      const samples: ClipSample[] = [];
      for (const [i, frame] of frames.entries()) {
        await step(`Frame ${i + 1} of ${frames.length}`, i / frames.length);
        const opened = await source.frameAt(frame, wish);
        // A clip that is cut short is judged as far as it goes.
        if (!opened.ok) {
          if (samples.length === 0) return { output: opened };
          break;
        }
        survey.put(
          anchors ? { ...opened.value, frame: { ...opened.value.frame, feed: anchors } } : opened.value,
        );
        const measurement = measureHeld(survey.current(), {
          ...input,
          patches: tracks?.[i] ?? input.patches,
        });
        samples.push({ frame, measurement });
      }
      return { output: success(samples) };
    },

    feed: async ({ frames, name, range }, { step }) => {
      await step('Waiting for the first picture', 0.2);
      const feed = createFeed(frames, name, now);
      const first = await feed.next({ range });
      if (!first.ok) {
        await feed.stop();
        return { output: first };
      }
      const { opened, ...when } = first.value;
      const info = fresh({ kind: 'feed', feed }, { range }, opened);
      return { output: success({ info, ...when }) };
    },

    feedNext: async () => ({
      output: origin?.kind === 'feed' ? await nextOf(origin.feed) : ENDED,
    }),

    feedStop: async () => {
      if (origin?.kind === 'feed') {
        await origin.feed.stop();
        origin = { kind: 'camera' };
      }
      return { output: undefined };
    },
  };
};
