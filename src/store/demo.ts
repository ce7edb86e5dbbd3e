import { F_NUMBERS } from '#core/exposure/aperture.ts';
import { ARCHETYPE_IDS, ARCHETYPES } from '#core/profile/index.ts';
import type { CameraRecord } from './records/camera.ts';
import { planId, type PlanRecord } from './records/plan.ts';
import type { ProfileRecord } from './records/profile.ts';
import type { SetupRecord } from './records/setup.ts';
import type { ShootRecord } from './records/shoot.ts';
import type { SubjectRecord } from './records/subject.ts';

// Salt and Fire: three days at a glassworks on a cold island. All of it invented.

const SHOOT = 'salt-and-fire';
const irises = (from: number, to: number) => F_NUMBERS.filter((f) => f >= from && f <= to);
const isos = (from: number, to: number) =>
  [100, 125, 160, 200, 250, 320, 400, 500, 640, 800, 1000, 1250, 1600, 2000, 2500, 3200, 4000, 5000, 6400, 8000, 10000, 12800].filter(
    (iso) => iso >= from && iso <= to,
  );

const shoots: ShootRecord[] = [{ id: SHOOT, name: 'Salt and Fire', place: 'A glassworks on a cold island, three days', order: 1 }];

/** The archetypes as records of the kit; ids are the table's. */
export const archetypeProfiles = (): ProfileRecord[] =>
  ARCHETYPE_IDS.map((id) => {
    const { name, says, curve, gamut, clipStops } = ARCHETYPES[id];
    return { id, name, says, origin: 'archetype', data: { curve, gamut, clipStops } };
  });

const wideZebra = {
  scale: 'signalPercent',
  reads: 'log',
  range: { min: 0, max: 107, step: 1, tolerances: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10] },
  lowerLimit: { min: 50, max: 107, step: 1 },
} as const;

const coarseZebra = {
  scale: 'signalPercent',
  reads: 'log',
  range: { min: 30, max: 100, step: 5, tolerances: [2, 5, 10] },
  lowerLimit: { min: 70, max: 100, step: 5 },
} as const;

const zebraOf = (zebra: typeof wideZebra | typeof coarseZebra): CameraRecord['zebra'] => ({
  ...zebra,
  range: { ...zebra.range, tolerances: [...zebra.range.tolerances] },
});

const cameras: CameraRecord[] = [
  {
    id: 'a-cam',
    name: 'A-cam',
    job: 'main camera, graded',
    coding: { bitDepth: 10, range: 'legal' },
    chroma: '4:2:2',
    baseIsos: [800, 3200],
    isos: isos(200, 12800),
    irises: irises(1.4, 22),
    shutterBy: 'angle',
    kelvinStep: 10,
    kelvinRange: [2000, 12000],
    floorStops: -6,
    profileIds: ['wideLog', 'hlg', 'cineFlat', 'standard'],
    zebra: zebraOf(wideZebra),
  },
  {
    id: 'b-cam',
    name: 'B-cam',
    job: 'second angle, older body',
    coding: { bitDepth: 8, range: 'legal' },
    chroma: '4:2:0',
    baseIsos: [640],
    isos: isos(200, 6400),
    irises: irises(2.8, 22),
    shutterBy: 'time',
    kelvinStep: 100,
    kelvinRange: [2500, 9900],
    floorStops: -4.5,
    profileIds: ['classicLog', 'cineFlat', 'standard'],
    zebra: zebraOf(coarseZebra),
  },
  {
    id: 'small-cam',
    name: 'Small cam',
    job: 'rigs, under water',
    coding: { bitDepth: 10, range: 'full' },
    chroma: '4:2:0',
    baseIsos: [100],
    isos: isos(100, 3200),
    irises: [],
    fixedIris: 2.8,
    shutterBy: 'time',
    kelvinStep: 500,
    kelvinRange: [2300, 6500],
    floorStops: -4,
    profileIds: ['flat', 'mildLog', 'standard'],
    zebra: zebraOf(coarseZebra),
  },
  {
    id: 'air-cam',
    name: 'Air cam',
    job: 'dunes and quay from above',
    coding: { bitDepth: 10, range: 'full' },
    chroma: '4:2:0',
    baseIsos: [100],
    isos: isos(100, 1600),
    irises: irises(2.8, 11),
    shutterBy: 'time',
    kelvinStep: 100,
    kelvinRange: [2000, 10000],
    floorStops: -5,
    profileIds: ['mildLog', 'hlg', 'standard'],
    zebra: zebraOf(coarseZebra),
  },
  ...(['hall-1', 'hall-2'] as const).map(
    (id, n): CameraRecord => ({
      id,
      name: `Hall ${n + 1}`,
      job: n === 0 ? 'fixed, wide' : 'fixed, speaker',
      coding: { bitDepth: 10, range: 'legal' },
      chroma: '4:2:2',
      baseIsos: [400],
      isos: isos(200, 6400),
      irises: irises(2.8, 16),
      shutterBy: 'time',
      kelvinStep: 100,
      kelvinRange: [2500, 9900],
      floorStops: -5,
      profileIds: ['standard', 'hlg', 'cineFlat'],
      // Its zebra follows the display LUT: the classic trap.
      zebra: { ...zebraOf(wideZebra), reads: n === 0 ? 'log' : 'lut' },
    }),
  ),
];

