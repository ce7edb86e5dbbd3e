import { stopsShownAt } from '../lut/greyAxis.ts';
import { monitoringRecipe } from '../lut/monitoringRecipe.ts';
import { compileNeutral } from '../lut/neutral.ts';
import { compileProfile, type Profile, type ProfileData } from '../profile/index.ts';
import type { Coding } from '../signal/scale.ts';
import { exactFNumber } from './aperture.ts';
import { stopsBefore } from './glassLoss.ts';
import { isoStanding, type IsoStanding, type Sensitivity } from './iso.ts';
import { illuminanceFor, luminanceFor } from './meter.ts';
import { shutterSeconds, type Shutter } from './shutter.ts';
import type { ZebraAbility, ZebraSetting, ZebraSignal } from './zebra.ts';
import { zebraLevels } from './zebraLevels.ts';

/** What of a camera the set card needs. */
export type CardCamera = {
  readonly coding: Coding;
  readonly baseIsos: readonly number[];
  /** `gain` without the field. */
  readonly sensitivity?: Sensitivity;
  readonly zebra: ZebraAbility;
  /** Lowest usable stop at base ISO, signal to noise judged by its owner. */
  readonly floorStops: number;
};

/** What was decided for one camera in one set-up. */
export type CardPlan = {
  readonly placement: number;
  readonly iso: number;
  readonly shutter: Shutter;
  readonly iris: number;
  readonly ndStops: number;
  /** Other glass before the lens, by its ids. */
  readonly glass?: readonly string[];
  /** Stops under clip at which the warning zebra sets in. */
  readonly warningMargin: number;
};

export type CardSubject = { readonly id: string; readonly name: string; readonly skinOffset: number };

export type SetCardNumbers = {
  readonly profile: Profile;
  /** Clip in the recording at this ISO, stops over grey. */
  readonly clipStops: number;
  /** Lowest usable stop in the recording at this ISO. */
  readonly floorStops: number;
  readonly iso: IsoStanding;
  readonly card: ZebraSetting;
  readonly skin: readonly {
    readonly subject: CardSubject;
    readonly stops: number;
    readonly zebra: ZebraSetting;
  }[];
  readonly warning: ZebraSetting;
  /**
   * Pull of the monitor's picture, stops: the placement's where it is computed, what it comes to where a LUT
   * is loaded.
   */
  readonly pullStops: number;
  /** The LUT's picture, where one is loaded. */
  readonly monitor?: MonitorPicture;
  readonly seconds: number;
  /** Light that puts an 18 % card there. */
  readonly luminance: number;
  readonly illuminance: number;
};

/** The picture of a LUT that is loaded, as far as the card needs it. */
export type MonitorPicture = {
  /** Signal of a neutral in the recording to its signal on the monitor. */
  readonly neutral: (signal: number) => number;
  /** The stop of the recording that lands on the monitor's grey. */
  readonly pullStops: number;
};

/**
 * What a zebra sees: the recorded signal, or what the monitor's picture makes of it.
 *
 * @param picture pull of the camera's own display LUT in stops (none where it does not follow), or a LUT's picture
 */
export const zebraSignal = (
  profile: Profile,
  { reads, follows }: Pick<ZebraAbility, 'reads' | 'follows'>,
  picture: number | MonitorPicture,
): ZebraSignal => {
  if (reads === 'log') return profile;
  const { neutral } =
    typeof picture === 'number'
      ? compileNeutral(monitoringRecipe({ profile, pullStops: follows === 'no' ? 0 : picture }))
      : picture;
  return {
    signalAt: (over) => neutral(profile.signalAt(over)),
    stopsAt: (signal) => stopsShownAt(profile, neutral, signal),
  };
};

/**
 * Everything the set card shows, from profile, camera, plan, subjects and the LUT on the monitor, if one is
 * loaded. Pure and quick: it runs on every nudge. Zebra levels are on the camera's scale, stops are over grey
 * in the recording.
 */
export const setCardNumbers = (
  data: ProfileData,
  camera: CardCamera,
  plan: CardPlan,
  subjects: readonly CardSubject[],
  fps: number,
  monitor?: MonitorPicture,
): SetCardNumbers => {
  const profile = compileProfile(data);
  const iso = isoStanding(plan.iso, camera.baseIsos, camera.sensitivity);
  const clipStops = profile.clipStops - iso.clipLoss;
  const signal = zebraSignal(profile, camera.zebra, monitor ?? plan.placement);
  const seconds = shutterSeconds(plan.shutter, fps);
  // With an exposure index the sensor stays at its base, whatever the dial says.
  const speed = camera.sensitivity === 'ei' ? iso.base : plan.iso;
  const settings = { fNumber: exactFNumber(plan.iris), seconds, iso: speed, ndStops: stopsBefore(plan) };
  const levels = zebraLevels(camera, signal, {
    placement: plan.placement,
    faces: subjects,
    clipStops,
    warningMargin: plan.warningMargin,
  });
  return {
    profile,
    clipStops,
    floorStops: camera.floorStops + iso.floorRise,
    iso,
    card: levels.card,
    skin: subjects.map((subject, i) => ({
      subject,
      stops: plan.placement + subject.skinOffset,
      zebra: levels.skin[i],
    })),
    warning: levels.warning,
    pullStops: monitor?.pullStops ?? plan.placement,
    ...(monitor ? { monitor } : {}),
    seconds,
    luminance: luminanceFor(settings, plan.placement),
    illuminance: illuminanceFor(settings, plan.placement),
  };
};
