import { exactFNumber } from '#core/exposure/aperture.ts';
import { stopsBefore } from '#core/exposure/glassLoss.ts';
import { luminanceFor } from '#core/exposure/meter.ts';
import {
  recommend,
  schoolAnswers,
  type Recommendation,
  type SchoolAnswer,
  type SchoolInput,
} from '#core/exposure/schools.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { shutterSeconds, type Shutter } from '#core/exposure/shutter.ts';
import {
  flickerSafe,
  ndStacks,
  recordedStops,
  solveExposure,
  type ExposureAnswer,
  type ExposureChoices,
} from '#core/exposure/solver.ts';
import type { Spot, SpotRole } from '#core/exposure/spot.ts';
import { inUnit, surveyOf, type Survey } from '#core/exposure/survey.ts';
import { SHUTTER_RULE_IDS, shuttersBy, type ShutterRuleId } from '#core/lens/motion.ts';
import type { Result } from '#core/result.ts';
import { patchStops } from '#core/verdict/patchStops.ts';
import type { PatchKind } from '#core/scopes/measure.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import { fitting, type NdSetRecord } from '#store/records/bag.ts';
import { isoCeiling, shuttersOf, type CameraRecord } from '#store/records/camera.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import type { Selection } from '#store/selection.ts';
import { sensorOf } from '#ui/bench/sensorOf.ts';
import { words } from '#ui/wording/plan.ts';
import { depthIrises } from './lensModel.ts';

export const surveyOfSetup = ({ setup, subjects }: Selection): Result<Survey> =>
  surveyOf(setup.spots, subjects, { k: setup.meterK, c: setup.meterC });

const schoolInputOf = (
  { camera, subjects, setup }: Selection,
  numbers: SetCardNumbers,
  survey: Survey,
): SchoolInput => ({
  survey,
  profile: numbers.profile,
  clipStops: numbers.clipStops,
  floorStops: numbers.floorStops,
  bitDepth: camera.coding.bitDepth,
  sensor: sensorOf(camera),
  subjects,
  backOff: setup.backOff,
  meterBias: camera.meter.bias,
});

/** Speed the sensor exposes at: with an exposure index its base, whatever the dial says. */
const speedOf = (camera: CameraRecord, numbers: SetCardNumbers, iso: number) =>
  camera.sensitivity === 'ei' ? numbers.iso.base : iso;

/** Where a card of this luminance lands with the plan as it stands, stops over grey. */
export const landsAt = ({ camera, plan, setup }: Selection, numbers: SetCardNumbers, grey: number): number =>
  recordedStops(
    grey,
    {
      iris: plan.iris,
      shutter: plan.shutter,
      iso: speedOf(camera, numbers, plan.iso),
      nd: { stops: stopsBefore(plan), names: [], setIds: [] },
    },
    setup.fps,
  );

/**
 * Shutters that may be used when they are not locked, not slower than the frame, slowest first: by day outside all of
 * them (the floating shutter of stabilised small cameras), under lamps those that do not flicker.
 */
const freeShutters = (camera: CameraRecord, setup: SetupRecord): readonly Shutter[] => {
  const possible = shuttersOf(camera).filter(
    (shutter) => shutterSeconds(shutter, setup.fps) <= 1 / setup.fps + 1e-9,
  );
  const list = possible.length > 0 ? possible : shuttersOf(camera);
  const rule = shutterRuleOf(setup);
  const ruled = rule === 'any' ? undefined : shuttersBy(rule, list, setup.fps);
  if (ruled) return ruled;
  return setup.brief.outside ? list : flickerSafe(list, setup.fps, setup.brief.mains);
};

/** Which shutters the set-up asks for where they are free. */
export const shutterRuleOf = ({ locks }: Pick<SetupRecord, 'locks'>): ShutterRuleId =>
  SHUTTER_RULE_IDS.find((id) => id === locks.rule) ?? 'any';

const IRIS_REACH = 3;

