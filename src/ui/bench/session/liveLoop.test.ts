import { describe, expect, it } from 'vitest';
import { failure, success } from '#core/result.ts';
import { runLive } from './liveLoop.ts';

describe('a moving picture', () => {
  it('asks for the next picture once the last one’s parts are asked for, and never two ahead', async () => {
    const log: string[] = [];
    let n = 0;
    await runLive(
      () => n >= 4,
      async () => {
        n += 1;
        log.push(`step ${n}`);
        return success({ at: n, dropped: 0 });
      },
      async ({ at }) => {
        log.push(`show ${at}`);
        await Promise.resolve();
        log.push(`shown ${at}`);
      },
    );
    expect(log.indexOf('step 2')).toBeGreaterThan(log.indexOf('show 1'));
    for (const k of [1, 2, 3])
      expect(log.indexOf(`show ${k + 1}`)).toBeGreaterThan(log.indexOf(`shown ${k}`));
    expect(log.at(-1)).toBe('shown 4');
  });

  it('leaves out a step that grew old while it waited, and counts it with what was left out before it', async () => {
    const steps = [1, 2, 3, 4].map((at) => ({ at, dropped: at === 2 ? 3 : 0 }));
    const shown: [at: number, dropped: number][] = [];
    let n = 0;
    await runLive(
      () => n >= steps.length,
      async () => success(steps[Math.min(n++, steps.length - 1)]),
      async ({ at, dropped }) => {
        shown.push([at, dropped]);
      },
      ({ at }) => at === 2,
    );
    expect(shown.slice(0, 2)).toEqual([
      [1, 0],
      [3, 4],
    ]);
  });

  it('ends with what went wrong, and says nothing of it once it was stopped', async () => {
    const bad = failure('device', 'It is gone.');
    expect(
      await runLive(
        () => false,
        async () => bad,
        async () => undefined,
      ),
    ).toEqual(bad);
    expect(
      await runLive(
        () => true,
        async () => bad,
        async () => undefined,
      ),
    ).toBeUndefined();
    expect(
      await runLive(
        () => false,
        async () => undefined,
        async () => undefined,
      ),
    ).toBeUndefined();
  });
});
