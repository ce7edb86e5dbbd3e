import { PLAIN_BRIEF, PLAIN_LOCKS, type Brief, type SetupRecord } from '../records/setup.ts';

// The set-ups of Salt and Fire, with the light as it was surveyed. All of it invented.

export const SHOOT = 'salt-and-fire';

type Spots = SetupRecord['spots'];
type SpotRow = readonly [
  name: string,
  role: Spots[number]['role'],
  candelas: number,
  subjectId?: string,
  share?: Spots[number]['share'],
];

/** Spots read with a spot meter, cd/m2. */
const spots = (rows: readonly SpotRow[]): Spots =>
  rows.map(([name, role, value, subjectId, share], i) => ({
    id: `spot-${i + 1}`,
    name,
    role,
    unit: 'luminance',
    value,
    ...(subjectId === undefined ? {} : { subjectId }),
    ...(share === undefined ? {} : { share }),
  }));

type Fields = Pick<
  SetupRecord,
  'name' | 'light' | 'cameraIds' | 'subjectIds' | 'cautions' | 'lightIds' | 'when'
> & {
  readonly id: string;
  readonly brief?: Partial<Brief>;
  readonly spots: readonly SpotRow[];
  readonly water?: SetupRecord['water'];
  readonly ratio?: SetupRecord['ratio'];
  readonly wardrobe?: SetupRecord['wardrobe'];
};

const setup = (order: number, { spots: rows, brief, ...fields }: Fields): SetupRecord => ({
  shootId: SHOOT,
  order,
  fps: 25,
  spots: spots(rows),
  brief: { ...PLAIN_BRIEF, ...brief },
  locks: PLAIN_LOCKS,
  meterK: 12.5,
  meterC: 250,
  backOff: 1 / 3,
  ticked: {},
  ...fields,
});

export const demoSetups: readonly SetupRecord[] = [
  setup(1, {
    id: 'furnace-mouth',
    when: { day: 1, hour: 9 },
    name: 'Furnace mouth',
    light: 'Dark shop, glowing gather, a door to cold daylight.',
    cameraIds: ['a-cam', 'b-cam'],
    subjectIds: ['ana'],
    cautions: ['hotWork'],
    lightIds: ['panel', 'gather', 'north-window'],
    brief: { clips: 14, minutes: 50 },
    spots: [
      ['Card at the bench', 'card', 12.5],
      ['Ana, key side', 'skin', 32, 'ana'],
      ['Gather', 'light', 1040],
      ['Door to daylight', 'mayLose', 132],
      ['Tools in the dark', 'keep', 0.9],
    ],
  }),
  setup(2, {
    id: 'bench-interview',
    when: { day: 1, hour: 14 },
    name: 'Bench interview',
    light: 'Window as key, grey card between two people.',
    cameraIds: ['a-cam', 'b-cam'],
    subjectIds: ['ana', 'ola'],
    cautions: [],
    lightIds: ['north-window', 'shop-tubes'],
    brief: { clips: 6, minutes: 90 },
    spots: [
      ['Card between them', 'card', 20],
      ['Ana, key side', 'skin', 46, 'ana'],
      ['Ola, key side', 'skin', 23, 'ola'],
      ['Window pane', 'light', 900],
      ['Wall behind', 'keep', 5],
      ['Ola, shadow side', 'keep', 7.6, undefined, 'glint'],
    ],
    ratio: { bright: 'spot-3', shadow: 'spot-6', behind: 'spot-5', wanted: 'shaped' },
    wardrobe: {
      things: [
        { id: 'jacket', name: 'Ana’s blue jacket', where: 'worn', hex: '#35507a' },
        { id: 'shirt', name: 'Ola’s checked shirt', where: 'worn', hex: '#7a5a48', repeat: 0.5 },
        { id: 'wall', name: 'Brick wall', where: 'behind', hex: '#75523f' },
      ],
      leaves: 'none',
    },
  }),
  setup(3, {
    id: 'packing-yard',
    when: { day: 2, hour: 13 },
    name: 'Packing yard at noon',
    light: 'Hard sun, white crates, deep shade under the roof.',
    cameraIds: ['b-cam', 'a-cam'],
    subjectIds: ['ola'],
    cautions: ['sun'],
    lightIds: ['noon-sun'],
    brief: { outside: true, clips: 12, minutes: 40 },
    spots: [
      ['Card in the sun', 'card', 4000],
      ['Ola, key side', 'skin', 4600, 'ola'],
      ['White crates', 'keep', 18_400],
      ['Shade under the roof', 'keep', 170],
      ['Sun on the metal', 'light', 1_000_000],
    ],
  }),
  setup(4, {
    id: 'dunes',
    when: { day: 3, hour: 6.25 },
    name: 'Dunes at first light',
    light: 'From the air, low sun, long shadows.',
    cameraIds: ['air-cam'],
    subjectIds: [],
    cautions: ['air', 'sun'],
    lightIds: ['low-sun'],
    brief: { outside: true, changing: true, clips: 9, minutes: 35, minutesPerClip: 3 },
    spots: [
      ['Card on the sand', 'card', 1600],
      ['Sunlit ridge', 'keep', 4500],
      ['Long shadows', 'keep', 110],
      ['Low sun', 'light', 200_000],
    ],
  }),
  setup(5, {
    id: 'slipway',
    when: { day: 3, hour: 10 },
    name: 'Slipway under water',
    light: '8 to 14 m, glass floats on the bottom.',
    cameraIds: ['small-cam'],
    subjectIds: [],
    cautions: ['diving'],
    lightIds: [],
    brief: { clips: 8, minutes: 25 },
    water: { depth: 10, distance: 2 },
    spots: [
      ['Card at the floats', 'card', 12.5],
      ['Glass floats', 'keep', 16],
      ['Dark bottom', 'keep', 5.5],
    ],
  }),
  setup(6, {
    id: 'open-evening',
    when: { day: 3, hour: 17 },
    name: 'Open evening',
    light: 'A talk in the hall, live, two fixed cameras.',
    cameraIds: ['hall-1', 'hall-2'],
    subjectIds: ['ana', 'ola'],
    cautions: ['lamps', 'longRecording'],
    lightIds: ['hall-spots'],
    brief: { graded: false, live: true, minutesPerClip: 0, clips: 2, minutes: 120 },
    spots: [
      ['Card at the lectern', 'card', 12.5],
      ['Ana, key side', 'skin', 29, 'ana'],
      ['Ola, key side', 'skin', 14.4, 'ola'],
      ['Projection', 'mayLose', 120],
      ['Hall', 'keep', 0.9],
    ],
  }),
  setup(7, {
    id: 'lantern-quay',
    when: { day: 3, hour: 22.5 },
    name: 'Lantern quay at night',
    light: 'Lamps in frame, second base ISO, HDR wanted too.',
    cameraIds: ['a-cam', 'air-cam'],
    subjectIds: ['ana'],
    cautions: ['waterEdge'],
    lightIds: ['lanterns'],
    brief: { hdr: true, clips: 10, minutes: 45 },
    spots: [
      ['Card under a lantern', 'card', 1.56],
      ['Ana, key side', 'skin', 3.6, 'ana'],
      ['Lanterns', 'light', 1200],
      ['Quay stones', 'keep', 0.44],
    ],
  }),
];