const subjects: SubjectRecord[] = [
  { id: 'ana', shootId: SHOOT, name: 'Ana', skinOffset: 1.2 },
  { id: 'ola', shootId: SHOOT, name: 'Ola', skinOffset: 0.2 },
];

const setup = (
  order: number,
  id: string,
  name: string,
  light: string,
  cameraIds: string[],
  subjectIds: string[],
  cautions: SetupRecord['cautions'],
): SetupRecord => ({ id, shootId: SHOOT, name, order, light, fps: 25, cameraIds, subjectIds, cautions });

const setups: SetupRecord[] = [
  setup(1, 'furnace-mouth', 'Furnace mouth', 'Dark shop, glowing gather, a door to cold daylight.', ['a-cam', 'b-cam'], ['ana'], ['hotWork']),
  setup(2, 'bench-interview', 'Bench interview', 'Window as key, grey card between two people.', ['a-cam', 'b-cam'], ['ana', 'ola'], []),
  setup(3, 'packing-yard', 'Packing yard at noon', 'Hard sun, white crates, deep shade under the roof.', ['b-cam', 'a-cam'], ['ola'], ['sun']),
  setup(4, 'dunes', 'Dunes at first light', 'From the air, low sun, long shadows.', ['air-cam'], [], ['air', 'sun']),
  setup(5, 'slipway', 'Slipway under water', '8 to 14 m, glass floats on the bottom.', ['small-cam'], [], ['diving']),
  setup(6, 'open-evening', 'Open evening', 'A talk in the hall, live, two fixed cameras.', ['hall-1', 'hall-2'], ['ana', 'ola'], ['lamps', 'longRecording']),
  setup(7, 'lantern-quay', 'Lantern quay at night', 'Lamps in frame, second base ISO, HDR wanted too.', ['a-cam', 'air-cam'], ['ana'], ['waterEdge']),
];

type PlanFields = Omit<PlanRecord, 'id' | 'setupId' | 'cameraId' | 'tint' | 'warningMargin'>;
const HALF = { kind: 'angle', degrees: 180 } as const;
const FIFTIETH = { kind: 'time', denominator: 50 } as const;

const plan = (setupId: string, cameraId: string, fields: PlanFields): PlanRecord => ({
  id: planId(setupId, cameraId),
  setupId,
  cameraId,
  tint: 0,
  warningMargin: 1 / 3,
  ...fields,
});

const plans: PlanRecord[] = [
  plan('furnace-mouth', 'a-cam', { profileId: 'wideLog', placement: 1, iso: 800, kelvin: 4000, shutter: HALF, iris: 2.8, ndStops: 0 }),
  plan('furnace-mouth', 'b-cam', { profileId: 'classicLog', placement: 1, iso: 640, kelvin: 4000, shutter: FIFTIETH, iris: 2.8, ndStops: 0 }),
  plan('bench-interview', 'a-cam', { profileId: 'wideLog', placement: 2 / 3, iso: 800, kelvin: 5600, shutter: HALF, iris: 4, ndStops: 0 }),
  plan('bench-interview', 'b-cam', { profileId: 'cineFlat', placement: 0, iso: 640, kelvin: 5600, shutter: FIFTIETH, iris: 4, ndStops: 0 }),
  plan('packing-yard', 'b-cam', { profileId: 'classicLog', placement: 1, iso: 640, kelvin: 5600, shutter: FIFTIETH, iris: 5.6, ndStops: 7 }),
  plan('packing-yard', 'a-cam', { profileId: 'wideLog', placement: 2 / 3, iso: 800, kelvin: 5600, shutter: HALF, iris: 5.6, ndStops: 8 }),
  plan('dunes', 'air-cam', { profileId: 'mildLog', placement: 0, iso: 100, kelvin: 5600, shutter: FIFTIETH, iris: 4, ndStops: 4 }),
  plan('slipway', 'small-cam', { profileId: 'flat', placement: 0, iso: 400, kelvin: 5500, shutter: FIFTIETH, iris: 2.8, ndStops: 0 }),
  plan('open-evening', 'hall-1', { profileId: 'standard', placement: 0, iso: 800, kelvin: 3200, shutter: FIFTIETH, iris: 4, ndStops: 0 }),
  plan('open-evening', 'hall-2', { profileId: 'standard', placement: 0, iso: 800, kelvin: 3200, shutter: FIFTIETH, iris: 4, ndStops: 0 }),
  plan('lantern-quay', 'a-cam', { profileId: 'wideLog', placement: 0, iso: 3200, kelvin: 3200, shutter: HALF, iris: 2, ndStops: 0 }),
  plan('lantern-quay', 'air-cam', { profileId: 'mildLog', placement: 0, iso: 800, kelvin: 3200, shutter: FIFTIETH, iris: 2.8, ndStops: 0 }),
];

/** The demo shoot as records, by table. */
export const demoRecords = () => ({
  shoots,
  setups,
  cameras,
  profiles: archetypeProfiles(),
  subjects,
  plans,
  takes: undefined,
  thumbnails: undefined,
});
