import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it } from 'vitest';
import type { Book } from '../book.ts';
import type { Database } from '../database.ts';
import { demoEdit } from '../demo/demoEdit.ts';
import { putDemoAway } from '../demo/putAway.ts';
import { openBooks } from '../fixtures/openBooks.ts';
import { sampleTake } from '../fixtures/sampleTake.ts';
import { kitOfShoot } from '../kitOfShoot.ts';
import { newSetup, newShoot } from '../newShoot.ts';
import { withOwnProfile } from '../records/camera.ts';
import { planId } from '../records/plan.ts';
import { defaultPlan, resolveSelection, setupsOf } from '../selection.ts';
import { TABLE_NAMES, type RecordOf } from '../tables.ts';
import {
  dependentWords,
  duplicateEdit,
  heldBy,
  removalEdit,
  renameEdit,
  stayingReason,
  type OwnedTable,
} from './index.ts';
import { asOwn } from './owned.ts';

const { fresh, bookOf, closeAll } = openBooks('owned');
afterEach(closeAll);

/** Everything that is stored, for comparing before and after. */
const stored = async (database: Database) =>
  Object.fromEntries(
    await Promise.all(
      TABLE_NAMES.map(async (name) => {
        const rows: { id: string }[] = await database.table(name).toArray();
        return [name, rows.toSorted((a, b) => (a.id < b.id ? -1 : 1))] as const;
      }),
    ),
  );

const removal = async <T extends OwnedTable>(database: Database, book: Book, table: T, record: RecordOf<T>) =>
  removalEdit(book.getState(), table, record, await heldBy(database, table, record));

const filled = async () => {
  const database = fresh();
  const book = await bookOf(database);
  await database.rows('thumbnails').put({ id: 'with-picture', png: new Uint8Array([1, 2]) });
  await database.rows('takes').put({ ...sampleTake, id: 'with-picture', number: 77 });
  return { database, book };
};

let made = 0;
const make = { id: () => `made-${(made += 1)}`, now: new Date('2026-03-01T08:00:00Z') };

describe('deleting', () => {
  it.each([
    [
      'shoots',
      'salt-and-fire',
      /^Deleted with it: 7 set-ups, 12 plans, 2 subjects, \d+ takes, 1 thumbnail and \d+ clips\.$/,
    ],
    ['setups', 'furnace-mouth', /^Deleted with it: 2 plans, \d+ takes and 1 thumbnail\.$/],
    ['cameras', 'air-cam', /^Deleted with it: 2 plans\.$/],
    ['luts', 'lantern-guard', /^1 plan will show the computed picture\.$/],
  ] as const)('%s %s says what goes along, and undo brings it all back', async (table, id, says) => {
    const { database, book } = await filled();
    const record = book.getState()[table].get(id)!;
    const before = await stored(database);
    const edit = await removal(database, book, table, record as never);
    expect(dependentWords(table, record as never, edit)[0]).toMatch(says);
    expect(await book.edit(edit)).toBe(true);
    expect(book.getState()[table].has(id)).toBe(false);
    const after = await stored(database);
    // Nothing is left that names what is gone.
    const text = JSON.stringify({ ...after, ...(table === 'cameras' ? { takes: [], clips: [] } : {}) });
    expect(text).not.toContain(`"${id}"`);
    await book.undo();
    expect(await stored(database)).toEqual(before);
  });

  it('a take goes with its picture', async () => {
    const { database, book } = await filled();
    const take = (await database.rows('takes').get('with-picture'))!;
    expect(await book.edit(await removal(database, book, 'takes', take))).toBe(true);
    expect(await database.rows('thumbnails').count()).toBe(0);
  });

  it('a set-up without cameras is shown with another and says so', async () => {
    const { database, book } = await filled();
    for (const id of ['hall-1', 'hall-2'])
      await book.edit(await removal(database, book, 'cameras', book.getState().cameras.get(id)!));
    const url = { shoot: 'salt-and-fire', setup: 'open-evening', camera: null };
    expect(resolveSelection(book.getState(), url)?.problems).toHaveLength(1);
  });

  it('the only set-up of a shoot and what ships with the app stay, with the reason', async () => {
    const { book } = await filled();
    const wish = { name: 'Own', place: '', day: '', cameras: [] };
    await book.edit(newShoot(book.getState(), wish, { shoot: 's', setup: 'one' }));
    const { setups, profiles } = book.getState();
    expect(stayingReason(book.getState(), 'setups', setups.get('one')!)).toMatch(/only set-up/);
    expect(stayingReason(book.getState(), 'setups', setups.get('dunes')!)).toBeUndefined();
    expect(stayingReason(book.getState(), 'profiles', profiles.get('wideLog')!)).toMatch(
      /ships with the app/,
    );
  });

  it('a profile leaves cameras, plans and starts for another', async () => {
    const { database, book } = await filled();
    const own = {
      ...book.getState().profiles.get('wideLog')!,
      id: 'own',
      name: 'own log',
      origin: 'edit' as const,
    };
    const camera = book.getState().cameras.get('a-cam')!;
    const plan = book.getState().plans.get('furnace-mouth:a-cam')!;
    await book.edit({
      label: 'own',
      changes: [
        { table: 'profiles', id: 'own', after: own },
        { table: 'cameras', id: 'a-cam', before: camera, after: withOwnProfile(camera, 'own') },
        { table: 'plans', id: plan.id, before: plan, after: { ...plan, profileId: 'own' } },
      ],
    });
    const edit = await removal(database, book, 'profiles', own);
    expect(dependentWords('profiles', own, edit)).toEqual([
      '1 camera and 1 plan will fall back to another profile.',
    ]);
    await book.edit(edit);
    expect(book.getState().cameras.get('a-cam')?.starts).toEqual({});
    expect(book.getState().plans.get(plan.id)?.profileId).toBe(camera.profileIds[0]);
  });
});

