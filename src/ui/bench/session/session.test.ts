import { describe, expect, it, vi } from 'vitest';
import { until } from '#store/fixtures/openBooks.ts';
import { failure } from '#core/result.ts';
import { dialledLight } from '../benchModel.ts';
import { eachHere, numbers, selection, target } from '../fixtures/eachHere.ts';
import { clipFile, patch, stillFile } from '../fixtures/files.ts';
import type { Card } from '../hooks.ts';
import { logTake } from '../logTake.ts';
import { buildFor, FIRST_BUILD } from './lutWork.ts';

const card: Card = {
  numbers,
  profile: { name: 'wide log', data: target.profile, isDraft: false },
  target,
  light: dialledLight(selection),
};

const { here, session, state } = eachHere();
const press = (id: string) =>
  logTake(here().services, { selection, card, muted: [], now: new Date('2026-04-14T10:00:00Z'), id });

describe('opening', () => {
  it('the newest of two files stays, whichever is read first', async () => {
    const slow = stillFile('slow.png', 300);
    const bytes = slow.slice.bind(slow);
    slow.slice = (...part) => bytes(...part);
    const first = session().frame.openFile(slow, 'legal');
    const second = session().frame.openFile(stillFile('newer.png', 500), 'legal');
    await Promise.all([first, second]);
    expect(state()).toMatchObject({ frame: { name: 'newer.png' }, busy: undefined, failure: undefined });
    await session().frame.measure(target);
    expect(state().measured?.measurement.histogram[500]).toBe(64 * 36);
  });

  it('a file given up leaves what was there, and says nothing', async () => {
    await session().frame.openFile(stillFile('a.png', 300), 'legal');
    const opening = session().frame.openFile(stillFile('b.png', 500), 'legal');
    session().frame.cancelOpening();
    await opening;
    expect(state()).toMatchObject({ frame: { name: 'a.png' }, busy: undefined, failure: undefined });
  });

  it('what is none is named, and the frame, its marks and its numbers stay', async () => {
    await session().frame.openFile(stillFile('a.png', 300), 'legal');
    session().frame.setPatch(patch);
    await session().frame.measure(target);
    const before = state();
    await session().frame.openFile(new File(['a list of takes'], 'takes.txt'), 'legal');
    expect(state().failure).toMatchObject({ name: 'takes.txt' });
    expect(state()).toMatchObject({
      frame: before.frame,
      patches: before.patches,
      measured: before.measured,
    });
    session().notice.dismiss();
    expect(state().failure).toBeUndefined();
  });

  it('a measurement of the picture before is not taken for the one that is there', async () => {
    await session().frame.openFile(stillFile('a.png', 300), 'legal');
    const late = await session().frame.measureNow(target);
    await session().frame.openFile(stillFile('b.png', 500), 'legal');
    expect(late && session().frame.keep(late)).toBe(false);
    expect(state().measured).toBeUndefined();
    const before = state().frame;
    const old = await session().frame.measureNow(target);
    await session().frame.reread({ range: 'full' });
    // The same file, read another way since: what was measured before does not hold.
    expect(state().frame?.info.opening).toBe(before?.info.opening);
    expect(old && session().frame.keep(old)).toBe(false);
  });
});

