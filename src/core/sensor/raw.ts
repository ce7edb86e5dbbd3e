import { DITHER, MIXED_MIRED } from '../advice/rules.ts';
import { gigabytes } from '../day/media.ts';
import { realGain } from '../exposure/iso.ts';
import type { Lean } from '../colour/lean.ts';
import { floorAt, type SensorModel } from '../noise/sensorNoise.ts';
import type { Profile } from '../profile/index.ts';
import { said } from '../said.ts';
import { codeToSignal, type Coding } from '../signal/scale.ts';
import { MIDDLE_GREY, printStopsDecimal, printStopsOf, stopsToReflectance } from '../units.ts';
import { balancedWhite } from './camera.ts';
import { CHANNEL_SHARE } from './spec.ts';

// Raw: the counts of the sensor as they are. Nothing is balanced, ISO is a wish unless it is real gain, each channel
// has its own clip and noise. What zebra, waveform and LUT read is a picture that the camera develops for them.

const RAW_CHANNELS = ['red', 'green', 'blue'] as const;
type RawChannelName = (typeof RAW_CHANNELS)[number];

export type RawChannel = {
  readonly name: RawChannelName;
  /** Stops over a grey card in this light at which it is full. */
  readonly clipStops: number;
  /** Lowest stop from grey whose signal is as large as its noise (ISO 15739: SNR 1). */
  readonly floorStops: number;
};

/**
 * The channels of a sensor in a light: how far each reaches over a grey card and under it, once balanced. A filter that
 * passes less light is full later and noisier.
 * @param fullStops Stops over grey at which green is full under equal light
 */
export const rawChannels = (
  sensor: SensorModel,
  fullStops: number,
  light: { readonly kelvin: number; readonly tint: number },
  lean?: Lean,
): readonly RawChannel[] => {
  const white = balancedWhite(light, lean);
  return RAW_CHANNELS.map((name, c) => {
    const share = CHANNEL_SHARE[c] * white[c];
    return {
      name,
      clipStops: fullStops - Math.log2(share),
      floorStops: floorAt({ ...sensor, electronsAtGrey: sensor.electronsAtGrey * share }, 1),
    };
  });
};

/** The channel that is full first. */
export const firstFull = (channels: readonly RawChannel[]): RawChannel =>
  channels.reduce((a, b) => (b.clipStops < a.clipStops ? b : a));
/** The channel whose shadows are noisiest. */
export const noisiest = (channels: readonly RawChannel[]): RawChannel =>
  channels.reduce((a, b) => (b.floorStops > a.floorStops ? b : a));

/**
 * The brightest placement at which every channel holds the brightest tone that must be kept, stops over grey.
 * @param brightest That tone with the card at grey @param margin Left under clip
 */
export const asBrightAsItHolds = (
  channels: readonly RawChannel[],
  brightest: number,
  margin: number,
): number => firstFull(channels).clipStops - margin - brightest;

/** What an ISO of the dial does to a raw file. */
export type RawIso = {
  readonly iso: number;
  /** The gain that the sensor really has then, as an ISO. */
  readonly gain: number;
  /** It is nothing but a wish in the file. */
  readonly isWish: boolean;
  /** Stops over a card at the meter's grey that the first channel is full at; its noisiest channel's floor under it. */
  readonly above: number;
  readonly below: number;
};

/**
 * Each ISO of a dial: a real gain moves clip and noise, a wish moves the meter and what post starts from.
 * @param real ISOs whose gain is in the file; the lowest is the base
 * @param channelsAt The channels at a real gain
 */
export const rawIsos = (
  dial: readonly number[],
  real: readonly number[],
  channelsAt: (gain: number) => readonly RawChannel[],
): readonly RawIso[] =>
  dial.map((iso) => {
    const gain = realGain(iso, real);
    const over = Math.log2(iso / gain);
    const channels = channelsAt(gain);
    return {
      iso,
      gain,
      isWish: iso !== gain,
      above: firstFull(channels).clipStops + over,
      below: -noisiest(channels).floorStops - over,
    };
  });

/**
 * Where a log's code steps are coarser than the sensor's noise: what raw holds there and the log does not.
 * @returns stops from grey, or undefined where noise hides every step from the floor to clip
 */