describe('renaming and duplicating', () => {
  it('a copied shoot has its own set-ups, plans and people, and nothing shot', async () => {
    const { database, book } = await filled();
    const shoot = book.getState().shoots.get('salt-and-fire')!;
    const copy = duplicateEdit(
      book.getState(),
      'shoots',
      shoot,
      await heldBy(database, 'shoots', shoot),
      make,
    )!;
    expect(await book.edit(copy.edit)).toBe(true);
    const { shoots, setups, plans, subjects } = book.getState();
    expect(shoots.get(copy.id)).toMatchObject({ name: 'Salt and Fire copy' });
    expect(shoots.get(copy.id)?.isDemo).toBeUndefined();
    const copied = setupsOf(book.getState(), copy.id);
    expect(copied.map(({ name }) => name)).toEqual(
      setupsOf(book.getState(), shoot.id).map(({ name }) => name),
    );
    const bench = copied.find(({ name }) => name === 'Bench interview')!;
    expect(plans.get(planId(bench.id, 'a-cam'))?.placement).toBe(
      plans.get('bench-interview:a-cam')?.placement,
    );
    expect(bench.subjectIds.map((id) => subjects.get(id)?.shootId)).toEqual([copy.id, copy.id]);
    expect(setups.get(bench.id)?.ticked).toEqual({});
    expect(await database.rows('takes').where('shootId').equals(copy.id).count()).toBe(0);
  });

  it('a copied take is a further one by the same card, unmeasured', async () => {
    const { database, book } = await filled();
    const take = (await database.rows('takes').get('with-picture'))!;
    const copy = duplicateEdit(book.getState(), 'takes', take, await heldBy(database, 'takes', take), make)!;
    expect(await book.edit(copy.edit)).toBe(true);
    const further = await database.rows('takes').get(copy.id);
    expect(further).toMatchObject({ number: 78, card: take.card });
    expect(further?.measured).toBeUndefined();
  });

  it('a copied name is one nobody has; a number that another take has is refused', async () => {
    const { database, book } = await filled();
    const dunes = book.getState().setups.get('dunes')!;
    for (const name of ['Dunes copy', 'Dunes copy 2']) {
      const { edit, id } = duplicateEdit(
        book.getState(),
        'setups',
        dunes,
        await heldBy(database, 'setups', dunes),
        make,
      )!;
      await book.edit(edit);
      expect(book.getState().setups.get(id)?.name).toMatch(new RegExp(`${name.slice(5)}$`));
    }
    const take = (await database.rows('takes').get('with-picture'))!;
    expect(await book.edit(renameEdit('takes', take, '1'))).toBe(false);
    expect(book.getState().problem).toMatch(/there is a take 1 of this set-up and camera already/);
    expect(await book.edit(renameEdit('takes', take, ' 78'))).toBe(true);
    expect((await database.rows('takes').get('with-picture'))?.number).toBe(78);
  });
});

