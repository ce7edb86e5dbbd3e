import type { Kernels } from '#core/kernels/types.ts';
import type { OpenedFrame } from '#core/formats/opened.ts';
import { failure, success, type Result } from '#core/result.ts';
import { measureFrame } from '#core/scopes/measureFrame.ts';
import { patchesAt } from '#core/scopes/tracks.ts';
import { stillsHere } from '../stills/handlers.ts';
import type { Stills } from '../stills/protocol.ts';
import { Cancelled, type Handlers, type JobContext, type LaneOf } from '../rpc/serve.ts';
import { since1970 } from './clock.ts';
import type { Remembered } from '#core/scopes/looks.ts';
import { refindMarks, rememberMarks } from '#core/scopes/refind.ts';
import { isStill, openClip } from './clips/open.ts';
import { feedHandlers } from './feedHandlers.ts';
import { createHolder } from './holder.ts';
import { lookHandlers } from './look.ts';
import { stageHandlers } from './stage.ts';
import { createSourceHolder, type SourceOf } from './source.ts';
import type { ClipSample, FrameInfo, JudgeJobs, KernelsInUse } from './protocol.ts';

const NO_FRAME = failure('frame', 'No frame is open: open one first.');
const NO_CLIP = failure('clip', 'No clip is open: open one first.');

/** What is drawn goes first, then what is measured of it, then the next picture, then what may take long. */
const [DRAWN, MEASURED, NEXT, LONG] = [0, 1, 2, 3];
export const JUDGE_LANES: LaneOf<JudgeJobs> = {
  picture: DRAWN,
  scope: DRAWN,
  codes: DRAWN,
  reference: DRAWN,
  keep: DRAWN,
  kernels: DRAWN,
  measure: MEASURED,
  capture: MEASURED,
  hold: MEASURED,
  remember: MEASURED,
  refind: MEASURED,
  order: MEASURED,
  gradeStart: MEASURED,
  gradeRead: MEASURED,
  gradePick: DRAWN,
  gradeStill: LONG,
  gradeLight: LONG,
  still: MEASURED,
  scene: NEXT,
  lightOfSpots: NEXT,
  expose: NEXT,
  open: NEXT,
  reread: NEXT,
  seek: NEXT,
  feed: NEXT,
  feedNext: NEXT,
  feedStop: NEXT,
  survey: LONG,
  clip: LONG,
};

/** The jobs, each with the last good frame at hand. A file that does not open leaves it as it was. */
export const judgeHandlers = (
  kernels: Kernels,
  /** Kernels with a memory of their own, for frames that are measured while another one is on the bench. */
  others: Kernels,
  now: () => number = since1970,
  inUse: KernelsInUse = { form: 'plain' },
  stills: Stills = stillsHere,
  onLive?: (isLive: boolean) => void,
): Handlers<JudgeJobs> => {
  const holder = createHolder(kernels);
  const survey = createHolder(others);
  const source = createSourceHolder(holder, onLive);
  let remembered: readonly Remembered[] = [];

  const seek = async (
    clip: SourceOf<'clip'>,
    n: number,
    outside: JobContext['outside'],
  ): Promise<Result<FrameInfo>> => {
    const opened = await outside(() => clip.clip.frameAt(n, clip.options));
    return opened.ok ? success(source.next(opened.value, { at: n })) : opened;
  };

  return {
    ...stageHandlers(
      (opened) =>
        source.get()?.kind === 'camera'
          ? source.next(opened)
          : source.open({ kind: 'camera' }, { range: opened.frame.range }, opened),
      () => holder.get()?.frame,
      stills,
    ),
    ...lookHandlers(kernels, holder, source, stills, survey),
    ...feedHandlers(holder, source, now),

    kernels: async () => ({ output: inUse }),

    remember: async ({ patches }) => {
      const frame = holder.get()?.frame;
      remembered = frame ? rememberMarks(frame, patches) : [];
      return { output: remembered };
    },

    refind: async (_input, { step }) => {
      const frame = holder.get()?.frame;
      if (!frame) return { output: { found: [], lost: remembered.map(({ patch }) => patch.id) } };
      await step('Finding the marks again', 0.5);
      return { output: refindMarks(frame, remembered) };
    },

    open: async ({ file, name: _name, ...options }, { signal, tell, step, outside }) => {
      await step('Reading the file', 0.1);
      if (await outside(() => isStill(file))) {
        const bytes = new Uint8Array(await outside(() => file.arrayBuffer()));
        const opened = await outside(() => stills.open(bytes, options, signal));
        if (!opened.ok) return { output: opened };
        return { output: success({ info: source.open({ kind: 'still', bytes }, options, opened.value) }) };
      }
      const clip = await outside(() => openClip(file, (words) => tell(words, 0.3), signal));
      if (!clip.ok) return { output: clip };
      let first: Result<OpenedFrame> | undefined;
      try {
        await step('Decoding the first frame', 0.8);
        first = await outside(() => clip.value.frameAt(0, options));
      } finally {
        if (!first?.ok) clip.value.close();
      }
      if (!first.ok) return { output: first };
      const info = source.open({ kind: 'clip', clip: clip.value, at: 0 }, options, first.value);
      return { output: success({ info, clip: clip.value.info, at: 0 }) };
    },

    reread: async (input, { signal, step, outside }) => {
      const held = holder.get();
      const from = source.get();
      if (!held || !from) return { output: NO_FRAME };
      await step('Reading the codes again', 0.1);
      const { feed, ...reading } = input;
      const options = { ...reading, byHand: true };
      const anew = async (): Promise<Result<OpenedFrame>> => {
        if (from.kind === 'still') return outside(() => stills.open(from.bytes, options, signal));
        if (from.kind === 'clip') return outside(() => from.clip.frameAt(from.at, options));
        // A live picture has no file: its codes stay, only their range and matrix are read another way.
        const { opened } = held;
        const { range, referred = opened.referred } = input;
        const { feed: _before, source: planes, ...frame } = opened.frame;
        const turned = planes && { ...planes, matrix: input.matrix ?? planes.matrix };
        return success({ ...opened, referred, frame: { ...frame, range, source: turned } });
      };
      const info = source.reread({ options, anchors: feed }, await anew());
      return { output: info.ok ? success({ info: info.value, at: source.moment() }) : info };
    },

    seek: async ({ frame }, { step, outside }) => {
      await step('Decoding', 0.2);
      const from = source.get();
      if (from?.kind !== 'clip') return { output: NO_CLIP };
      return { output: await seek(from, frame, outside) };
    },

    survey: async ({ frames, keyed = {}, patches, ...input }, { step, outside }) => {
      const from = source.get();
      if (from?.kind !== 'clip') return { output: NO_CLIP };
      const samples: ClipSample[] = [];
      for (const [i, frame] of frames.entries()) {
        await step(`Frame ${i + 1} of ${frames.length}`, i / frames.length);
        const opened = await outside(() => from.clip.frameAt(frame, from.options));
        // Another file was opened meanwhile: nobody waits for this one any more.
        if (!source.is(from)) throw new Cancelled();
        // A clip that is cut short is judged as far as it goes.
        if (!opened.ok) {
          if (samples.length === 0) return { output: opened };
          break;
        }
        survey.put(source.read(opened.value));
        const measurement = measureFrame(survey.current(), {
          ...input,
          patches: patchesAt(patches, keyed, frame),
        });
        samples.push({ frame, measurement });
      }
      return { output: success(samples) };
    },
  };
};
