import type { FilmedCamera, Filming } from '#core/cameraTest/film/film.ts';
import type { SlipId } from '#core/cameraTest/film/slips.ts';
import type { ZebraPrint } from '#core/cameraTest/meaning.ts';
import type { Figure } from '#core/cameraTest/tell/types.ts';
import type { TestTold } from '#core/cameraTest/evaluate.ts';
import type { TestedCamera, TestHave } from '#core/cameraTest/types.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { floorAt } from '#core/noise/sensorNoise.ts';
import { gaussian, seededRandom } from '#core/random.ts';
import { specOf } from '#core/sensor/spec.ts';
import { SCALES } from '#core/signal/scale.ts';
import { placementFor } from '#core/cameraTest/meaning.ts';
import type { Edit } from '#store/edits.ts';
import { shuttersOf, withOwnProfile, type CameraRecord } from '#store/records/camera.ts';
import { planChange, type PlanRecord } from '#store/records/plan.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import { sensorOf } from '#ui/bench/sensorOf.ts';
import { words } from '#ui/wording/kitTest.ts';

/** A camera's menu, as a list is made from it. */
export const testedCamera = (camera: CameraRecord, fps: number): TestedCamera => ({
  baseIsos: camera.baseIsos,
  isos: camera.isos,
  sensitivity: camera.sensitivity,
  shutters: shuttersOf(camera),
  fps,
  kelvinStep: camera.kelvinStep,
  kelvinRange: camera.kelvinRange,
  tintStep: camera.tintStep,
  tintRange: camera.tintRange,
  meterModes: camera.meter.modes,
});

/** What a body does that its menu does not say, by its number: the stage's own. */
const hidden = (body: number) => {
  const random = seededRandom(body * 7919 + 3);
  const normal = gaussian(random);
  return {
    lean: { mired: Math.round(9 * normal()), tint: Math.round(4 * normal()) },
    meterBias: Math.round(3 * 0.35 * normal()) / 3,
    isTintTurned: random() < 0.25,
    sharpening: 0.15 + 0.4 * random(),
    smoothing: random() < 0.5 ? 0 : 1,
  };
};

/** A body of this camera as the stage has it: the profile at hand, and leanings that the test has to find. */
export const stageCamera = (
  camera: CameraRecord,
  profile: ProfileRecord,
  fps: number,
  body: number,
): FilmedCamera => {
  const { lean, meterBias, isTintTurned, sharpening, smoothing } = hidden(body);
  return {
    body: { sensor: specOf(sensorOf(camera), camera, profile.data.clipStops), lean },
    profile: profile.data,
    coding: { bitDepth: camera.coding.bitDepth === 8 ? 8 : 10, range: camera.coding.range },
    chroma: camera.chroma,
    fps,
    baseIsos: camera.baseIsos,
    shutterSd: 0.04,
    isoSd: 0.03,
    meterBias,
    isTintTurned,
    fromNew: { sharpening, smoothing, paint: { saturation: 4, hue: 3 } },
  };
};

export const filmingOf = (
  camera: FilmedCamera,
  have: TestHave,
  slips: readonly SlipId[],
  seed: number,
): Filming => ({ camera, lamp: { kelvin: have.kelvin ?? 5000 }, card: have.card, slips, seed });

/** A signal as the camera's zebra counts it. */
export const zebraPrint =
  ({ zebra, coding }: CameraRecord): ZebraPrint =>
  (signal) =>
    `${SCALES[zebra.scale].fromSignal(signal, coding).toFixed(0)} %`;

const figuresOf = (told: TestTold): ReadonlyMap<string, Figure> =>
  new Map(told.parts.flatMap(({ figures }) => figures.map((figure) => [figure.id, figure] as const)));

const tenth = (value: number) => Math.round(10 * value) / 10;

