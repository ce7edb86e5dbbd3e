import { glanceAt, type Before, type Glance, type TestMarks } from '#core/cameraTest/find/glance.ts';
import type { LookedAt } from '#core/cameraTest/find/holds.ts';
import type { Frame } from '#core/frame/frame.ts';
import { failure, success, type Result } from '#core/result.ts';
import { refindMarks } from '#core/scopes/refind.ts';
import type { Remembered } from '#core/scopes/looks.ts';
import { asRecorded } from '#core/scopes/asRecorded.ts';
import { codeToSignal, type Coding } from '#core/signal/scale.ts';
import type { ClipSource } from '../judge/clips/source.ts';
import type { createHolder } from '../judge/holder.ts';
import type { JobContext } from '../rpc/serve.ts';
import type { CameraTestJobs, LookedClip, SmallPicture } from './protocol.ts';

/** Looks a second: a hold of four seconds is seen eight times. */
const LOOKS = 2;
/** Most looks at one clip: half an hour of it. */
const MOST_LOOKS = 7200;
/** A file so short is one shot, seconds; its end is left out, where a hand goes to the button. */
const ONE_SHOT = 5.5;
const END = 0.75;
/** So much of it is looked at in any case, seconds. */
const LEAST = 3;
/** While a decoder works another clip is looked at. */
const WAITING = { freesLane: true } as const;
/** Width of small pictures in the strip. */
const STRIP_WIDTH = 96;
/** A card found elsewhere than it was marked moves its mark from here on, of 1. */
const REFOUND = 0.8;

/** What is kept of a clip: what each look told, and its small pictures. */
export type Kept = {
  readonly looked: LookedAt;
  readonly pictures: readonly { at: number; picture: SmallPicture }[];
};
/** Marks moved as the card has moved, where it is found again by its surroundings. */
const movedMarks = (frame: Frame, marks: TestMarks, card: Remembered | undefined): TestMarks => {
  if (!card) return marks;
  const [found] = refindMarks(frame, [card]).found;
  if (!found || found.score < REFOUND) return marks;
  const { x, y, width, height } = found.rect;
  const rect = {
    x: x / frame.width,
    y: y / frame.height,
    width: width / frame.width,
    height: height / frame.height,
  };
  const [dx, dy] = [rect.x - marks.card.x, rect.y - marks.card.y];
  return {
    card: rect,
    ...(marks.chip ? { chip: { ...marks.chip, x: marks.chip.x + dx, y: marks.chip.y + dy } } : {}),
  };
};

/** Looks at a clip some times a second. `card`: what stands round the card, to find it by where it has moved. */
export const lookAtClip = async (
  clip: ClipSource,
  { id, range, marks }: CameraTestJobs['look']['input'],
  { holder, card }: { readonly holder: ReturnType<typeof createHolder>; readonly card?: Remembered },
  { step, outside }: Pick<JobContext, 'step' | 'outside'>,
): Promise<Result<{ readonly told: LookedClip; readonly kept: Kept }>> => {
  const { times, variable, seconds, rate } = clip.info;
  const every = Math.max(1, Math.round(rate / LOOKS), Math.ceil(times.length / MOST_LOOKS));
  const long = times[times.length - 1] - times[0];
  const upTo = long < ONE_SHOT ? Math.max(LEAST, long - END) : Infinity;
  const frames = Array.from({ length: Math.ceil(times.length / every) }, (_, i) => i * every).filter(
    (n) => times[n] - times[0] <= upTo,
  );
  const glances: Glance[] = [];
  const pictures: Kept['pictures'][number][] = [];
  let coding: Coding | undefined;
  let codec = '';
  let before: Before | undefined;
  let placed = marks;
  let cutShort: string | undefined;
  await outside(async () => clip.expect?.(frames), WAITING);
  for (const [i, n] of frames.entries()) {
    if (i % LOOKS === 0) await step(`Second ${(times[n] - times[0]).toFixed(0)}`, i / frames.length);
    const got = await outside(() => clip.frameAt(n, { range }), WAITING);
    if (!got.ok) {
      if (glances.length === 0) return got;
      cutShort = got.reason;
      break;
    }
    holder.put(got.value);
    const { frame } = holder.current();
    if (!coding) {
      coding = { bitDepth: frame.bitDepth, range: frame.range };
      codec = got.value.container;
      placed = movedMarks(frame, marks, card);
    }
    const at = times[n] - times[0];
    const { glance, kept: next } = glanceAt(frame, at, placed, before);
    before = next;
    glances.push(glance);
    // One a second is enough to know a shot by, and half an hour of them stays small.
    if (i % LOOKS === 0) pictures.push({ at, picture: asRecorded(frame, STRIP_WIDTH) });
  }
  if (!coding) return failure('clip', 'It holds no frame: copy it from the card again.');
  const perCode = codeToSignal(1, coding) - codeToSignal(0, coding);
  const told: LookedClip = {
    seconds,
    frames: times.length,
    coding,
    codec,
    isVariable: variable,
    ...(cutShort === undefined ? {} : { cutShort }),
  };
  return success({ told, kept: { looked: { name: id, glances, perCode }, pictures } });
};
