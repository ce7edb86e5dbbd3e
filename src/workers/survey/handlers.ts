import { framesToSurvey } from '#core/clips/framesToSurvey.ts';
import { pairClips } from '#core/clips/pairing.ts';
import type { OpenedFrame } from '#core/formats/opened.ts';
import type { Kernels } from '#core/kernels/types.ts';
import { measurePatchLight, readByProfile, type LightReading } from '#core/match/measurePatches.ts';
import { tonesOf } from '#core/match/tones.ts';
import { failure, success, type Result } from '#core/result.ts';
import { refindMarks, type FoundMark } from '#core/scopes/refind.ts';
import { measureFrame } from '#core/scopes/measureFrame.ts';
import { isStill, openClip } from '../judge/clips/open.ts';
import type { ClipSource } from '../judge/clips/source.ts';
import { createHolder, infoOf } from '../judge/holder.ts';
import { thumbnailOf } from '../judge/look.ts';
import type { Handlers, JobContext } from '../rpc/serve.ts';
import type { SurveyedClip, SurveyJobs } from './protocol.ts';

/** Which of the measured frames are kept as pictures. */
const pictured = (count: number) => new Set([0, Math.floor(count / 2), count - 1]);

type Opener = typeof openClip;

/** Clips one after the other; nothing of one is kept for the next. @param open Opens a clip; tests bring their own. */
export const surveyHandlers = (kernels: Kernels, open: Opener = openClip): Handlers<SurveyJobs> => {
  const holder = createHolder(kernels);

  const look = async (
    clip: ClipSource,
    {
      thumbnails: picture,
      reading: asked,
      remembered = [],
      file: _file,
      ...options
    }: SurveyJobs['survey']['input'],
    { step, outside }: Pick<JobContext, 'step' | 'outside'>,
  ): Promise<Result<SurveyedClip>> => {
    const { times, ...info } = clip.info;
    const frames = framesToSurvey(times.length, info.seconds);
    const keep = pictured(frames.length);
    const samples: SurveyedClip['samples'][number][] = [];
    const thumbnails: Uint8Array<ArrayBuffer>[] = [];
    let first: OpenedFrame | undefined;
    let marks: readonly FoundMark[] = [];
    let cutShort: string | undefined;
    let reading: LightReading | undefined;
    await outside(async () => clip.expect?.(frames));
    for (const [i, frame] of frames.entries()) {
      await step(`Frame ${i + 1} of ${frames.length}`, i / frames.length);
      const opened = await outside(() => clip.frameAt(frame, asked));
      // A clip that is cut short is judged as far as it goes.
      if (!opened.ok) {
        if (!first) return opened;
        cutShort = opened.reason;
        break;
      }
      holder.put(opened.value);
      first ??= holder.current().opened;
      const held = holder.current();
      // Where they were in the frame before they are looked for first.
      marks = remembered.length > 0 ? refindMarks(held.frame, remembered, marks).found : [];
      const measurement = measureFrame(held, { ...options, patches: [...options.patches, ...marks] });
      reading ??= readByProfile(options.profile, held.frame, options.floorStops);
      const { gamut } = options.profile;
      const light = reading;
      samples.push({
        frame,
        at: times[frame] - times[0],
        measurement,
        marks,
        lights: marks.map(({ id, kind, rect }) => ({
          name: id,
          kind,
          ...measurePatchLight(held.frame, rect, light, gamut),
        })),
        tones: tonesOf(held.frame, light, gamut),
      });
      if (keep.has(i)) thumbnails.push(thumbnailOf(kernels, holder.current(), picture));
    }
    if (!first) return failure('clip', 'It holds no frame: copy it from the card again.');
    const chroma = first.frame.source?.chroma;
    return success({
      coding: infoOf(first),
      clip: { ...info, frames: times.length },
      facts: clip.facts ?? {},
      ...(chroma ? { chroma } : {}),
      samples,
      thumbnails,
      ...(cutShort === undefined ? {} : { cutShort }),
    });
  };

  return {
    survey: async (input, { signal, tell, step, outside }) => {
      await step('Opening', 0);
      if (await outside(() => isStill(input.file)))
        return { output: failure('file', 'It is a still, not a clip: open it in Judge.') };
      const clip = await outside(() => open(input.file, (words) => tell(words, 0), signal));
      if (!clip.ok) return { output: clip };
      const close = () => clip.value.close();
      signal.addEventListener('abort', close, { once: true });
      try {
        const output = await look(clip.value, input, { step, outside });
        return { output, transfer: output.ok ? output.value.thumbnails.map(({ buffer }) => buffer) : [] };
      } finally {
        signal.removeEventListener('abort', close);
        close();
      }
    },

    pair: async ({ clips, takes, offset }) => ({ output: pairClips(clips, takes, offset) }),
  };
};
