import { exactFNumber, F_NUMBERS } from '#core/exposure/aperture.ts';
import { shutterSeconds, type Shutter } from '#core/exposure/shutter.ts';
import type { Frame } from '#core/frame/frame.ts';
import type { StageSceneId } from '#core/scene/stage.ts';
import type { SceneTruth } from '#core/scene/truth.ts';
import type { Patch } from '#core/scopes/measure.ts';
import type { AutoRules } from '#core/sensor/auto.ts';
import type { CameraBody, CameraSettings } from '#core/sensor/camera.ts';
import type { MeterMode } from '#core/sensor/meter.ts';
import { sensorFromFloor } from '#core/sensor/noise.ts';
import { specOf } from '#core/sensor/spec.ts';
import type { BookRecords } from '#store/book.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import type { Selection } from '#store/selection.ts';

/** What is turned on the simulated camera itself; what is not turned stands as the card says. */
export type Knobs = {
  readonly iris: number;
  readonly shutter: Shutter;
  readonly iso: number;
  readonly ndStops: number;
  readonly kelvin: number;
  readonly tint: number;
  readonly profileId: string;
  /** Share of the light a diffusion filter spreads. */
  readonly diffusion: number;
};

/** What the camera does by itself, and what its meter looks at. */
export type Automatics = {
  readonly iris: boolean;
  readonly iso: boolean;
  readonly balance: boolean;
  readonly mode: MeterMode;
  /** Middle of the spot, in fractions of the picture. */
  readonly spot: readonly [number, number];
};
export const PLAIN_AUTOMATICS: Automatics = {
  iris: false,
  iso: false,
  balance: false,
  mode: 'whole',
  spot: [0.5, 0.5],
};

/** Diffusion filters by strength: the share of light they spread, within what is usual (0.5 to 2 %). Our own. */
export const DIFFUSIONS = [
  { name: 'none', share: 0 },
  { name: '1/8', share: 0.005 },
  { name: '1/4', share: 0.012 },
  { name: '1/2', share: 0.02 },
] as const;

export const knobsOfCard = ({ plan }: Selection): Knobs => ({
  iris: plan.iris,
  shutter: plan.shutter,
  iso: plan.iso,
  ndStops: plan.ndStops,
  kelvin: plan.kelvin,
  tint: plan.tint,
  profileId: plan.profileId,
  diffusion: 0,
});

/** How a scene was first found, where it differs from the card: the demo has something to judge. */
export const FIRST_LOOK: Partial<Record<StageSceneId, Partial<Knobs>>> = {
  'bench-interview': { iris: 5 },
};

/** Widest clip of a camera's own profiles: there its sensor is full. */
const fullStopsOf = (camera: CameraRecord, records: BookRecords): number =>
  Math.max(...camera.profileIds.flatMap((id) => records.profiles.get(id)?.data.clipStops ?? []), 3);

export const bodyOf = (camera: CameraRecord, records: BookRecords): CameraBody => ({
  sensor: specOf(
    camera.noise ?? sensorFromFloor(Math.min(-0.5, camera.floorStops)),
    camera,
    fullStopsOf(camera, records),
  ),
  lean: camera.lean && { mired: camera.lean.mired, tint: camera.lean.tint },
});

/** The simulated camera set as its knobs say; undefined when the profile is none of the kit. */
export const settingsOfKnobs = (
  { camera, setup }: Pick<Selection, 'camera' | 'setup'>,
  knobs: Knobs,
  records: BookRecords,
): CameraSettings | undefined => {
  const profile = records.profiles.get(knobs.profileId)?.data;
  if (!profile) return undefined;
  const bitDepth = camera.coding.bitDepth <= 8 ? 8 : 10;
  return {
    fNumber: exactFNumber(knobs.iris),
    seconds: shutterSeconds(knobs.shutter, setup.fps),
    iso: knobs.iso,
    ndStops: knobs.ndStops,
    diffusion: knobs.diffusion,
    kelvin: knobs.kelvin,
    tint: knobs.tint,
    profile,
    coding: { bitDepth, range: camera.coding.range },
    chroma: camera.chroma,
    smoothing: 0,
  };
};

/** What the automatics may do: up to two stops over the first base, and what the dial can say. */
export const autoRulesOf = (camera: CameraRecord): AutoRules => ({
  irisRange: [Math.min(...irisesOf(camera)), Math.max(...irisesOf(camera))],
  isoRange: [Math.min(...camera.baseIsos), 4 * Math.min(...camera.baseIsos)],
  kelvinRange: camera.kelvinRange,
  compensation: 0,
});

/** Lists the knobs turn through. */
export const irisesOf = (camera: CameraRecord): readonly number[] =>
  camera.fixedIris !== undefined ? [camera.fixedIris] : camera.irises.length > 0 ? camera.irises : F_NUMBERS;

/** The entry so many steps on, held at the ends; from the nearest one when the value is none of the list. */
export const turned = <T>(list: readonly T[], nearest: (entry: T) => number, steps: number): T => {
  const at = list.reduce((best, entry, i) => (nearest(entry) < nearest(list[best]) ? i : best), 0);
  return list[Math.min(list.length - 1, Math.max(0, at + steps))];
};

/** Card and faces of a scene as marks on its picture. */
export const patchesOfTruth = (
  { objects }: SceneTruth,
  { width, height }: Pick<Frame, 'width' | 'height'>,
): Patch[] =>
  objects
    .filter(({ kind, subjectId }) => kind === 'card' || (kind === 'skin' && subjectId !== undefined))
    .toSorted((a, b) => Number(b.kind === 'card') - Number(a.kind === 'card'))
    .map(({ kind, subjectId, rect }) => ({
      id: kind === 'card' ? 'card' : `skin-${subjectId}`,
      kind: kind === 'card' ? 'card' : 'skin',
      subjectId: kind === 'skin' ? subjectId : undefined,
      rect: {
        x: Math.round(rect.x * width),
        y: Math.round(rect.y * height),
        width: Math.max(2, Math.round(rect.width * width)),
        height: Math.max(2, Math.round(rect.height * height)),
      },
    }));