describe('a kit of one’s own', () => {
  const own = async () => {
    const { database, book } = await filled();
    const camera = { ...asOwn(book.getState().cameras.get('b-cam')!), id: 'mine', name: 'Mine' };
    await book.edit({ label: 'Mine', changes: [{ table: 'cameras', id: 'mine', after: camera }] });
    const wish = { name: 'Own', place: '', day: '2026-05-01', cameras: [camera] };
    await book.edit(newShoot(book.getState(), wish, { shoot: 's', setup: 'one' }));
    return { database, book, shoot: () => book.getState().shoots.get('s')! };
  };

  it('holds nothing of the demo but what it uses, the same object each time', async () => {
    const { book, shoot } = await own();
    const kit = kitOfShoot(book.getState(), shoot());
    expect([...kit.cameras.keys()]).toEqual(['mine']);
    for (const table of ['ndSets', 'lights', 'gels', 'monitors', 'luts'] as const)
      expect(kit[table].size).toBe(0);
    expect(kitOfShoot(book.getState(), shoot())).toBe(kit);
    const setup = book.getState().setups.get('one')!;
    const plan = { ...defaultPlan(setup, kit.cameras.get('mine')!), ndSetId: 'nd-squares' };
    await book.edit({ label: 'ND', changes: [{ table: 'plans', id: plan.id, after: plan }] });
    expect([...kitOfShoot(book.getState(), shoot()).ndSets.keys()]).toEqual(['nd-squares']);
    expect(kitOfShoot(book.getState(), shoot()).lights).toBe(kit.lights);
    const demo = book.getState().shoots.get('salt-and-fire')!;
    expect(kitOfShoot(book.getState(), demo).cameras.size).toBe(7);
  });

  it('the demo goes away but for what the own shoot uses, and comes back; undo puts all as it was', async () => {
    const { database, book } = await own();
    const setup = book.getState().setups.get('one')!;
    const { cameras } = book.getState();
    const plan = { ...defaultPlan(setup, cameras.get('mine')!), ndSetId: 'nd-squares' };
    await book.edit({ label: 'ND', changes: [{ table: 'plans', id: plan.id, after: plan }] });
    const before = await stored(database);
    const away = await putDemoAway(database, book.getState());
    expect(away).toMatchObject({ ownTakes: 1, staying: ['squares'] });
    expect(await book.edit(away.edit)).toBe(true);
    const { shoots, ndSets, lights } = book.getState();
    expect([...shoots.keys()]).toEqual(['s']);
    expect([...book.getState().cameras.keys()]).toEqual(['mine']);
    expect([...ndSets.values()]).toEqual([expect.objectContaining({ id: 'nd-squares' })]);
    expect(ndSets.get('nd-squares')?.isDemo).toBeUndefined();
    expect(lights.size).toBe(0);
    await book.undo();
    expect(await stored(database)).toEqual(before);
    await book.redo();
    expect(await book.edit(await demoEdit(book.getState()))).toBe(true);
    expect(setupsOf(book.getState(), 'salt-and-fire')).toHaveLength(7);
  });

  it('new set-ups start as the camera’s owner keeps it', async () => {
    const { book } = await own();
    const camera = book.getState().cameras.get('mine')!;
    const starts = { profileId: 'flat', iso: 1600, fps: 50, warningMargin: 0.5 };
    await book.edit({
      label: 'starts',
      changes: [{ table: 'cameras', id: 'mine', before: camera, after: { ...camera, starts } }],
    });
    const beside = book.getState().setups.get('one')!;
    const kept = book.getState().cameras.get('mine')!;
    await book.edit(newSetup(book.getState(), beside, kept, 'Next', 'two'));
    const chosen = resolveSelection(book.getState(), { shoot: 's', setup: 'two', camera: 'mine' })!;
    expect(chosen.plan).toMatchObject({ profileId: 'flat', iso: 1600, warningMargin: 0.5 });
    expect(chosen.setup.fps).toBe(50);
    // An ISO that the dial no longer has is not started with.
    expect(defaultPlan(chosen.setup, { ...kept, isos: [640, 800] }).iso).toBe(kept.baseIsos[0]);
    // Where the dial is an exposure index it and the placement are one decision.
    const index = defaultPlan(chosen.setup, {
      ...kept,
      sensitivity: 'ei',
      baseIsos: [800],
      isos: [800, 1600],
    });
    expect(index).toMatchObject({ iso: 1600, placement: -1 });
  });
});
