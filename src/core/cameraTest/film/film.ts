import { shutterSeconds } from '../../exposure/shutter.ts';
import { luminanceFor } from '../../exposure/meter.ts';
import type { Frame } from '../../frame/frame.ts';
import { gaussian, seededRandom } from '../../random.ts';
import type { SceneLight } from '../../scene/scene.ts';
import { expose, type CameraBody } from '../../sensor/camera.ts';
import type { ProfileData } from '../../profile/index.ts';
import type { Chroma } from '../../signal/chroma.ts';
import type { Coding } from '../../signal/scale.ts';
import { NO_PAINT, type Paint } from '../../sensor/paint.ts';
import { stopsToReflectance } from '../../units.ts';
import { CARDS, type CardKind, type Shot, type View } from '../types.ts';
import { firstBase } from '../shots/ground.ts';
import { DESK_REFLECTANCE, deskLight } from './desk.ts';
import { sharpened } from './sharpened.ts';
import { covered, SLIPS, windowLit, type SlipId } from './slips.ts';

// The stage films the list: a simulated camera on a desk, as an owner would, with what a real body does to the marks on
// its dials.

/** A simulated camera on the desk. */
export type FilmedCamera = {
  readonly body: CameraBody;
  readonly profile: ProfileData;
  readonly coding: Coding;
  readonly chroma: Chroma;
  readonly fps: number;
  readonly baseIsos: readonly number[];
  /** How far its shutters lie off their marks, stops, standard deviation; each one always the same. */
  readonly shutterSd: number;
  /** The same of its ISO steps. */
  readonly isoSd: number;
  /** What its meter shows too much, stops. */
  readonly meterBias: number;
  /** Tint goes the other way than its menu says. */
  readonly isTintTurned?: boolean;
  /** Detail, noise reduction and colour as it comes from new. */
  readonly fromNew: {
    readonly sharpening: number;
    readonly smoothing: number;
    readonly paint: Partial<Paint>;
  };
};

/** The light on the desk. */
type DeskLamp = {
  readonly kelvin: number;
  /** Flicker: how deep, of 1, and how often a second. */
  readonly flicker?: { readonly depth: number; readonly hertz: number };
};

export type Filming = {
  readonly camera: FilmedCamera;
  readonly lamp: DeskLamp;
  readonly card: CardKind;
  readonly slips: readonly SlipId[];
  readonly seed: number;
  /** Frames of a shot; without it as many as a list holds a shot for. */
  readonly frames?: number;
};

/** Frames of a shot, and how many a second. */
const FILMED_FRAMES = 8;
export const FILMED_RATE = 2;
/** Seconds in which a frame is read out from top to bottom. Usual for such sensors; our own. */
const READOUT = 1 / 60;
const F_NUMBER = 4;
/** Seconds from shot to shot: what a lamp drifts in. */
const BETWEEN = 13;

/** How far a mark lies off, always the same for the same mark of the same body. */
const markError = (seed: number, mark: number, sd: number): number =>
  sd * gaussian(seededRandom(Math.imul(seed + 1, 2654435761) ^ Math.round(mark * 7919)))();

/** Reflectance of what fills a view where it is metered. */
const REFLECTANCE: Partial<Record<View, number>> = {
  white: DESK_REFLECTANCE.white,
  black: DESK_REFLECTANCE.black,
};

/** Rows brighter and darker as the lamp swings while they are read out; exposing for longer evens it out. */
const flickering = (
  light: SceneLight,
  { depth, hertz }: NonNullable<DeskLamp['flicker']>,
  seconds: number,
  start: number,
): SceneLight => {
  const swing = Math.PI * hertz * seconds;
  const left = depth * (swing > 0 ? Math.sin(swing) / swing : 1);
  const { width, height } = light;
  const rgb = light.rgb.slice();
  for (let row = 0; row < height; row += 1) {
    const at = start + (READOUT * row) / height;
    const factor = 1 + left * Math.cos(2 * Math.PI * hertz * at + swing);
    for (let c = 0; c < 3; c += 1)
      for (let i = c * width * height + row * width, end = i + width; i < end; i += 1) rgb[i] *= factor;
  }
  return { width, height, rgb };
};