describe('a take', () => {
  it('is of one moment: card, picture, number, and what is measured of it', async () => {
    await session().frame.openFile(clipFile('falls.y4m', [400, 500, 600]), 'legal');
    session().frame.setPatch(patch);
    await session().moving.seek('falls.y4m', 2);
    session().frame.setPatch({ ...patch, rect: { ...patch.rect, x: 40 } });
    const take = await press('take-1');
    expect(take).toMatchObject({
      number: 1,
      measured: { file: 'falls.y4m', source: { kind: 'clip', at: 3 } },
    });
    expect(take?.measured?.patches?.[0].g).toBeCloseTo(600, 0);
    expect(await here().services.database.rows('thumbnails').get('take-1')).toBeDefined();
    // At once after another picture was asked for, it is whole all the same.
    const [, again] = await Promise.all([session().moving.seek('falls.y4m', 0), press('take-2')]);
    const at = again?.measured?.source?.at;
    expect(again?.measured?.patches?.[0].g).toBeCloseTo(at === 1 ? 400 : 600, 0);
    expect(again?.number).toBe(2);
  });

  it('of which the picture changed meanwhile is not logged, and it says so', async () => {
    await session().frame.openFile(stillFile('a.png', 300), 'legal');
    const { frame } = session();
    const other: typeof frame.capture = async (...asked) => {
      const captured = await frame.capture(...asked);
      return captured && { ...captured, opening: captured.opening + 1 };
    };
    const services = { ...here().services, session: { ...session(), frame: { ...frame, capture: other } } };
    const moment = { selection, card, muted: [], now: new Date(), id: 'changed' };
    expect(await logTake(services, moment)).toBeUndefined();
    expect(state().failure?.reason).toBe('It changed while the take was logged: log the take again.');
    expect(await here().services.database.rows('takes').get('changed')).toBeUndefined();
  });

  it('without a frame it is the card alone; with a worker that ends, too', async () => {
    expect(await press('alone')).toMatchObject({ number: 1, measured: undefined });
    await session().frame.openFile(stillFile('a.png', 300), 'legal');
    const logging = press('ended');
    await Promise.resolve();
    here().judge.end();
    const take = await logging;
    expect(take === undefined || take.measured === undefined || take.measured.file === 'a.png').toBe(true);
    await until(() => state().failure !== undefined);
  });
});

describe('the scene of a set-up', () => {
  const follow = (setup: 'bench-interview' | 'packing-yard', options?: { readonly overFile: boolean }) =>
    session().stage.follow({ id: setup, setupId: setup, people: [] }, options);

  it('follows the set-up, whatever notice is open', async () => {
    follow('bench-interview');
    await until(() => state().stage?.standing.id === 'bench-interview');
    session().notice.tell('LUT', failure('LUT', 'Something else is wrong.'));
    follow('packing-yard');
    await until(() => state().stage?.standing.id === 'packing-yard');
  });

  it('is asked for once where it cannot be opened, and again for another set-up', async () => {
    const fetched = vi.fn(async () => new Response('gone', { status: 404 }));
    vi.stubGlobal('fetch', fetched);
    follow('bench-interview');
    await until(() => state().failure !== undefined);
    const count = fetched.mock.calls.length;
    follow('bench-interview');
    expect(fetched.mock.calls).toHaveLength(count);
    follow('packing-yard');
    await until(() => fetched.mock.calls.length > count);
    await until(() => state().busy === undefined);
  });

  it('leaves a file of the user’s on the bench, unless it is told to take its place', async () => {
    await session().frame.openFile(stillFile('own.png', 300), 'legal');
    follow('bench-interview');
    expect(state()).toMatchObject({ frame: { name: 'own.png' }, busy: undefined });
    follow('bench-interview', { overFile: true });
    await until(() => state().stage?.standing.id === 'bench-interview');
    expect(state().stage?.turned).toEqual({});
  });
});

describe('the LUTs screen', () => {
  it('a build that is moved belongs to its plan alone, and is the plan’s once it is let go', () => {
    const moved = { ...FIRST_BUILD, saturation: 1.4 };
    session().luts.moveBuild('furnace-mouth:a-cam', moved);
    const { movingBuild } = state();
    expect(buildFor({ id: 'furnace-mouth:a-cam' }, movingBuild)).toBe(moved);
    expect(buildFor({ id: 'furnace-mouth:b-cam' }, movingBuild)).toBe(FIRST_BUILD);
    session().luts.settleBuild();
    expect(buildFor({ id: 'furnace-mouth:a-cam', lutBuild: moved }, state().movingBuild)).toBe(moved);
  });

  const CUBE = `LUT_1D_SIZE 2\n0 0 0\n1 1 1\n`;
  it('has one opened file, read one way wherever it is looked at', async () => {
    session().luts.setChain({ inverse: true });
    expect(await session().luts.openFile(new File([CUBE], 'own.cube'))).toBe(true);
    expect(state()).toMatchObject({
      openedLut: { name: 'own.cube', scale: 'signal', output: 'bt1886' },
      lutWork: { chain: { inverse: false } },
    });
    session().luts.readOpened({ scale: 'code', output: 'pq' });
    expect(state().openedLut).toMatchObject({ scale: 'code', output: 'pq' });
    expect(await session().luts.openFile(new File(['nonsense'], 'bad.cube'))).toBe(false);
    expect(state()).toMatchObject({ openedLut: { name: 'own.cube' }, failure: { name: 'bad.cube' } });
  });
});