/** What of a test goes onto the camera; each can be left out. A further one is a row. */
export const TAKEN_IN = {
  profile: {
    name: 'the curve, as a profile of its own',
    says: ({ curve: { profile } }: TestTold) =>
      words.profileTaken(printStopsDecimal(profile.clipStops), printStops(placementFor(profile.clipStops))),
  },
  noise: {
    name: 'sensor noise and the usable floor',
    says: ({ sensor }: TestTold) =>
      sensor ? words.floorSays(printStopsDecimal(floorAt(sensor))) : undefined,
  },
  lean: {
    name: 'the lean of the body',
    says: (told: TestTold) => {
      const figures = figuresOf(told);
      const [mired, tint] = [figures.get('lean.mired'), figures.get('lean.tint')];
      return mired && tint
        ? words.leanSays(printStopsDecimal(mired.value), printStopsDecimal(tint.value))
        : undefined;
    },
  },
  meter: {
    name: 'what its meter shows too much',
    says: (told: TestTold) => {
      const bias = meterBias(told);
      return bias === undefined ? undefined : words.biasSays(printStops(bias));
    },
  },
  bases: {
    name: 'base ISOs',
    says: (told: TestTold) => {
      const found = basesFound(told);
      return found.length > 0 ? found.join(', ') : undefined;
    },
  },
  zebra: {
    name: 'which picture the zebra reads',
    says: (told: TestTold) => {
      const reads = figuresOf(told).get('zebra.lut');
      return reads ? (reads.value > 0 ? words.readsAssist : words.readsRecording) : undefined;
    },
  },
} as const satisfies Record<string, { name: string; says: (told: TestTold) => string | undefined }>;
export type TakenInId = keyof typeof TAKEN_IN;
export const TAKEN_IN_IDS = Object.keys(TAKEN_IN) as TakenInId[];

/** The meter's bias on the card in its first mode, to a third of a stop as Kit keeps it. */
const meterBias = (told: TestTold): number | undefined => {
  const figure = [...figuresOf(told).values()].find(
    ({ id }) => id.startsWith('meter.') && id.endsWith('.card'),
  );
  return figure && Math.round(3 * figure.value) / 3;
};

const basesFound = (told: TestTold): readonly number[] =>
  [...figuresOf(told).values()].filter(({ id }) => id.startsWith('base.')).map(({ value }) => value);

/** What a test says, onto the camera, its profile and the plan, as one edit. */
export const takeTestIn = (
  told: TestTold,
  taken: ReadonlySet<TakenInId>,
  { camera, plan }: { readonly camera: CameraRecord; readonly plan: PlanRecord },
  made: { readonly id: string; readonly name: string; readonly today: string; readonly kelvin?: number },
): Edit => {
  const figures = figuresOf(told);
  const has = (id: TakenInId) => taken.has(id) && TAKEN_IN[id].says(told) !== undefined;
  const bias = meterBias(told);
  const [mired, tint] = [figures.get('lean.mired'), figures.get('lean.tint')];
  const reads = figures.get('zebra.lut');
  const follows = figures.get('zebra.follows');
  const measured: CameraRecord = {
    ...camera,
    ...(has('noise') && told.sensor
      ? {
          noise: { ...told.sensor, from: 'bracket' as const },
          floorStops: tenth(floorAt(told.sensor)),
        }
      : {}),
    ...(has('lean') && mired && tint && made.kelvin !== undefined
      ? {
          lean: {
            mired: tenth(mired.value),
            tint: tenth(tint.value),
            kelvin: made.kelvin,
            measuredOn: made.today,
          },
        }
      : {}),
    ...(has('meter') && bias !== undefined ? { meter: { ...camera.meter, bias } } : {}),
    ...(has('bases')
      ? {
          baseIsos: [...new Set([...camera.baseIsos, ...basesFound(told)])].sort((a, b) => a - b).slice(0, 4),
        }
      : {}),
    ...(has('zebra') && reads
      ? {
          zebra: {
            ...camera.zebra,
            reads: reads.value > 0 ? ('lut' as const) : ('log' as const),
            ...(follows ? { follows: follows.value > 0 ? ('yes' as const) : ('no' as const) } : {}),
          },
        }
      : {}),
  };
  const profile: ProfileRecord = {
    id: made.id,
    name: made.name,
    origin: 'bracket',
    says: words.profileSays(made.today),
    data: told.curve.profile,
    evidence: told.curve.evidence,
  };
  const isProfile = has('profile');
  return {
    label: words.testTakenIn(camera.name),
    changes: [
      ...(isProfile ? [{ table: 'profiles' as const, id: profile.id, after: profile }] : []),
      {
        table: 'cameras' as const,
        id: camera.id,
        before: camera,
        after: isProfile ? withOwnProfile(measured, profile.id) : measured,
      },
      ...(isProfile ? [planChange(plan, { profileId: profile.id })] : []),
    ],
  };
};
