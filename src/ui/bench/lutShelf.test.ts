import { describe, expect, it, vi } from 'vitest';
import type { JudgeJobs } from '#workers/judge/protocol.ts';
import { lutHandlers } from '#workers/luts/handlers.ts';
import type { LutJobs } from '#workers/luts/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Database } from '#store/database.ts';
import { demoLuts } from '#store/demoLuts.ts';
import { createLutShelf, wishOf } from './lutShelf.ts';

const CUBE = `LUT_3D_SIZE 2\n${Array.from({ length: 8 }, (_, i) => `${i & 1} ${(i >> 1) & 1} ${i >> 2}`).join('\n')}\n`;

/** A shelf with the real LUT worker’s jobs, a judging worker that writes down what it was given, and a few stored texts. */
const shelf = (texts: Record<string, string> = {}) => {
  const handlers = lutHandlers();
  const given: string[] = [];
  const luts = {
    call: async (job: keyof LutJobs, input: never) => ({
      state: 'done',
      output: (await handlers[job](input, { step: () => Promise.resolve() })).output,
    }),
  } as unknown as Client<LutJobs>;
  const judge = {
    call: (_job: string, { id }: { id: string }) => {
      given.push(id);
      return Promise.resolve({ state: 'done', output: { ok: true } });
    },
  } as unknown as Client<JudgeJobs>;
  const get = vi.fn((id: string) =>
    Promise.resolve(texts[id] === undefined ? undefined : { id, text: texts[id] }),
  );
  const start = vi.fn(() => luts);
  const database = { rows: () => ({ get }) } as unknown as Database;
  return { given, get, start, shelf: createLutShelf(judge, database, start) };
};
const file = (name: string, text: string) => new File([text], name);

describe('the LUT shelf of a window', () => {
  it('opens a file onto both workers, under an id of its own each time', async () => {
    const { shelf: one, given, start } = shelf();
    expect(start).not.toHaveBeenCalled();
    const first = await one.open(file('a.cube', CUBE));
    const second = await one.open(file('b.cube', CUBE));
    expect(first).toMatchObject({ ok: true, value: { name: 'a.cube', text: CUBE, invertible: false } });
    expect(given).toHaveLength(2);
    expect(new Set(given).size).toBe(2);
    expect(second.ok && given.includes(second.value.id)).toBe(true);
    expect(start).toHaveBeenCalledTimes(1);
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

  it('asks for a recipe as a recipe, for a file by its id', () => {
    expect(wishOf(demoLuts[0])).toEqual({ kind: 'recipe', recipe: demoLuts[0].recipe });
    expect(wishOf({ ...demoLuts[0], recipe: undefined })).toMatchObject({
      kind: 'kept',
      id: demoLuts[0].id,
      scale: 'signal',
    });
  });
});
