import { nextOrder } from '../newShoot.ts';
import { setupsOf, shootsOf } from '../selection.ts';
import { added, asOwn, gone, type Owned } from './owned.ts';
import { plannedAlike, plansOf } from './setups.ts';

/** A shoot with its set-ups, their plans, its people and its log. A copy is planned alike; nothing was shot yet. */
export const shoots: Owned<'shoots'> = {
  table: 'shoots',
  takesBy: 'shootId',
  hasClips: true,
  nameOf: ({ name }) => name,
  renamed: (shoot, name) => ({ ...shoot, name }),
  copy: (book, shoot, _held, { id, name }) => {
    const shootId = id();
    const people = [...book.subjects.values()].filter((one) => one.shootId === shoot.id);
    const person = new Map(people.map((one) => [one.id, id()]));
    return [
      added('shoots', { ...asOwn(shoot), id: shootId, name, order: nextOrder(shootsOf(book)) }),
      ...people.map((one) => added('subjects', { ...one, id: person.get(one.id)!, shootId })),
      ...setupsOf(book, shoot.id).flatMap((setup) => {
        const subjectIds = setup.subjectIds.flatMap((one) => person.get(one) ?? []);
        return plannedAlike(book, setup, { ...setup, id: id(), shootId, subjectIds });
      }),
    ];
  },
  removal: (book, shoot, { takes, thumbnails, takeMarks, clips }) => {
    const setups = setupsOf(book, shoot.id);
    return [
      ...gone('shoots', [shoot]),
      ...gone('setups', setups),
      ...gone(
        'plans',
        setups.flatMap((setup) => plansOf(book, setup)),
      ),
      ...gone(
        'subjects',
        [...book.subjects.values()].filter(({ shootId }) => shootId === shoot.id),
      ),
      ...gone('takes', takes),
      ...gone('thumbnails', thumbnails),
      ...gone('takeMarks', takeMarks),
      ...gone('clips', clips),
      ...gone(
        'cameraClocks',
        [...book.cameraClocks.values()].filter(({ shootId }) => shootId === shoot.id),
      ),
    ];
  },
};