export const coarserThanNoise = (
  profile: Profile,
  coding: Coding,
  sensor: SensorModel,
): { readonly from: number; readonly to: number } | undefined => {
  const perCode = codeToSignal(1, coding) - codeToSignal(0, coding);
  const [from, to] = [floorAt(sensor, 1), profile.clipStops];
  const coarse: number[] = [];
  for (let at = from; at < to; at += 0.25) {
    const light = stopsToReflectance(at);
    const electrons = (light / MIDDLE_GREY) * sensor.electronsAtGrey;
    const noise = (light * Math.sqrt(electrons + sensor.readElectrons ** 2)) / electrons;
    const slope = (profile.signalAt(at + 0.05) - profile.signalAt(at - 0.05)) / 0.1;
    // Light of a stop about there, and what a code is worth of it.
    const codes = (slope * noise) / (light * Math.LN2) / perCode;
    if (codes < DITHER) coarse.push(at);
  }
  return coarse.length === 0 ? undefined : { from: coarse[0], to: coarse[coarse.length - 1] };
};

/** For raw, or for the log. */
export type RawReason = { readonly side: 'raw' | 'log'; readonly says: string };

/** Less is no gain: stops of clip. Our own choice. */
const HOLDS_MORE = 0.3;
/** Who has less time for a clip develops nothing, minutes. Our own choice. */
const TO_DEVELOP = 2;
/** So much more to copy and keep is said, times. Our own choice. */
const HEAVIER = 1.1;

export type RawWorth = {
  readonly profileName: string;
  /** Clip of the first channel over the log's, stops. */
  readonly holdsMore: number;
  /** Where the log's steps are coarser than noise. */
  readonly coarse?: { readonly from: number; readonly to: number };
  /** Widest split of the lights, mired. */
  readonly splitMired: number;
  readonly isGraded: boolean;
  readonly minutesPerClip: number;
  /** Mb/s of the raw file and of the log's; the latter where it is known. */
  readonly mbps: number;
  readonly logMbps?: number;
};

const isDeveloped = ({ isGraded, minutesPerClip }: Pick<RawWorth, 'isGraded' | 'minutesPerClip'>): boolean =>
  isGraded && minutesPerClip >= TO_DEVELOP;

/** What speaks for raw in a set-up, and what against it. */
export const rawReasons = ({
  profileName,
  holdsMore,
  coarse,
  splitMired,
  isGraded,
  minutesPerClip,
  mbps,
  logMbps,
}: RawWorth): readonly RawReason[] => {
  const times = logMbps === undefined ? undefined : mbps / logMbps;
  const gb = gigabytes(mbps, 1);
  const more = times === undefined ? '' : `, ${times.toFixed(1)} times the log’s`;
  return [
    holdsMore > HOLDS_MORE
      ? {
          side: 'raw',
          says: `The sensor holds ${printStopsOf(holdsMore)} more over grey than ${profileName}.`,
        }
      : { side: 'log', says: `No highlight is saved: ${profileName} already reaches as high as the sensor.` },
    coarse
      ? {
          side: 'raw',
          says: said(
            `From ${printStopsDecimal(coarse.from)} to ${printStopsDecimal(coarse.to)} the codes of ${profileName}`,
            'are coarser than the sensor’s noise.',
          ),
        }
      : {
          side: 'log',
          says: `Noise is wider than a code step of ${profileName} everywhere: raw holds no more tones.`,
        },
    splitMired > MIXED_MIRED
      ? {
          side: 'raw',
          says: `Lights ${Math.round(splitMired)} mired apart: balanced in post, shot by shot, without steps.`,
        }
      : { side: 'log', says: 'One light, balanced on the day: there is nothing to balance again.' },
    ...(isDeveloped({ isGraded, minutesPerClip })
      ? []
      : [{ side: 'log' as const, says: 'Nobody has the time to develop it: it is delivered as it is.' }]),
    ...(times === undefined || times > HEAVIER
      ? [
          {
            side: 'log' as const,
            says: said(`${gb.toFixed(1)} GB a minute${more}:`, 'to copy twice, and to keep.'),
          },
        ]
      : []),
  ];
};

/** Whether raw is worth its bits: something that only it holds, and somebody who takes it out. */
export const isWorthRaw = (reasons: readonly RawReason[], worth: RawWorth): boolean =>
  isDeveloped(worth) && reasons.some(({ side }) => side === 'raw');
