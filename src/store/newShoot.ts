import type { Edit } from './edits.ts';
import type { BookRecords } from './book.ts';
import { PLAIN_BRIEF, PLAIN_LOCKS, type SetupRecord } from './records/setup.ts';
import type { ShootRecord } from './records/shoot.ts';
import { setupsOf, shootsOf } from './selection.ts';

const lastOrder = (rows: readonly { readonly order: number }[]) =>
  rows.reduce((max, { order }) => Math.max(max, order), 0);

const emptySetup = (
  id: string,
  shootId: string,
  name: string,
  order: number,
  cameraIds: string[],
): SetupRecord => ({
  id,
  shootId,
  name,
  order,
  light: '',
  fps: 25,
  cameraIds,
  subjectIds: [],
  cautions: [],
  spots: [],
  brief: PLAIN_BRIEF,
  locks: PLAIN_LOCKS,
  meterK: 12.5,
  meterC: 250,
  backOff: 1 / 3,
  lightIds: [],
  ticked: {},
});

/** A shoot with one set-up that has every camera of the kit. */
export const newShoot = (book: BookRecords, name: string, ids: { shoot: string; setup: string }): Edit => {
  const shoot: ShootRecord = { id: ids.shoot, name, place: '', order: lastOrder(shootsOf(book)) + 1 };
  const setup = emptySetup(ids.setup, ids.shoot, 'First set-up', 1, [...book.cameras.keys()].slice(0, 12));
  return {
    label: `New shoot ${name}`,
    changes: [
      { table: 'shoots', id: shoot.id, after: shoot },
      { table: 'setups', id: setup.id, after: setup },
    ],
  };
};

/** A further set-up of a shoot, with the cameras of the one it stands beside. */
export const newSetup = (book: BookRecords, beside: SetupRecord, name: string, id: string): Edit => {
  const order = lastOrder(setupsOf(book, beside.shootId)) + 1;
  const after = {
    ...emptySetup(id, beside.shootId, name, order, beside.cameraIds),
    subjectIds: beside.subjectIds,
  };
  return { label: `New set-up ${name}`, changes: [{ table: 'setups', id, after }] };
};
