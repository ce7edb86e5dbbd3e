import { exactFNumber, F_NUMBERS } from '#core/exposure/aperture.ts';
import { GLASS_LOSS, knownGlass, stopsBefore } from '#core/exposure/glassLoss.ts';
import type { MeterMode } from '#core/exposure/meterModes.ts';
import { shutterSeconds, type Shutter } from '#core/exposure/shutter.ts';
import { glassSum } from '#core/lens/glass.ts';
import { autoIris, autoIso, autoKelvin, type AutoRules } from '#core/sensor/auto.ts';
import type { CameraBody, CameraSettings } from '#core/sensor/camera.ts';
import { specOf } from '#core/sensor/spec.ts';
import type { BookRecords } from '#store/book.ts';
import { isoCeiling, type CameraRecord } from '#store/records/camera.ts';
import type { Selection } from '#store/selection.ts';
import { sensorOf } from '../bench/sensorOf.ts';

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

const DIFFUSING = ['diffusion8', 'diffusion4', 'diffusion2'] as const;

/** Diffusion filters by strength: the share of light they spread. */
export const DIFFUSIONS: readonly { readonly name: string; readonly share: number }[] = [
  { name: 'none', share: 0 },
  ...DIFFUSING.map((id) => ({
    name: GLASS_LOSS[id].name.replace('diffusion ', ''),
    share: GLASS_LOSS[id].veil,
  })),
];

/** What the strongest diffusion on the card spreads. */
const diffusionOf = (glass: unknown): number => {
  const on = knownGlass(glass);
  return Math.max(0, ...DIFFUSING.map((id) => (on.includes(id) ? GLASS_LOSS[id].veil : 0)));
};

export const knobsOfCard = ({ plan }: Selection): Knobs => ({
  iris: plan.iris,
  shutter: plan.shutter,
  iso: plan.iso,
  ndStops: stopsBefore(plan),
  kelvin: plan.kelvin,
  tint: plan.tint,
  profileId: plan.profileId,
  diffusion: diffusionOf(plan.glass),
});

/** Widest clip of a camera's own profiles: there its sensor is full. */
const fullStopsOf = (camera: CameraRecord, records: BookRecords): number =>
  Math.max(...camera.profileIds.flatMap((id) => records.profiles.get(id)?.data.clipStops ?? []), 3);

/** A simulated body of a camera. @param glass Before its lens: its colour turns the picture as a body's lean does */
export const bodyOf = (camera: CameraRecord, records: BookRecords, glass?: unknown): CameraBody => {
  const { mired, tint } = glassSum(knownGlass(glass));
  const isTurned = camera.lean !== undefined || mired !== 0 || tint !== 0;
  return {
    sensor: specOf(sensorOf(camera), camera, fullStopsOf(camera, records)),
    lean: isTurned
      ? { mired: (camera.lean?.mired ?? 0) + mired, tint: (camera.lean?.tint ?? 0) + tint }
      : undefined,
  };
};

/** The simulated camera set as its knobs say; undefined when the profile is none of the kit. */
export const settingsOfKnobs = (
  { camera, setup }: Pick<Selection, 'camera'> & { readonly setup: Pick<Selection['setup'], 'fps'> },
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

/** Lists the knobs turn through. */
export const irisesOf = (camera: CameraRecord): readonly number[] =>
  camera.fixedIris !== undefined ? [camera.fixedIris] : camera.irises.length > 0 ? camera.irises : F_NUMBERS;

/** What the automatics may do: within the lens, up to two stops over the first base, and what the dial can say. */
export const autoRulesOf = (camera: CameraRecord): AutoRules => ({
  irisRange: [Math.min(...irisesOf(camera)), Math.max(...irisesOf(camera))],
  isoRange: [Math.min(...camera.baseIsos), isoCeiling(camera)],
  kelvinRange: camera.kelvinRange,
  compensation: 0,
});

/** What the automatics have come to; undefined until they work. */
export type AutoValues = {
  readonly autoIris?: number;
  readonly autoIso?: number;
  readonly autoKelvin?: number;
};
/** What the last picture told them: the meter's stops, and the light that automatic balance takes for white, K. */
export type Seen = { readonly shows?: number; readonly seen?: number };

/** The automatics a step of time later. The iris works first; gain only where the lens is at its end. */
export const automaticStep = (
  {
    auto,
    autoIris: iris,
    autoIso: iso,
    autoKelvin: kelvin,
    shows,
    seen,
  }: AutoValues & Seen & { readonly auto: Automatics },
  settings: Pick<CameraSettings, 'fNumber' | 'iso' | 'kelvin'>,
  rules: AutoRules,
  seconds: number,
): AutoValues => {
  const lens =
    auto.iris && shows !== undefined ? autoIris(iris ?? settings.fNumber, shows, seconds, rules) : undefined;
  const atEnd = lens === undefined || rules.irisRange.includes(lens);
  return {
    ...(lens === undefined ? {} : { autoIris: lens }),
    ...(auto.iso && shows !== undefined && atEnd
      ? { autoIso: autoIso(iso ?? settings.iso, shows, seconds, rules) }
      : {}),
    ...(auto.balance && seen !== undefined
      ? { autoKelvin: autoKelvin(kelvin ?? settings.kelvin, seen, seconds, rules) }
      : {}),
  };
};

/** Knobs with what the automatics have come to, as the camera shows it. */
export const withAutomatics = (
  knobs: Knobs,
  { iris, iso, balance }: Automatics,
  { autoIris: f, autoIso: gain, autoKelvin: kelvin }: AutoValues,
): Knobs => ({
  ...knobs,
  ...(iris && f !== undefined ? { iris: Number(f.toFixed(1)) } : {}),
  ...(iso && gain !== undefined ? { iso: Math.round(gain) } : {}),
  ...(balance && kelvin !== undefined ? { kelvin: Math.round(kelvin / 10) * 10 } : {}),
});

/** Mired that one click of the balance knob is worth: about as much as is just seen. */
const CLICK_MIRED = 10;
/** Kelvin so many clicks on, in even steps of mired as far as the camera's dial has them; at least one step of it. */
export const stepKelvin = (
  kelvin: number,
  clicks: number,
  { kelvinStep, kelvinRange: [low, high] }: Pick<CameraRecord, 'kelvinStep' | 'kelvinRange'>,
): number => {
  const mired = Math.max(1e6 / high, 1e6 / kelvin - CLICK_MIRED * clicks);
  const next = Math.round(1e6 / mired / kelvinStep) * kelvinStep;
  const moved = next === kelvin ? kelvin + Math.sign(clicks) * kelvinStep : next;
  return Math.min(high, Math.max(low, moved));
};

/** The entry so many steps on, held at the ends; from the nearest one when the value is none of the list. */
export const stepIn = <T>(list: readonly T[], nearest: (entry: T) => number, steps: number): T => {
  const at = list.reduce((best, entry, i) => (nearest(entry) < nearest(list[best]) ? i : best), 0);
  return list[Math.min(list.length - 1, Math.max(0, at + steps))];
};
