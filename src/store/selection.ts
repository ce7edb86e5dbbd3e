import { placementOfIndex } from '#core/exposure/iso.ts';
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

/** Where the user was last, as far as that is known. */
export type LastPlace = { readonly shoot?: string; readonly setup?: string; readonly camera?: string };

type MonitorLut = { readonly monitor: MonitorRecord; readonly lut: LutRecord };

/** A camera as it is planned on a set-up. */
export type Planned = { readonly camera: CameraRecord; readonly plan: PlanRecord };

export type Selection = {
  readonly shoot: ShootRecord;
  readonly setup: SetupRecord;
  readonly camera: CameraRecord;
  readonly plan: PlanRecord;
  /** What the plan would be if nobody had touched it. */
  readonly defaults: PlanRecord;
  readonly profile: ProfileRecord;
  readonly subjects: readonly SubjectRecord[];
  /** The camera that this one is matched to, where it plays on the set-up. */
  readonly hero?: Planned;
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

/**
 * The camera that the others of a set-up are brought to: the shoot's, else that of its first set-up; where neither
 * plays here, the first of this one.
 */
export const heroCameraOf = (
  book: BookRecords,
  shootId: string,
  setup: SetupRecord,
): CameraRecord | undefined => {
  const here = camerasOf(book, setup);
  const first = setupsOf(book, shootId)[0]?.cameraIds[0];
  const wanted = book.shoots.get(shootId)?.heroCameraId;
  return here.find(({ id }) => id === wanted) ?? here.find(({ id }) => id === first) ?? here[0];
};

/**
 * The plan a camera starts with: what its owner keeps for it, else base ISO; 180 degrees, wide middle of its irises,
 * no ND, daylight.
 */
export const defaultPlan = (setup: SetupRecord, camera: CameraRecord): PlanRecord => {
  const { starts = {} } = camera;
  const iso = starts.iso !== undefined && camera.isos.includes(starts.iso) ? starts.iso : camera.baseIsos[0];
  return {
    id: planId(setup.id, camera.id),
    setupId: setup.id,
    cameraId: camera.id,
    profileId: starts.profileId ?? camera.profileIds[0],
    placement: camera.sensitivity === 'ei' ? placementOfIndex(iso, camera.baseIsos) : 0,
    iso,
    kelvin: 5600,
    tint: 0,
    shutter:
      camera.shutterBy === 'angle'
        ? { kind: 'angle', degrees: 180 }
        : { kind: 'time', denominator: Math.round(setup.fps * 2) },
    iris: camera.fixedIris ?? camera.irises[Math.floor(camera.irises.length / 2)] ?? 2.8,
    ndStops: 0,
    warningMargin: starts.warningMargin ?? 1 / 3,
    ...(starts.monitorLuts ? { monitorLuts: starts.monitorLuts } : {}),
  };
};

const choose = <T extends { readonly id: string; readonly name: string }>(
  kind: string,
  asked: string | null,
  /** Shown where nothing is asked for. */
  last: string | undefined,
  candidates: readonly T[],
  problems: string[],
): T | undefined => {
  const found = candidates.find(({ id }) => id === (asked ?? last));
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

/** The profile of a plan; where it is not in the kit, another one of its camera, else the first that there is. */
const profileOf = (
  { profiles }: BookRecords,
  plan: PlanRecord,
  defaults: PlanRecord,
  problems: string[],
): ProfileRecord | undefined => {
  const planned = profiles.get(plan.profileId);
  if (planned) return planned;
  const [first] = profiles.values();
  const other = profiles.get(defaults.profileId) ?? first;
  if (other) problems.push(`The profile of this plan is not in the kit; ${other.name} stands in for it.`);
  return other;
};

/** The id of the camera that a camera's matches go to: the shoot's hero, else the one it was matched to last. */
export const heroIdOf = (
  { matches = [] }: Pick<CameraRecord, 'matches'>,
  { heroCameraId }: Pick<ShootRecord, 'heroCameraId'>,
): string | undefined =>
  (matches.find((match) => match.heroCameraId === heroCameraId) ?? matches.at(-1))?.heroCameraId;

/** The camera that one is matched to, as it is planned; undefined where it is matched to none that plays here. */
const matchedTo = (
  book: BookRecords,
  { shoot, setup, camera }: Pick<Selection, 'shoot' | 'setup' | 'camera'>,
): Planned | undefined => {
  const id = heroIdOf(camera, shoot);
  const hero = camerasOf(book, setup).find((one) => one.id === id);
  if (!hero) return undefined;
  const defaults = defaultPlan(setup, hero);
  return { camera: hero, plan: book.plans.get(defaults.id) ?? defaults };
};

/**
 * What the URL means; where it is silent the last place, where it is wrong the first of each.
 * @returns undefined when there is nothing to show
 */
export const resolveSelection = (
  book: BookRecords,
  url: UrlIds,
  /** Set-ups that are left out for now. */
  leftOut: readonly string[] = [],
  last: LastPlace = {},
): Selection | undefined => {
  const problems: string[] = [];
  const setupsIn = ({ id }: ShootRecord) => setupsOf(book, id).filter((one) => !leftOut.includes(one.id));
  const shoots = shootsOf(book).filter((one) => leftOut.length === 0 || setupsIn(one).length > 0);
  const shoot = choose('shoot', url.shoot, last.shoot, shoots, problems);
  const setup = shoot && choose('set-up', url.setup, last.setup, setupsIn(shoot), problems);
  if (!shoot || !setup) return undefined;
  const own = camerasOf(book, setup);
  // A set-up whose cameras are gone is planned with another one of the kit.
  const camera = choose(
    'camera',
    url.camera,
    last.camera,
    own.length > 0 ? own : [...book.cameras.values()],
    problems,
  );
  if (!camera) return undefined;
  if (own.length === 0)
    problems.push(`No camera of ${setup.name} is in the kit any more; it is shown with ${camera.name}.`);
  const defaults = defaultPlan(setup, camera);
  const plan = book.plans.get(defaults.id) ?? defaults;
  const profile = profileOf(book, plan, defaults, problems);
  if (!profile) return undefined;
  const subjects = setup.subjectIds.flatMap((id) => book.subjects.get(id) ?? []);
  const monitors = monitorLutsOf(book, plan);
  const hero = matchedTo(book, { shoot, setup, camera });
  return {
    shoot,
    setup,
    camera,
    plan,
    defaults,
    profile,
    subjects,
    monitors,
    problems,
    ...(hero ? { hero } : {}),
  };
};