/** What ISO may do while settings are solved. A further way is a row. */
export const ISO_RULES = {
  stays: { name: words.isoStays, says: words.lockedToWhatThe, allows: (iso, { set }) => iso === set },
  base: {
    name: words.isoAtABase,
    says: words.aBaseOfThis,
    allows: (iso, { camera }) => camera.baseIsos.includes(iso),
  },
  ceiling: {
    name: words.isoToACeiling,
    says: words.fromTheBaseUp,
    allows: (iso, { camera }) => iso >= Math.min(...camera.baseIsos) && iso <= isoCeiling(camera),
  },
  free: {
    name: words.isoFree,
    says: words.anythingThatIsNot,
    allows: (iso, { camera }) => iso >= (camera.extendedUnder ?? 0),
  },
} as const satisfies Record<
  SetupRecord['locks']['iso'],
  {
    name: string;
    says: string;
    allows: (iso: number, at: { camera: CameraRecord; set: number }) => boolean;
  }
>;

/** What may move, from the locks of the set-up and the lists of the camera. */
export const knobsOf = (
  { camera, setup, plan }: Selection,
  numbers: SetCardNumbers,
  sets: readonly NdSetRecord[],
): ExposureChoices => {
  const { locks } = setup;
  const irises =
    camera.fixedIris !== undefined
      ? [camera.fixedIris]
      : camera.irises.length > 0
        ? camera.irises
        : [plan.iris];
  const near = (f: number) =>
    Math.abs(2 * Math.log2(exactFNumber(f) / exactFNumber(plan.iris))) <= IRIS_REACH;
  const set = speedOf(camera, numbers, plan.iso);
  const isos =
    camera.sensitivity === 'ei'
      ? []
      : camera.isos.filter((iso) => ISO_RULES[locks.iso].allows(iso, { camera, set }));
  return {
    irises: depthIrises({ camera, plan }) ?? (locks.iris ? [plan.iris] : irises.filter(near)),
    shutters: locks.shutter ? [plan.shutter] : freeShutters(camera, setup),
    isos: isos.length > 0 ? isos : [set],
    nd: ndStacks(fitting(sets, camera)),
    lightMoves: !locks.light,
  };
};

/** Light of a card that is left behind glass which is not grey: what the ND may still take from. */
export const behindGlass = ({ glass }: PlanRecord, grey: number): number =>
  grey / 2 ** stopsBefore({ ndStops: 0, glass });

/** Settings that put the surveyed card at a placement; undefined where nothing absolute was read. */
export const solvedAt = (
  selection: Selection,
  numbers: SetCardNumbers,
  survey: Survey,
  sets: readonly NdSetRecord[],
  placement: number,
): ExposureAnswer | undefined => {
  if (survey.grey === undefined) return undefined;
  const { camera, plan, setup } = selection;
  return solveExposure(
    behindGlass(plan, survey.grey),
    placement,
    knobsOf(selection, numbers, sets),
    { iris: plan.iris, baseIsos: camera.baseIsos },
    setup.fps,
  );
};

/** The answer as fields of the plan. */
export const planFields = (
  { camera }: Selection,
  placement: number,
  answer: ExposureAnswer | undefined,
): Partial<PlanRecord> =>
  answer === undefined
    ? { placement }
    : {
        placement,
        iris: answer.iris,
        shutter: answer.shutter,
        ndStops: answer.nd.stops,
        ndSetId: answer.nd.setIds.length === 1 ? answer.nd.setIds[0] : undefined,
        ...(camera.sensitivity === 'ei' ? {} : { iso: answer.iso }),
      };

export type SchoolRow = SchoolAnswer & { readonly answer?: ExposureAnswer };
export type Schools = { readonly rows: readonly SchoolRow[]; readonly best: Recommendation };

