import type { BookRecords } from './book.ts';
import type { MonitorRecord } from './records/bag.ts';
import type { CameraRecord } from './records/camera.ts';
import type { LutRecord } from './records/lut.ts';
import { planId, type PlanRecord } from './records/plan.ts';
import type { ProfileRecord } from './records/profile.ts';
import type { SetupRecord } from './records/setup.ts';
import type { ShootRecord } from './records/shoot.ts';
import type { SubjectRecord } from './records/subject.ts';

/** Ids as they stand in the URL; null or '' where it says nothing. */
export type UrlIds = {
  readonly shoot: string | null;
  readonly setup: string | null;
  readonly camera: string | null;
};

type MonitorLut = { readonly monitor: MonitorRecord; readonly lut: LutRecord };

export type Selection = {
  readonly shoot: ShootRecord;
  readonly setup: SetupRecord;
  readonly camera: CameraRecord;
  readonly plan: PlanRecord;
  /** What the plan would be if nobody had touched it. */
  readonly defaults: PlanRecord;
  readonly profile: ProfileRecord;
  readonly subjects: readonly SubjectRecord[];
  /** Monitors with a LUT of the kit on them, in the order of the bag; the card goes by the first. */
  readonly monitors: readonly MonitorLut[];
  /** One sentence for each id in the URL that names nothing. */
  readonly problems: readonly string[];
};

const byOrder = <T extends { readonly order: number }>(a: T, b: T) => a.order - b.order;

export const shootsOf = (book: BookRecords): ShootRecord[] => [...book.shoots.values()].sort(byOrder);
export const setupsOf = (book: BookRecords, shootId: string): SetupRecord[] =>
  [...book.setups.values()].filter((setup) => setup.shootId === shootId).sort(byOrder);
export const camerasOf = (book: BookRecords, setup: SetupRecord): CameraRecord[] =>
  setup.cameraIds.flatMap((id) => book.cameras.get(id) ?? []);

/** The plan a camera starts with: base ISO, 180 degrees, wide middle of its irises, no ND, daylight. */
export const defaultPlan = (setup: SetupRecord, camera: CameraRecord): PlanRecord => ({
  id: planId(setup.id, camera.id),
  setupId: setup.id,
  cameraId: camera.id,
  profileId: camera.profileIds[0],
  placement: 0,
  iso: camera.baseIsos[0],
  kelvin: 5600,
  tint: 0,
  shutter:
    camera.shutterBy === 'angle'
      ? { kind: 'angle', degrees: 180 }
      : { kind: 'time', denominator: Math.round(setup.fps * 2) },
  iris: camera.fixedIris ?? camera.irises[Math.floor(camera.irises.length / 2)] ?? 2.8,
  ndStops: 0,
  warningMargin: 1 / 3,
});

const choose = <T extends { readonly id: string; readonly name: string }>(
  kind: string,
  asked: string | null,
  candidates: readonly T[],
  problems: string[],
): T | undefined => {
  const found = candidates.find(({ id }) => id === asked);
  const taken = found ?? candidates[0];
  if (asked && !found && taken)
    problems.push(`The address names no ${kind} “${asked.slice(0, 40)}”; showing ${taken.name}.`);
  return taken;
};

/** The LUTs that a plan puts on monitors; what is gone from the kit is left out. */
const monitorLutsOf = (book: BookRecords, { monitorLuts = {} }: PlanRecord): MonitorLut[] =>
  [...book.monitors.values()].flatMap((monitor) => {
    const lut = book.luts.get(monitorLuts[monitor.id]);
    return lut ? [{ monitor, lut }] : [];
  });

/** What the URL means; the first of each where it is silent or wrong. undefined when there is nothing to show. */
export const resolveSelection = (book: BookRecords, url: UrlIds): Selection | undefined => {
  const problems: string[] = [];
  const shoot = choose('shoot', url.shoot, shootsOf(book), problems);
  const setup = shoot && choose('set-up', url.setup, setupsOf(book, shoot.id), problems);
  const camera = setup && choose('camera', url.camera, camerasOf(book, setup), problems);
  if (!shoot || !setup || !camera) return undefined;
  const defaults = defaultPlan(setup, camera);
  const plan = book.plans.get(defaults.id) ?? defaults;
  const profile = book.profiles.get(plan.profileId) ?? book.profiles.get(defaults.profileId);
  if (!profile) return undefined;
  const subjects = setup.subjectIds.flatMap((id) => book.subjects.get(id) ?? []);
  const monitors = monitorLutsOf(book, plan);
  return { shoot, setup, camera, plan, defaults, profile, subjects, monitors, problems };
};
