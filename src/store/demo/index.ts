import { ND_UNITS } from '#core/exposure/nd.ts';
import { demoLuts } from './luts.ts';
import { demoGels, demoLights, demoMonitors, demoNdSets } from './bag.ts';
import { demoCameras } from './cameras.ts';
import demoClips from './clips.json' with { type: 'json' };
import demoTakes from './takes.json' with { type: 'json' };
import type { ClipRecord } from '../records/clip.ts';
import type { TakeRecord } from '../records/take.ts';
import { planId, type PlanRecord } from '../records/plan.ts';
import { demoSetups, SHOOT } from './setups.ts';
import type { ShootRecord } from '../records/shoot.ts';
import type { SubjectRecord } from '../records/subject.ts';

// Salt and Fire: three days at a glassworks on a cold island. All of it invented.

const shoots: ShootRecord[] = [
  {
    id: SHOOT,
    name: 'Salt and Fire',
    place: 'A glassworks on a cold island, three days',
    order: 1,
    sun: { latitude: 61.2, longitude: 4.8, date: '2026-04-14', clock: 2 },
  },
];

const subjects: SubjectRecord[] = [
  { id: 'ana', shootId: SHOOT, name: 'Ana', skinOffset: 1.2 },
  { id: 'ola', shootId: SHOOT, name: 'Ola', skinOffset: 0.2 },
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
  plan('furnace-mouth', 'a-cam', {
    profileId: 'wideLog',
    placement: 1,
    iso: 800,
    kelvin: 4000,
    shutter: HALF,
    iris: 2.8,
    ndStops: 0,
    lens: { focal: 35, distance: 2.4, behind: 7, wish: 'none', confusion: 'seen' },
  }),
  plan('furnace-mouth', 'b-cam', {
    profileId: 'classicLog',
    placement: 1,
    iso: 800,
    kelvin: 4000,
    shutter: FIFTIETH,
    iris: 2.8,
    ndStops: 0,
  }),
  plan('bench-interview', 'a-cam', {
    profileId: 'wideLog',
    placement: 2 / 3,
    iso: 800,
    kelvin: 5600,
    shutter: HALF,
    iris: 4,
    ndStops: 0,
    lens: { focal: 60, distance: 1.8, behind: 4.5, wish: 'eyes', confusion: 'seen' },
  }),
  plan('bench-interview', 'b-cam', {
    profileId: 'cineFlat',
    placement: 0,
    iso: 640,
    kelvin: 5600,
    shutter: FIFTIETH,
    iris: 4.5,
    ndStops: 0,
  }),
  plan('packing-yard', 'b-cam', {
    profileId: 'classicLog',
    placement: 1,
    iso: 640,
    kelvin: 5600,
    shutter: FIFTIETH,
    iris: 5.6,
    ndStops: ND_UNITS.density.toStops(1.8),
    ndSetId: 'nd-squares',
  }),
  plan('packing-yard', 'a-cam', {
    profileId: 'wideLog',
    placement: 2 / 3,
    iso: 800,
    kelvin: 5600,
    shutter: HALF,
    iris: 5,
    ndStops: 7,
    ndSetId: 'nd-strong',
  }),
  plan('dunes', 'air-cam', {
    profileId: 'mildLog',
    placement: 0,
    iso: 100,
    kelvin: 5600,
    shutter: FIFTIETH,
    iris: 4,
    ndStops: 4,
    ndSetId: 'nd-air',
    lens: { focal: 9, distance: 40, wish: 'none', confusion: 'seen', speed: 9 },
  }),
  plan('slipway', 'small-cam', {
    profileId: 'flat',
    placement: 0,
    iso: 400,
    kelvin: 5500,
    shutter: FIFTIETH,
    iris: 2.8,
    ndStops: 0,
  }),
  plan('open-evening', 'hall-1', {
    profileId: 'standard',
    placement: 0,
    iso: 800,
    kelvin: 3200,
    shutter: FIFTIETH,
    iris: 4,
    ndStops: 0,
  }),
  plan('open-evening', 'hall-2', {
    profileId: 'standard',
    placement: 0,
    iso: 800,
    kelvin: 3200,
    shutter: FIFTIETH,
    iris: 4,
    ndStops: 0,
  }),
  plan('lantern-quay', 'a-cam', {
    monitorLuts: { cart: 'lantern-guard' },
    profileId: 'wideLog',
    placement: 0,
    iso: 3200,
    kelvin: 3200,
    shutter: HALF,
    iris: 2.8,
    ndStops: 0,
  }),
  plan('lantern-quay', 'air-cam', {
    profileId: 'mildLog',
    placement: 0,
    iso: 1600,
    kelvin: 3200,
    shutter: { kind: 'time', denominator: 25 },
    iris: 2.8,
    ndStops: 0,
  }),
];

/** Told apart from what the user brings. */
const marked = <T extends object>(rows: readonly T[]) =>
  rows.map((row) => ({ ...row, isDemo: true as const }));

/** The demo shoot as records, by table. */
export const demoRecords = () => ({
  shoots: marked(shoots),
  setups: demoSetups,
  cameras: marked(demoCameras),
  // They ship with the app: see builtIn.ts.
  profiles: undefined,
  subjects,
  plans,
  ndSets: marked(demoNdSets),
  lights: marked(demoLights),
  gels: marked(demoGels),
  monitors: marked(demoMonitors),
  luts: marked(demoLuts),
  lutTexts: undefined,
  takes: demoTakes as unknown as TakeRecord[],
  thumbnails: undefined,
  takeMarks: undefined,
  clips: demoClips as unknown as ClipRecord[],
  cameraClocks: undefined,
  practice: undefined,
  cameraTests: undefined,
});
