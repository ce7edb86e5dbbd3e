import { compileCorrection } from '#core/correction/compile.ts';
import { NO_CORRECTION, type Correction } from '#core/correction/operations.ts';
import { gamutMatrix } from '#core/colour/gamut.ts';
import type { Frame } from '#core/frame/frame.ts';
import { apply, type Triple } from '#core/maths/matrix.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import { compileRecipe } from '#core/lut/recipe.ts';
import { onCodes } from '#core/match/asCdl.ts';
import { readAsPicture, readByProfile, type LightReading } from '#core/match/measurePatches.ts';
import type { MatchSpace } from '#core/match/parameters.ts';
import type { ProfileData } from '#core/profile/index.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import { TRANSFERS } from '#core/transfer/index.ts';
import type { Pixels } from '../judge/protocol.ts';
import type { MatchReadings, SideReading } from './protocol.ts';

/** A match is solved in BT.2020: its primaries stand for a body's own channels, whatever it records in. */
const PRIMARIES = 'bt2020';
/** A finished picture's grey, in light of the display where a white is 1: 45 % of signal. Common practice. */
const PICTURE_LEVEL = Math.log2(TRANSFERS.bt1886.decode(0.45) / 0.18);

/** Whether both profiles are known, so that there is light to solve in. */
export const isLight = ({ sides }: MatchReadings): boolean =>
  sides.camera.profile !== undefined && sides.hero.profile !== undefined;

/** Where a match of these is solved. */
export const spaceOf = (readings: MatchReadings): MatchSpace => {
  const dial = readings.white.camera;
  const bend = readings.sides.camera.profile?.curve;
  return isLight(readings)
    ? { primaries: PRIMARIES, ...(bend ? { bend } : {}), level: readings.sides.hero.placement, dial }
    : { primaries: 'bt709', level: PICTURE_LEVEL, dial };
};

/** A frame of a profile as the finished picture of its monitor, where the other side is nothing else. */
const finished = (frame: Frame, { profile, placement }: SideReading): Frame => {
  if (!profile) return frame;
  const { rgb } = compileRecipe(monitoringRecipe({ profile, pullStops: placement }));
  const { lights: signals } = signalReading(frame);
  const coding = { bitDepth: 12, range: 'full' } as const;
  const planes = [0, 1, 2].map(() => new Uint16Array(frame.r.length));
  for (let i = 0; i < frame.r.length; i += 1) {
    const out = rgb([signals[frame.r[i]], signals[frame.g[i]], signals[frame.b[i]]]);
    for (let c = 0; c < 3; c += 1) planes[c][i] = Math.round(4095 * Math.min(1, Math.max(0, out[c])));
  }
  return { ...frame, ...coding, source: undefined, r: planes[0], g: planes[1], b: planes[2] };
};

/** Signal of each code, in the form of a reading. */
const signalReading = (frame: Frame) => {
  const levels = 2 ** frame.bitDepth;
  return { lights: Float64Array.from({ length: levels }, (_, code) => codeToSignal(code, frame)) };
};

/** A side ready to be measured: its frame and how its codes are light. */
export const sideLight = (
  frame: Frame,
  side: SideReading,
  inLight: boolean,
): { readonly frame: Frame; readonly reading: LightReading } => {
  if (inLight && side.profile) return { frame, reading: readByProfile(side.profile, frame, side.floorStops) };
  const shown = finished(frame, side);
  return { frame: shown, reading: readAsPicture(shown) };
};

/** Light in the match's primaries to the signal of the hero's monitor. */
const shownBy = (readings: MatchReadings, { primaries }: MatchSpace) => {
  const { profile, placement } = readings.sides.hero;
  const into = new Float64Array(3);
  if (!profile || !isLight(readings)) {
    const { encode } = TRANSFERS.bt1886;
    return ([r, g, b]: Triple) => {
      [r, g, b].forEach((v, c) => {
        into[c] = encode(Math.max(0, v));
      });
      return into;
    };
  }
  const { picture } = compileRecipe(monitoringRecipe({ profile, pullStops: placement }));
  const matrix = gamutMatrix(primaries, profile.gamut);
  const gain = 2 ** -placement;
  return (light: Triple) => {
    const [r, g, b] = apply(matrix, light);
    picture(gain * r, gain * g, gain * b, into);
    return into;
  };
};

/**
 * A side as the hero's monitor shows it, after a correction; every so-manieth pixel, at the width asked for at most.
 */
export const paintSide = (
  whole: Frame,
  readings: MatchReadings,
  side: SideReading,
  width: number,
  correction: Correction = NO_CORRECTION,
): Pixels => {
  const space = spaceOf(readings);
  const { frame, reading } = sideLight(whole, side, isLight(readings));
  const every = Math.max(1, Math.ceil(frame.width / width));
  const [w, h] = [Math.floor(frame.width / every), Math.floor(frame.height / every)];
  const rgba = new Uint8ClampedArray(4 * w * h);
  const { run } = compileCorrection(correction, space.primaries);
  const shown = shownBy(readings, space);
  const matrix = gamutMatrix(reading.primaries, space.primaries);
  const { lights } = reading;
  for (let y = 0, at = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1, at += 4) {
      const i = y * every * frame.width + x * every;
      const own: Triple = [lights[frame.r[i]], lights[frame.g[i]], lights[frame.b[i]]];
      const out = shown(run(apply(matrix, own)));
      for (let c = 0; c < 3; c += 1) rgba[at + c] = 255 * out[c];
      rgba[at + 3] = 255;
    }
  return { width: w, height: h, rgba };
};

/**
 * A picture of a monitor with a correction under it: back to the recording's signal, corrected in light, and shown
 * again. What the monitor cut off does not come back.
 */
export const paintPreview = (
  { width, height, r, g, b, bitDepth }: Frame,
  profile: ProfileData,
  pullStops: number,
  correction: Correction,
): Pixels => {
  const { rgb, undo } = compileRecipe(monitoringRecipe({ profile, pullStops }));
  const corrected = onCodes(correction, profile);
  const rgba = new Uint8ClampedArray(4 * width * height);
  const top = 2 ** bitDepth - 1;
  for (let i = 0, at = 0; i < r.length; i += 1, at += 4) {
    const out = rgb(corrected(undo([r[i] / top, g[i] / top, b[i] / top])));
    for (let c = 0; c < 3; c += 1) rgba[at + c] = 255 * out[c];
    rgba[at + 3] = 255;
  }
  return { width, height, rgba };
};
