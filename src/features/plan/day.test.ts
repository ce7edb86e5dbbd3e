import { describe, expect, it } from 'vitest';
import { afterEdit, demoBook, demoSelection } from '#store/fixtures/demoBook.ts';

import { setupsOf } from '#store/selection.ts';
import { TABLES } from '#store/tables.ts';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import { hoursOnSet, printHours, whenOf } from '#ui/bench/daylight.ts';
import { daysOf, movedTo, reminders, reordered } from './dayModel.ts';
import { isoCeiling } from '#store/records/camera.ts';
import { knobsOf } from './planModel.ts';

const book = demoBook();
const setups = setupsOf(book, 'salt-and-fire');
const sun = book.shoots.get('salt-and-fire')?.sun;
const names = (list: readonly { readonly id: string }[]) => list.map(({ id }) => id);
const setup = (id: string) => {
  const found = book.setups.get(id);
  if (!found) throw new Error(id);
  return found;
};

describe('the days of a shoot', () => {
  it('hold every set-up once, by the hour, in the order of work', () => {
    const days = daysOf(book, 'salt-and-fire');
    expect(days).toHaveLength(3);
    expect(names(days.flatMap((day) => day.setups))).toEqual(names(setups));
  });

  it('a set-up moved along the clock changes the order of work, by quarters of an hour', () => {
    const changes = movedTo(setups, 'lantern-quay', { day: 1, hour: 5.1 });
    const after = setupsOf(afterEdit(book, { changes }), 'salt-and-fire');
    expect(names(after)[0]).toBe('lantern-quay');
    expect(whenOf(after[0])).toEqual({ day: 1, hour: 5 });
    for (const one of after) expect(TABLES.setups.safeParse(one).success).toBe(true);
    expect(movedTo(setups, 'dunes', whenOf(setup('dunes')))).toEqual([]);
    const early = movedTo(setups, 'dunes', { day: 0, hour: -3 }).find(({ id }) => id === 'dunes');
    expect(early?.after).toMatchObject({ when: { day: 1, hour: 0 } });
  });

  it('a new order gives each set-up the hour of its new place', () => {
    const swapped = [setups[1], setups[0], ...setups.slice(2)];
    const changes = reordered(setups, swapped);
    expect(names(changes)).toEqual(['bench-interview', 'furnace-mouth']);
    expect(changes[0].after).toMatchObject({ order: 1, when: whenOf(setups[0]) });
    expect(changes[1].after).toMatchObject({ order: 2, when: whenOf(setups[1]) });
  });

  it('time on a set-up is three times what is recorded, within reason', () => {
    const lasting = (minutes: number) => hoursOnSet({ brief: { ...setup('dunes').brief, minutes } });
    expect([lasting(0), lasting(40), lasting(900)]).toEqual([0.75, 2, 6]);
    expect([printHours(6.25), printHours(23.999), printHours(-1)]).toEqual(['06:15', '00:00', '23:00']);
  });
});

describe('reminders to balance again', () => {
  it('come with light that changes and with what the sun does meanwhile; lamps inside are quiet', () => {
    const dunes = reminders(setup('dunes'), sun).join(' ');
    expect(dunes).toMatch(/Sun to cloud/);
    expect(dunes).toMatch(/Sunrise at 06:/);
    expect(reminders(setup('open-evening'), sun)).toEqual([]);
    expect(reminders(setup('packing-yard'), sun)).toEqual([]);
    const late = { ...setup('packing-yard'), when: { day: 2, hour: 20 } };
    expect(reminders(late, sun).join(' ')).toMatch(/Sunset at 21:/);
    expect(reminders(late, undefined)).toEqual([]);
  });
});

describe('what ISO may do', () => {
  const { camera, ...rest } = demoSelection('lantern-quay', 'a-cam');
  const isos = (iso: 'stays' | 'base' | 'ceiling' | 'free') => {
    const selection = {
      ...rest,
      camera,
      setup: { ...rest.setup, locks: { ...rest.setup.locks, iso } },
    };
    const { profile, plan, subjects } = selection;
    return knobsOf(selection, setCardNumbers(profile.data, camera, plan, subjects, 25), []).isos;
  };
  it('stays, goes to a base, up to two stops over the first, or anywhere that is not extended', () => {
    expect(isos('stays')).toEqual([3200]);
    expect(isos('base')).toEqual([800, 3200]);
    expect(isoCeiling(camera)).toBe(3200);
    expect([Math.min(...isos('ceiling')), Math.max(...isos('ceiling'))]).toEqual([800, 3200]);
    expect([Math.min(...isos('free')), Math.max(...isos('free'))]).toEqual([800, 12800]);
  });
});
