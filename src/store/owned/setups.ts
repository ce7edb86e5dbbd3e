import type { BookRecords } from '../book.ts';
import type { Change } from '../edits.ts';
import type { SetupRecord } from '../records/setup.ts';
import { nextOrder } from '../newShoot.ts';
import { planId, type PlanRecord } from '../records/plan.ts';
import { setupsOf } from '../selection.ts';
import { added, gone, type Owned } from './owned.ts';

export const plansOf = (book: BookRecords, { id }: { readonly id: string }): PlanRecord[] =>
  [...book.plans.values()].filter(({ setupId }) => setupId === id);

/** A copy of a set-up with its plans; nothing is ticked off yet. */
export const plannedAlike = (book: BookRecords, from: SetupRecord, copy: SetupRecord): Change[] => [
  added('setups', { ...copy, ticked: {} }),
  ...plansOf(book, from).map((plan) =>
    added('plans', { ...plan, id: planId(copy.id, plan.cameraId), setupId: copy.id }),
  ),
];

/** A set-up with its plans and takes. A copy is planned alike; nothing was shot or ticked off yet. */
export const setups: Owned<'setups'> = {
  table: 'setups',
  takesBy: 'setupId',
  nameOf: ({ name }) => name,
  renamed: (setup, name) => ({ ...setup, name }),
  copy: (book, setup, _held, make) => {
    const id = make.id();
    const order = nextOrder(setupsOf(book, setup.shootId));
    return plannedAlike(book, setup, { ...setup, id, name: make.name, order });
  },
  removal: (book, setup, { takes, thumbnails, takeMarks }) => [
    ...gone('setups', [setup]),
    ...gone('plans', plansOf(book, setup)),
    ...gone('takes', takes),
    ...gone('thumbnails', thumbnails),
    ...gone('takeMarks', takeMarks),
  ],
  staying: (book, { shootId }) =>
    setupsOf(book, shootId).length > 1
      ? undefined
      : 'It is the only set-up of its shoot: delete the shoot, or add another set-up first.',
};
