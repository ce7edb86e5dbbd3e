import type { BookRecords } from './book.ts';
import type { Edit } from './edits.ts';
import { newSetup } from './newShoot.ts';
import type { CameraRecord } from './records/camera.ts';
import { planChange, planId } from './records/plan.ts';
import { PLAIN_BRIEF, PLAIN_LOCKS, type Brief, type Locks, type SetupRecord } from './records/setup.ts';

// Set-ups to start from: those every shoot has, and any set-up that was planned before.

type Spots = SetupRecord['spots'];
type ExampleSpot = readonly [name: string, role: Spots[number]['role'], candelas: number];

type Template = {
  readonly name: string;
  readonly light: string;
  readonly cautions: SetupRecord['cautions'];
  readonly brief?: Partial<Brief>;
  readonly locks?: Partial<Locks>;
  readonly water?: SetupRecord['water'];
  /** Readings with a spot meter as such a place often has them: common practice, to be read anew. */
  readonly spots: readonly ExampleSpot[];
};

/** A further template is a row. */
export const TEMPLATES = {
  window: {
    name: 'Interview by the window',
    light: 'Window as key, a wall behind.',
    cautions: [],
    brief: { minutes: 45, clips: 4 },
    spots: [
      ['Card', 'card', 25],
      ['Face, key side', 'skin', 32],
      ['Wall', 'keep', 6],
      ['Window', 'light', 1500],
    ],
  },
  stage: {
    name: 'Stage',
    light: 'Spots from above, the room dark.',
    cautions: ['longRecording'],
    brief: { live: true, graded: false, minutes: 90, clips: 2, changing: true },
    spots: [
      ['Card in the light', 'card', 40],
      ['Face, key side', 'skin', 60],
      ['Back curtain', 'mayLose', 0.4],
      ['A spot in frame', 'light', 20_000],
    ],
  },
  noon: {
    name: 'Yard at noon',
    light: 'Hard sun, deep shade.',
    cautions: ['sun'],
    brief: { outside: true, minutes: 30, clips: 10 },
    locks: { shutter: true },
    spots: [
      ['Card in the sun', 'card', 4000],
      ['White wall', 'keep', 17_000],
      ['Shade', 'keep', 250],
    ],
  },
  night: {
    name: 'Night street',
    light: 'Lamps in frame, wet ground.',
    cautions: [],
    brief: { outside: true, minutes: 30, clips: 10, hdr: false },
    locks: { iso: 'ceiling' },
    spots: [
      ['Card under a lamp', 'card', 1.2],
      ['Face, key side', 'skin', 1.6],
      ['Wall in the dark', 'mayLose', 0.05],
      ['Lamp', 'light', 5000],
    ],
  },
  water: {
    name: 'Under water',
    light: 'Daylight from above, blue with depth.',
    cautions: ['diving'],
    brief: { outside: true, minutes: 20, clips: 8 },
    locks: { iso: 'ceiling' },
    water: { depth: 8, distance: 1.5 },
    spots: [
      ['Slate, grey side', 'card', 60],
      ['Surface above', 'mayLose', 2000],
      ['Bottom', 'keep', 15],
    ],
  },
  air: {
    name: 'From the air',
    light: 'Low sun over open ground.',
    cautions: ['air', 'sun'],
    brief: { outside: true, minutes: 20, clips: 8, changing: true },
    locks: { shutter: false, rule: 'motion' },
    spots: [
      ['Card on the ground', 'card', 900],
      ['Sky near the sun', 'mayLose', 12_000],
      ['Long shadow', 'keep', 90],
    ],
  },
} as const satisfies Record<string, Template>;
export type TemplateId = keyof typeof TEMPLATES;
export const TEMPLATE_IDS = Object.keys(TEMPLATES) as TemplateId[];

const spotsOf = (rows: readonly ExampleSpot[]): Spots =>
  rows.map(([name, role, value], i) => ({
    id: `spot-${i + 1}`,
    name: `${name} (example)`,
    role,
    unit: 'luminance',
    value,
  }));

/** What a set-up begins with by a template. */
const fieldsOf = (id: TemplateId): Partial<SetupRecord> => {
  const { name: _name, spots, brief, locks, ...fields }: Template = TEMPLATES[id];
  return {
    ...fields,
    brief: { ...PLAIN_BRIEF, ...brief },
    locks: { ...PLAIN_LOCKS, ...locks },
    spots: spotsOf(spots),
  };
};

/** What of a set-up that was planned before a new one takes over: the light and the plan, not what was done there. */
const TAKEN_OVER = [
  'light',
  'fps',
  'cautions',
  'spots',
  'brief',
  'locks',
  'meterK',
  'meterC',
  'backOff',
  'lightIds',
  'water',
  'scene',
  'ratio',
] as const satisfies readonly (keyof SetupRecord)[];

/** Where a new set-up starts: at a template, or as a set-up of any shoot stands now. */
export type StartFrom = { readonly template: TemplateId } | { readonly setup: string };

/**
 * A further set-up, started from a template or another set-up; with the latter come the plans of the cameras that play
 * in both.
 */
export const setupFrom = (
  book: BookRecords,
  beside: SetupRecord,
  camera: CameraRecord,
  name: string,
  id: string,
  from: StartFrom | undefined,
): Edit => {
  const edit = newSetup(book, beside, camera, name, id);
  if (from === undefined) return edit;
  const plain = edit.changes[0].after as SetupRecord;
  if ('template' in from)
    return { ...edit, changes: [{ table: 'setups', id, after: { ...plain, ...fieldsOf(from.template) } }] };
  const source = book.setups.get(from.setup);
  if (!source) return edit;
  const taken = Object.fromEntries(TAKEN_OVER.map((key) => [key, source[key]]));
  const plans = plain.cameraIds.flatMap((cameraId) => {
    const plan = book.plans.get(planId(source.id, cameraId));
    if (!plan) return [];
    const { room: _room, grade: _grade, ...own } = plan;
    const copy = { ...own, id: planId(id, cameraId), setupId: id };
    return [{ table: 'plans' as const, id: copy.id, after: planChange(copy, {}).after }];
  });
  // Who was read there comes along, so that each reading of a face knows whose it is.
  const subjectIds = [...new Set([...plain.subjectIds, ...source.subjectIds])].slice(0, 12);
  const after = { ...plain, ...taken, subjectIds };
  return { ...edit, changes: [{ table: 'setups', id, after }, ...plans] };
};
