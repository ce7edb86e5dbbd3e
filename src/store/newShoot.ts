import type { BookRecords } from './book.ts';
import type { Edit } from './edits.ts';
import type { CameraRecord } from './records/camera.ts';
import { PLAIN_BRIEF, PLAIN_LOCKS, type SetupRecord } from './records/setup.ts';
import type { ShootRecord } from './records/shoot.ts';
import { setupsOf } from './selection.ts';

const lastOrder = (rows: readonly { readonly order: number }[]) =>
  rows.reduce((max, { order }) => Math.max(max, order), 0);

/** The place behind all others. */
export const nextOrder = (rows: readonly { readonly order: number }[]): number => lastOrder(rows) + 1;

const DEFAULT_FPS = 25;

const emptySetup = (fields: Pick<SetupRecord, 'id' | 'shootId' | 'name' | 'order' | 'fps'>): SetupRecord => ({
  ...fields,
  light: '',
  cameraIds: [],
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

/** A shoot as it is asked for. */
export type ShootWish = {
  readonly name: string;
  readonly place: string;
  /** ISO 8601 date; '' where it is open. */
  readonly day: string;
  readonly cameras: readonly CameraRecord[];
};

/** A shoot with one set-up, with the cameras that were asked for; it starts as the first of them does. */
export const newShoot = (
  book: Pick<BookRecords, 'shoots'>,
  { name, place, day, cameras }: ShootWish,
  ids: { readonly shoot: string; readonly setup: string },
): Edit => {
  const order = nextOrder([...book.shoots.values()]);
  const shoot: ShootRecord = { id: ids.shoot, name, place, order, ...(day === '' ? {} : { day }) };
  const fps = cameras[0]?.starts?.fps ?? DEFAULT_FPS;
  const setup: SetupRecord = {
    ...emptySetup({ id: ids.setup, shootId: ids.shoot, name: 'First set-up', order: 1, fps }),
    cameraIds: cameras.map(({ id }) => id).slice(0, 12),
  };
  return {
    label: `New shoot ${name}`,
    changes: [
      { table: 'shoots', id: shoot.id, after: shoot },
      { table: 'setups', id: setup.id, after: setup },
    ],
  };
};

/** A further set-up of a shoot, with the cameras and people of the one it stands beside. */
export const newSetup = (
  book: BookRecords,
  beside: SetupRecord,
  /** The camera at hand: its frame rate is the set-up's. */
  camera: CameraRecord,
  name: string,
  id: string,
): Edit => {
  const { shootId, cameraIds, subjectIds } = beside;
  const order = nextOrder(setupsOf(book, shootId));
  const fps = camera.starts?.fps ?? beside.fps;
  const after = { ...emptySetup({ id, shootId, name, order, fps }), cameraIds, subjectIds };
  return { label: `New set-up ${name}`, changes: [{ table: 'setups', id, after }] };
};
