import { describe, expect, it, vi } from 'vitest';
import { failure, success } from '#core/result.ts';
import type { ClipInfo, FrameInfo, JudgeJobs } from '#workers/judge/protocol.ts';
import { since1970 } from '#workers/judge/clock.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { FeedSource } from './feeding.ts';
import { createMoving } from './moving.ts';
import { createPulse } from './pulse.ts';

const info = (width = 1920): FrameInfo => ({ width, height: 1080, bitDepth: 8, range: 'legal' }) as FrameInfo;
const clip = (frames: number): ClipInfo => ({
  times: Float64Array.from({ length: frames }, (_, n) => n / 50),
  rate: 50,
  variable: false,
  seconds: frames / 50,
});

/** Slow machines get their time. */
const PATIENT = { timeout: 20_000 };

/**
 * A bench whose worker answers by a script: each job’s answers in turn, the last one for ever; a function is
 * asked for it.
 */
const bench = (script: Partial<Record<keyof JudgeJobs, readonly unknown[]>>) => {
  const asked: { job: string; input: unknown }[] = [];
  const turns = new Map<string, number>();
  const judge = {
    call: async (job: keyof JudgeJobs, input: unknown) => {
      asked.push({ job, input });
      const answers = script[job] ?? [undefined];
      const turn = turns.get(job) ?? 0;
      turns.set(job, turn + 1);
      const scripted = answers[Math.min(turn, answers.length - 1)];
      const answer: unknown = typeof scripted === 'function' ? scripted() : scripted;
      // As a worker does: later.
      await new Promise((resolve) => setTimeout(resolve, 1));
      return answer === 'cancelled' ? { state: 'cancelled' } : { state: 'done', output: answer };
    },
  } as unknown as Client<JudgeJobs>;
  const pulse = createPulse();
  const told = { opened: vi.fn(), reread: vi.fn(), failed: vi.fn(), waiting: vi.fn(), ended: vi.fn() };
  return { asked, pulse, told, moving: createMoving(judge, pulse, told) };
};

const source = (): FeedSource & { gone: () => void; ended: number } => {
  let leave = () => {};
  const made = {
    name: 'Stand-in',
    frames: new ReadableStream<VideoFrame>(),
    ended: 0,
    end: () => {
      made.ended += 1;
    },
    onGone: (gone: () => void) => {
      leave = gone;
    },
    gone: () => leave(),
  };
  return made;
};

describe('a clip', () => {
  it('plays to its end, shows frames in order and counts what it left out', async () => {
    const { moving, asked } = bench({ seek: [success(info())] });
    await moving.play('falls.y4m', clip(4));
    const frames = asked.map(({ input }) => (input as { frame: number }).frame);
    expect(frames).toEqual(frames.toSorted((a, b) => a - b));
    expect(frames.at(-1)).toBe(3);
    const { at, running, shown, dropped } = moving.getState();
    expect([at, running]).toEqual([3, false]);
    // Frame 0 stood there before.
    expect(shown + dropped).toBe(3);
  });

  it('leaves out what is overdue when pictures take long to draw', async () => {
    const { moving, pulse } = bench({ seek: [success(info())] });
    pulse.listen(() => new Promise((resolve) => setTimeout(resolve, 45)));
    await moving.play('falls.y4m', clip(14));
    expect(moving.getState().dropped).toBeGreaterThan(0);
    expect(moving.getState().at).toBe(13);
  });

  it('says what is wrong with a frame and stops; a seek that is overtaken changes nothing', async () => {
    const bad = failure('frame 2', 'It could not be decoded.');
    const { moving, told } = bench({ seek: [success(info()), bad] });
    await moving.play('cut.mp4', clip(4));
    expect(told.failed).toHaveBeenCalledWith('cut.mp4', bad);
    expect(moving.getState().running).toBe(false);
    const other = bench({ seek: ['cancelled'] });
    expect(await other.moving.seek('cut.mp4', 2)).toBe(false);
    expect(other.moving.getState().at).toBe(0);
    expect(other.told.failed).not.toHaveBeenCalled();
  });
});

