import { describe, expect, it, vi } from 'vitest';
import type { JudgeJobs } from '#workers/judge/protocol.ts';
import { lutHandlers } from '#workers/luts/handlers.ts';
import type { LutJobs } from '#workers/luts/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import { plainContext } from '#workers/rpc/fixtures/context.ts';
import type { Database } from '#store/database.ts';
import { demoLuts } from '#store/demo/luts.ts';
import { createLutShelf, lutSpecOf } from './lutShelf.ts';

const CUBE = `LUT_3D_SIZE 2\n${Array.from({ length: 8 }, (_, i) => `${i & 1} ${(i >> 1) & 1} ${i >> 2}`).join('\n')}\n`;

/**
 * A shelf with the real LUT worker’s jobs, a judging worker that writes down what it was given, and a few
 * stored texts.
 */
const shelf = (texts: Record<string, string> = {}) => {
  const handlers = lutHandlers();
  const given: string[] = [];
  const ends: Record<'judge' | 'luts', (() => void)[]> = { judge: [], luts: [] };
  const luts = {
    onEnded: (ended: () => void) => ends.luts.push(ended),
    call: async (job: keyof LutJobs, input: never) => ({
      state: 'done',
      output: (await handlers[job](input, plainContext)).output,
    }),
  } as unknown as Client<LutJobs>;
  const judge = {
    onEnded: (ended: () => void) => ends.judge.push(ended),
    call: (_job: string, { id }: { id: string }) => {
      given.push(id);
      return Promise.resolve({ state: 'done', output: { ok: true } });
    },
  } as unknown as Client<JudgeJobs>;
  const get = vi.fn((id: string) =>
    Promise.resolve(texts[id] === undefined ? undefined : { id, text: texts[id] }),
  );
  const database = { rows: () => ({ get }) } as unknown as Database;
  return {
    given,
    get,
    end: (one: 'judge' | 'luts') => ends[one].forEach((ended) => ended()),
    shelf: createLutShelf(judge, luts, database),
  };
};
const file = (name: string, text: string) => new File([text], name);

describe('the LUT shelf of a window', () => {
  it('opens a file onto both workers, under an id of its own each time', async () => {
    const { shelf: one, given } = shelf();
    const first = await one.open(file('a.cube', CUBE));
    const second = await one.open(file('b.cube', CUBE));
    expect(first).toMatchObject({ ok: true, value: { name: 'a.cube', text: CUBE, invertible: false } });
    expect(given).toHaveLength(2);
    expect(new Set(given).size).toBe(2);
    expect(second.ok && given.includes(second.value.id)).toBe(true);
  });

  it('one that is none reaches no other worker', async () => {
    const { shelf: one, given } = shelf();
    expect(await one.open(file('a.cube', 'LUT_3D_SIZE 2\n0 0 0\n'))).toMatchObject({
      ok: false,
      where: 'end of file',
    });
    expect(given).toEqual([]);
  });

  it('brings the file of a kept LUT once, and says when it is gone; a recipe needs none', async () => {
    const { shelf: one, get, given } = shelf({ own: CUBE });
    const own = { id: 'own', name: 'Own' };
    const [a, b] = await Promise.all([one.bring(own), one.bring(own)]);
    expect([a.ok, b.ok]).toEqual([true, true]);
    expect(get).toHaveBeenCalledTimes(1);
    expect(given).toEqual(['own']);
    expect(await one.bring({ id: 'lost', name: 'Lost' })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('Lost'),
    });
    await one.bring({ id: 'lost', name: 'Lost' });
    expect(get).toHaveBeenCalledTimes(3);
    await one.bring(demoLuts[0]);
    expect(get).toHaveBeenCalledTimes(3);
  });

  it('forgets what was refused or never came, and brings everything again to a worker that was replaced', async () => {
    const { shelf: one, get, given, end } = shelf({ own: CUBE });
    const own = { id: 'own', name: 'Own' };
    get.mockImplementationOnce(() => Promise.reject(new Error('disk')));
    expect(await one.bring(own)).toMatchObject({ ok: false, reason: expect.stringContaining('disk') });
    expect(await one.bring(own)).toMatchObject({ ok: true });
    expect(given).toEqual(['own']);
    end('judge');
    expect(await one.bring(own)).toMatchObject({ ok: true });
    end('luts');
    expect(await one.bring(own)).toMatchObject({ ok: true });
    expect(given).toEqual(['own', 'own', 'own']);
  });

  it('asks for a recipe as a recipe, for a file by its id', () => {
    expect(lutSpecOf(demoLuts[0])).toEqual({ kind: 'recipe', recipe: demoLuts[0].recipe });
    expect(lutSpecOf({ ...demoLuts[0], recipe: undefined })).toMatchObject({
      kind: 'kept',
      id: demoLuts[0].id,
      scale: 'signal',
    });
  });
});