/** Every school on this scene with this camera, each with the settings that give it. */
export const schoolsOf = (
  selection: Selection,
  numbers: SetCardNumbers,
  survey: Survey,
  sets: readonly NdSetRecord[],
): Schools => {
  const input = schoolInputOf(selection, numbers, survey);
  const answers = schoolAnswers(input);
  return {
    rows: answers.map((row) => ({
      ...row,
      answer:
        row.placement === undefined ? undefined : solvedAt(selection, numbers, survey, sets, row.placement),
    })),
    best: recommend(input, answers),
  };
};

/** A new spot of a role, in the unit last used, with the settings at hand for units that need them. */
export const newSpot = (id: string, { setup, plan }: Selection): Spot => {
  const unit = setup.spots.at(-1)?.unit ?? 'luminance';
  const at = settingsOf(plan, setup);
  const spot: Spot = {
    id,
    name: `Spot ${setup.spots.length + 1}`,
    role: setup.spots.some(({ role }) => role === 'card') ? 'keep' : 'card',
    unit: 'luminance',
    value: 40,
  };
  if (unit === 'stops') return { ...spot, unit, value: 0, at };
  return { ...inUnit(spot, unit, at, { constants: { k: setup.meterK, c: setup.meterC } }), at };
};

/** Settings a reading by the camera is taken at: the plan's as they stand. */
export const settingsOf = (plan: PlanRecord, setup: SetupRecord): NonNullable<Spot['at']> => ({
  iso: plan.iso,
  iris: plan.iris,
  seconds: shutterSeconds(plan.shutter, setup.fps),
  ndStops: stopsBefore(plan),
});

/** What the camera's own meter showed on a spot, its bias taken off, at the settings it was shown at. */
export const spotOfMeter = (
  id: string,
  selection: Selection,
  settings: {
    readonly fNumber: number;
    readonly seconds: number;
    readonly iso: number;
    readonly ndStops: number;
  },
  shows: number,
): Spot => ({
  ...newSpot(id, selection),
  unit: 'meter',
  value: Number((shows - selection.camera.meter.bias).toFixed(2)),
  at: {
    iso: settings.iso,
    iris: Number(settings.fNumber.toFixed(3)),
    seconds: settings.seconds,
    ndStops: settings.ndStops,
  },
});

/** What a mark on the frame is as a spot of the survey; of a neutral only the light is known, so it may be lost. */
const SPOT_OF_MARK = {
  card: { name: 'Card', role: 'card' },
  skin: { name: 'Face', role: 'skin' },
  white: { name: 'White', role: 'keep' },
  neutral: { name: 'Neutral', role: 'mayLose' },
} as const satisfies Record<PatchKind, { name: string; role: SpotRole }>;

/** Patches marked on the frame in Judge as spots: their recorded stops at the plan's settings are luminance. */
export const spotsOfFrame = (
  selection: Selection,
  numbers: SetCardNumbers,
  measured: FrameMeasurement,
): Spot[] => {
  const { plan, subjects, camera } = selection;
  const settings = {
    fNumber: exactFNumber(plan.iris),
    seconds: numbers.seconds,
    iso: speedOf(camera, numbers, plan.iso),
    ndStops: stopsBefore(plan),
  };
  const named = new Map<string, number>();
  return measured.patches.flatMap((reading) => {
    const { patch } = reading;
    const stops = patchStops(reading, measured.coding, numbers.profile);
    // At black no light is told.
    if (!Number.isFinite(stops)) return [];
    const who = patch.kind === 'skin' ? subjects.find(({ id }) => id === patch.subjectId) : undefined;
    const of = who?.name ?? SPOT_OF_MARK[patch.kind].name;
    const count = (named.get(of) ?? 0) + 1;
    named.set(of, count);
    return {
      id: `frame-${patch.id}`,
      name: `${of} in the frame${count > 1 ? ` ${count}` : ''}`,
      role: SPOT_OF_MARK[patch.kind].role,
      unit: 'luminance',
      value: Number(luminanceFor(settings, stops).toPrecision(4)),
      ...(patch.subjectId === undefined ? {} : { subjectId: patch.subjectId }),
    };
  });
};