describe('a feed', () => {
  /** A picture that came ten milliseconds before it is answered. */
  const picture =
    (seconds: number, width = 1920) =>
    () =>
      success({ info: info(width), seconds, arrivedAt: since1970() - 10, dropped: 1 });

  it('is opened with its first picture, followed, and tells how late and how much was left out', async () => {
    const { moving, told } = bench({ feed: [picture(0)], feedNext: [picture(0.04)] });
    const from = source();
    await moving.startFeed(from, 'legal');
    expect(told.opened).toHaveBeenCalledOnce();
    await vi.waitFor(() => expect(moving.getState().shown).toBeGreaterThan(3), PATIENT);
    const { dropped, shown, late } = moving.getState();
    // One before each picture; more where this machine is so slow that pictures grow old.
    expect(dropped).toBeGreaterThanOrEqual(shown);
    expect(late).toBeGreaterThanOrEqual(10);
    moving.pause();
    expect(from.ended).toBe(1);
    expect(moving.getState().running).toBe(false);
  });

  it('that changes its size on the way is read anew', async () => {
    const { moving, told } = bench({ feed: [picture(0)], feedNext: [picture(0.04), picture(0.08, 1280)] });
    await moving.startFeed(source(), 'legal');
    await vi.waitFor(() => expect(told.reread).toHaveBeenCalledWith(info(1280)), PATIENT);
    expect(told.reread).toHaveBeenCalledOnce();
    moving.pause();
  });

  it('whose device goes away says so once; a refused one lets the device go', async () => {
    const { moving, told } = bench({ feed: [picture(0)], feedNext: [picture(0.04)] });
    const from = source();
    await moving.startFeed(from, 'legal');
    from.gone();
    from.gone();
    expect(told.failed).toHaveBeenCalledOnce();
    expect(told.failed.mock.calls[0][1].reason).toMatch(/plug it in again/);
    const refused = bench({ feed: [failure('feed', 'No picture has come.')] });
    const other = source();
    await refused.moving.startFeed(other, 'legal');
    expect(other.ended).toBe(1);
    expect(refused.told.opened).not.toHaveBeenCalled();
  });

  it('makes way for the next one', async () => {
    const { moving, told } = bench({ feed: [picture(0)], feedNext: [picture(0.04)] });
    const [first, second] = [source(), source()];
    await moving.startFeed(first, 'legal');
    await moving.startFeed(second, 'legal');
    expect([first.ended, second.ended]).toEqual([1, 0]);
    // The first one’s end is not an error any more.
    first.gone();
    expect(told.failed).not.toHaveBeenCalled();
    moving.reset();
    expect(moving.getState().at).toBe(0);
  });
});

describe('a pulse', () => {
  it('asks the picture first, whoever listened first, and tells when it is drawn', async () => {
    const pulse = createPulse();
    const log: string[] = [];
    const later = (name: string, ms: number) => async () => {
      log.push(`${name} asked`);
      await new Promise((resolve) => setTimeout(resolve, ms));
      log.push(`${name} drawn`);
    };
    pulse.listen(later('scope', 30));
    const end = pulse.listen(later('picture', 1), 'picture');
    await pulse.beat(() => log.push('told'));
    expect(log).toEqual(['picture asked', 'scope asked', 'picture drawn', 'told', 'scope drawn']);
    end();
    await pulse.beat();
    expect(log.slice(5)).toEqual(['scope asked', 'scope drawn']);
  });

  it('goes on when one of them fails', async () => {
    const pulse = createPulse();
    pulse.listen(async () => {
      throw new Error('no canvas');
    });
    const drawn = vi.fn(async () => undefined);
    pulse.listen(drawn);
    await pulse.beat();
    expect(drawn).toHaveBeenCalledOnce();
  });
});
