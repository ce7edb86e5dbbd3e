// A clip looked at from its beginning to its end, on recordings of our own; and what cannot be looked at.
import { describe, expect, it } from 'vitest';
import { framesToSurvey } from '#core/clips/framesToSurvey.ts';
import { openedVideo } from '#core/formats/video.ts';
import { EXACT } from '#core/frame/tags.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { ARCHETYPES } from '#core/profile/index.ts';
import { failure, success, type Result } from '#core/result.ts';
import { pace, steady, type ClipSource } from '../judge/clips/source.ts';
import { plainContext as context } from '../rpc/fixtures/context.ts';
import { surveyHandlers } from './handlers.ts';

const [WIDE, HIGH] = [64, 36];
const LAYOUT = { kind: 'planar', chroma: '4:2:2', bitDepth: 10 } as const;

/** Flat frames of a luma code each, as a decoder gives them. */
const flat = (code: number) => {
  const n = WIDE * HIGH;
  const samples = new Uint16Array(2 * n).fill(512);
  samples.fill(code, 0, n);
  return new Uint8Array(samples.buffer);
};
const clipOf = (
  codeAt: (n: number) => number,
  frames: number,
  upTo = frames,
): ClipSource & { closed: number } => {
  const times = steady(frames, 25);
  const source = {
    info: { times, ...pace(times, 0.04) },
    facts: { timecode: '10:00:00:00', startedAt: 1_790_000_000 },
    frameAt: async (n: number, options: Parameters<ClipSource['frameAt']>[1]) =>
      n >= upTo
        ? failure(`frame ${n + 1}`, 'The clip ends before this frame.')
        : success(
            openedVideo(
              {
                width: WIDE,
                height: HIGH,
                layout: LAYOUT,
                bytes: flat(codeAt(n)),
                container: 'MP4, avc1',
                tags: { range: 'legal' },
                exactness: EXACT,
              },
              options,
            ),
          ),
    closed: 0,
    close: () => {
      source.closed += 1;
    },
  };
  return source;
};

const surveyOf = (opened: Result<ClipSource>) => {
  const { survey } = surveyHandlers(PLAIN, async () => opened);
  const { wideLog } = ARCHETYPES;
  return survey(
    {
      file: new Blob([new Uint8Array(500)]),
      reading: { range: 'legal' },
      profile: wideLog,
      clipStops: wideLog.clipStops,
      floorStops: -6,
      patches: [],
      thumbnails: { profile: wideLog, pullStops: 0, width: 32 },
    },
    context,
  );
};

describe('a survey', () => {
  it('looks at frames all over the clip, keeps three pictures, tells its facts, and closes it', async () => {
    const clip = clipOf((n) => 300 + n, 250);
    const { output } = await surveyOf(success(clip));
    if (!output.ok) throw new Error(output.reason);
    const { samples, thumbnails, facts, clip: info, chroma, coding } = output.value;
    expect(samples.map(({ frame }) => frame)).toEqual(framesToSurvey(250, 10));
    expect(samples[0].at).toBeCloseTo(samples[0].frame / 25);
    // Each frame's own codes were counted.
    const levels = samples.map(({ measurement: { histogram } }) => histogram.indexOf(Math.max(...histogram)));
    expect(levels).toEqual(levels.toSorted((a, b) => a - b));
    expect(new Set(levels).size).toBe(levels.length);
    expect(thumbnails).toHaveLength(3);
    expect(facts.timecode).toBe('10:00:00:00');
    expect(info).toMatchObject({ frames: 250, seconds: 10, rate: 25, variable: false });
    expect(chroma).toBe('4:2:2');
    expect(coding).toMatchObject({ bitDepth: 10, range: 'legal', width: WIDE, height: HIGH });
    expect(clip.closed).toBe(1);
  });

  it('of a clip that is cut short goes as far as there are frames', async () => {
    const { output } = await surveyOf(success(clipOf(() => 400, 250, 100)));
    if (!output.ok) throw new Error(output.reason);
    expect(output.value.cutShort).toMatch(/ends before/);
    expect(output.value.samples.every(({ frame }) => frame < 100)).toBe(true);
  });

  it('of a clip without a frame, and of one that does not open, is refused in a sentence', async () => {
    const none = await surveyOf(success(clipOf(() => 400, 250, 0)));
    expect(none.output).toMatchObject({ ok: false, reason: expect.stringMatching(/ends before this frame/) });
    const empty = await surveyOf(success(clipOf(() => 400, 0)));
    expect(empty.output).toMatchObject({ ok: false, reason: expect.stringMatching(/no frame/) });
    expect((await surveyOf(failure('byte 0', 'The file is empty.'))).output).toMatchObject({ ok: false });
  });
});

describe('frames to look at', () => {
  it.each([
    [3, 0.12, 3],
    [50, 2, 7],
    [1500, 60, 19],
    [12_000, 480, 48],
    [1_000_000, 36_000, 48],
    [0, 0, 0],
  ])('%s frames, %s s: %s of them, rising, all inside', (frames, seconds, count) => {
    const found = framesToSurvey(frames, seconds);
    expect(found).toHaveLength(count);
    expect(new Set(found).size).toBe(count);
    expect(found.every((frame, i) => frame < frames && (i === 0 || frame > found[i - 1]))).toBe(true);
  });
});