/** How far an ISO really lies off its mark against the base, stops. */
export const isoOff = ({ camera, seed }: Filming, iso: number): number =>
  iso === firstBase(camera) ? 0 : markError(seed + 5, iso, camera.isoSd);

/** Light that shifts the exposure as a shot's settings and the body's real marks do, stops over what was meant. */
const realStops = (shot: Shot, index: number, filming: Filming): number => {
  const { camera, slips, seed } = filming;
  const { shutter, iso } = shot.settings;
  const mark = shutter.kind === 'angle' ? shutter.degrees : shutter.denominator;
  const jitter = 0.003 * gaussian(seededRandom(seed * 31 + index))();
  const drift = slips.includes('drift') ? (SLIPS.drift.stops * index * BETWEEN) / 600 : 0;
  return markError(seed, mark, camera.shutterSd) + isoOff(filming, iso) + jitter + drift;
};

/** Frames of one shot of the list. @param index Its place in the list, from 0 */
export const filmShot = (shot: Shot, index: number, filming: Filming): readonly Frame[] => {
  const { camera, lamp, card, slips, seed } = filming;
  const { settings, view, kind } = shot;
  const base = firstBase(camera);
  const exposure = {
    fNumber: F_NUMBER,
    seconds: shutterSeconds(settings.shutter, camera.fps),
    iso: settings.iso,
    ndStops: 0,
  };
  // The light in which a grey card stands at grey by the list's own marks, at its first light.
  const isEi = camera.body.sensor.sensitivity === 'ei';
  const listed = luminanceFor({ ...exposure, iso: isEi ? base : settings.iso }, settings.stops);
  const metered = kind === 'meter';
  const place = metered ? -camera.meterBias : 0;
  const reflects = REFLECTANCE[view] ?? CARDS[card].reflectance;
  const white = metered
    ? luminanceFor({ ...exposure, iso: isEi ? base : settings.iso }, place) / reflects
    : listed / stopsToReflectance(0);
  const off = metered ? 0 : realStops(shot, index, filming);
  const auto = slips.includes('autoExposure') && kind === 'iso' ? -settings.stops : 0;
  const desk = deskLight(view, lamp.kelvin, white * 2 ** (off + auto), CARDS[card].reflectance, seed);
  const light = slips.includes('mixed') ? windowLit(desk) : desk;
  const isAutoBalance = slips.includes('autoBalance') && (kind === 'balance' || kind === 'tint');
  const fromNew = settings.processing === 'default' ? camera.fromNew : undefined;
  const body: CameraBody = {
    ...camera.body,
    ...(fromNew ? { paint: { ...NO_PAINT, ...fromNew.paint } } : {}),
  };
  return Array.from({ length: filming.frames ?? FILMED_FRAMES }, (_, n) => {
    const at = seed * 9973 + index * 101 + n;
    const seen = slips.includes('hand') ? covered(light, index, n, seed) : light;
    const lit = lamp.flicker ? flickering(seen, lamp.flicker, exposure.seconds, (at * 0.0137) % 1) : seen;
    const frame = expose(
      lit,
      body,
      {
        ...exposure,
        diffusion: 0,
        kelvin: isAutoBalance ? lamp.kelvin : settings.kelvin,
        tint: isAutoBalance ? 0 : (camera.isTintTurned ? -1 : 1) * settings.tint,
        profile: camera.profile,
        coding: camera.coding,
        chroma: camera.chroma,
        smoothing: fromNew?.smoothing ?? 0,
      },
      at,
    );
    return sharpened(frame, fromNew?.sharpening ?? 0);
  });
};
