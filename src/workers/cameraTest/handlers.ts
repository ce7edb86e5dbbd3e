import { evaluateTest } from '#core/cameraTest/evaluate.ts';
import { filmedShots, findShots, foundIn, problemsOf } from '#core/cameraTest/find/foundIn.ts';
import { inPixels } from '#core/cameraTest/find/glance.ts';
import type { LookedAt } from '#core/cameraTest/find/holds.ts';
import type { Frame } from '#core/frame/frame.ts';
import type { Kernels } from '#core/kernels/types.ts';
import { boardPatches } from '#core/match/board.ts';
import { BOARDS } from '#core/match/boards.ts';
import { failure, success, type Result } from '#core/result.ts';
import { readCard } from '#core/scopes/cardReading.ts';
import { asRecorded } from '#core/scopes/asRecorded.ts';
import { rememberMarks } from '#core/scopes/refind.ts';
import type { Remembered } from '#core/scopes/looks.ts';
import { isStill, openClip } from '../judge/clips/open.ts';
import type { ClipSource } from '../judge/clips/source.ts';
import { createHolder } from '../judge/holder.ts';
import type { Handlers, JobContext } from '../rpc/serve.ts';
import { filmList } from './filmList.ts';
import { lookAtClip, type Kept } from './lookAtClip.ts';
import type { CameraTestJobs } from './protocol.ts';

/** Width of a picture to mark the card on. */
const MARK_WIDTH = 640;

type Opener = typeof openClip;

/** @param open Opens a clip; tests bring their own. */
export const cameraTestHandlers = (kernels: Kernels, open: Opener = openClip): Handlers<CameraTestJobs> => {
  const holder = createHolder(kernels);
  const kept = new Map<string, Kept>();
  let card: Remembered | undefined;

  const opened = async (
    file: Blob,
    { signal, tell, outside }: Pick<JobContext, 'signal' | 'tell' | 'outside'>,
  ): Promise<Result<ClipSource>> =>
    (await outside(() => isStill(file)))
      ? failure('file', 'It is a still, not a clip: film each shot for some seconds.')
      : outside(() => open(file, (words) => tell(words, 0), signal), { freesLane: true });

  const lookedAt = (ids: readonly string[]): readonly LookedAt[] =>
    ids.flatMap((id) => kept.get(id)?.looked ?? []);

  /** One frame of a file, at a time in it. */
  const frameOf = async (
    { file, range, at }: CameraTestJobs['preview']['input'],
    context: JobContext,
  ): Promise<Result<Frame>> => {
    const clip = await opened(file, context);
    if (!clip.ok) return clip;
    try {
      const { times } = clip.value.info;
      const n = Math.max(
        0,
        times.findLastIndex((time) => time - times[0] <= at + 1e-6),
      );
      const got = await context.outside(() => clip.value.frameAt(n, { range }));
      if (!got.ok) return got;
      holder.put(got.value);
      return success(holder.current().frame);
    } finally {
      clip.value.close();
    }
  };

  return {
    remember: async ({ marks, ...input }, context) => {
      const frame = await frameOf(input, context);
      if (!frame.ok) return { output: frame };
      const rect = inPixels(marks.card, frame.value);
      [card] = rememberMarks(frame.value, [{ id: 'card', kind: 'card', rect }]);
      return { output: success(true) };
    },

    preview: async (input, context) => {
      const frame = await frameOf(input, context);
      if (!frame.ok) return { output: frame };
      const picture = asRecorded(frame.value, MARK_WIDTH);
      return { output: success(picture), transfer: [picture.rgba.buffer] };
    },

    chart: async ({ corners, board, ...input }, context) => {
      const patches = boardPatches(corners, BOARDS[board].layout);
      if (patches.length === 0)
        return {
          output: failure('corners', 'The corners make no chart: lay them one after the other round it.'),
        };
      const frame = await frameOf(input, context);
      if (!frame.ok) return { output: frame };
      return { output: success(patches.map(({ rect }) => readCard(frame.value, rect).channels)) };
    },

    look: async (input, context) => {
      await context.step('Opening', 0);
      const clip = await opened(input.file, context);
      if (!clip.ok) return { output: clip };
      const close = () => clip.value.close();
      context.signal.addEventListener('abort', close, { once: true });
      try {
        const looked = await lookAtClip(clip.value, input, { holder, ...(card ? { card } : {}) }, context);
        if (!looked.ok) return { output: looked };
        kept.set(input.id, looked.value.kept);
        return { output: success(looked.value.told) };
      } finally {
        context.signal.removeEventListener('abort', close);
        close();
      }
    },

    forget: async ({ ids }) => {
      ids.forEach((id) => kept.delete(id));
      if (kept.size === 0) card = undefined;
      return { output: undefined };
    },

    find: async ({ list, clips, edits }) => {
      const found = findShots(list, lookedAt(clips), edits);
      return { output: { found: foundIn(found, edits), problems: problemsOf(list, found) } };
    },

    picture: async ({ clip, at }) => {
      const all = kept.get(clip)?.pictures ?? [];
      const one = all.findLast((picture) => picture.at <= at + 1e-6) ?? all[0];
      return { output: one?.picture };
    },

    evaluate: async ({ list, clips, edits, ...basis }, { step }) => {
      await step('Telling shots apart', 0);
      const found = findShots(list, lookedAt(clips), edits);
      await step('Working out the curve', 0.3);
      return { output: evaluateTest({ ...basis, filmed: filmedShots(list, found) }) };
    },

    film: async (input, { step }) => {
      const files = await filmList(input, step);
      return { output: files, transfer: files.map(({ bytes }) => bytes) };
    },
  };
};
