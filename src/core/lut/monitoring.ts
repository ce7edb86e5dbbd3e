import { gamutMatrix } from '../colour/gamut.ts';
import { apply, type Triple } from '../colour/matrix.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import { codeToSignal, maxCode, signalToCode, type Coding } from '../signal/scale.ts';
import { kneeWidthThrough, TRANSFERS, withKnee, type TransferFunction } from '../transfer/index.ts';
import { MIDDLE_GREY, stopsToReflectance } from '../units.ts';
import { sampleLattice, type Lattice } from './lattice.ts';

/** From a profile's signal to a BT.709 picture for a BT.1886 monitor, as data. */
export type MonitoringTransform = {
  readonly profile: ProfileData;
  /** Stops taken off before the picture is made: the placement, so that the card looks like a card. 0 = none. */
  readonly pullStops: number;
};

/** Display signal of an 18 % card, fraction of 100 %. Common practice, no source. */
export const DISPLAY_GREY = 0.45;
/** Display signal where the knee sets in: a key side 1.2 over grey still lands at 65..70 %. Our own choice. */
const KNEE_SIGNAL = 0.65;

export type CompiledMonitoring = {
  /** R'G'B' signal fractions in, display signal 0..1 out (BT.709 primaries, for a BT.1886 display). */
  readonly rgb: (signal: Triple) => Triple;
  /** The same for one channel when no matrix is needed; undefined when channels mix. */
  readonly channel?: (signal: number) => number;
  /** A neutral's display signal. */
  readonly neutral: (signal: number) => number;
};

/** BT.709 OETF set so that grey lands at 45 %, with a knee from 65 % that brings the clip to 100 %. */
const toneScale = (clipStops: number): TransferFunction => {
  const gain = TRANSFERS.bt709.decode(DISPLAY_GREY) / MIDDLE_GREY;
  const gained: TransferFunction = {
    encode: (x) => TRANSFERS.bt709.encode(x * gain),
    decode: (y) => TRANSFERS.bt709.decode(y) / gain,
  };
  const at = gained.decode(KNEE_SIGNAL);
  const width = kneeWidthThrough(gained, at, stopsToReflectance(clipStops), 1);
  return width === undefined ? gained : withKnee(gained, { at, width });
};

const clamp01 = (v: number) => Math.min(1, Math.max(0, v));

/** The functions that run a monitoring transform: decode, pull, gamut to BT.709, tone scale, clamp to 0..1. */
export const compileMonitoring = ({ profile, pullStops }: MonitoringTransform): CompiledMonitoring => {
  const { transfer, clipSignal } = compileProfile(profile);
  const tone = toneScale(profile.clipStops - pullStops);
  const gain = 2 ** -pullStops;
  const light = (signal: number) => transfer.decode(Math.min(signal, clipSignal)) * gain;
  const shown = (x: number) => clamp01(tone.encode(Math.max(0, x)));
  const neutral = (signal: number) => shown(light(signal));
  if (profile.gamut === 'bt709') {
    return { neutral, channel: neutral, rgb: ([r, g, b]) => [neutral(r), neutral(g), neutral(b)] };
  }
  const matrix = gamutMatrix(profile.gamut, 'bt709');
  return {
    neutral,
    rgb: ([r, g, b]) => {
      const [x, y, z] = apply(matrix, [light(r), light(g), light(b)]);
      return [shown(x), shown(y), shown(z)];
    },
  };
};

/** What 0..1 means at the cube's two ends. */
export type CubeScale = 'signal' | 'code';

export const CUBE_SCALES = {
  signal: {
    name: 'signal',
    says: '0..1 is 0..100 % of signal, in and out (editors that unpack legal range).',
  },
  code: {
    name: 'code',
    says: '0..1 is code 0 to the top code, in and out (monitors and boxes on the cable).',
  },
} as const satisfies Record<CubeScale, { name: string; says: string }>;

/** Cube input 0..1 to signal fraction, and display signal to cube output 0..1. */
export const cubeScale = (scale: CubeScale, coding: Coding) =>
  scale === 'signal'
    ? { toSignal: (v: number) => v, fromSignal: (v: number) => v }
    : {
        toSignal: (v: number) => codeToSignal(v * maxCode(coding.bitDepth), coding),
        fromSignal: (v: number) => signalToCode(v, coding) / maxCode(coding.bitDepth),
      };

/** The transform on the scale of a cube's 0..1, per triple. */
export const monitoringOnScale = (
  transform: MonitoringTransform,
  scale: CubeScale,
  coding: Coding,
): ((rgb: Triple) => Triple) => {
  const { rgb } = compileMonitoring(transform);
  const { toSignal, fromSignal } = cubeScale(scale, coding);
  return ([r, g, b]) => {
    const out = rgb([toSignal(r), toSignal(g), toSignal(b)]);
    return [fromSignal(out[0]), fromSignal(out[1]), fromSignal(out[2])];
  };
};

/** The transform on a lattice of size^3 points. */
export const monitoringLattice = (
  transform: MonitoringTransform,
  scale: CubeScale,
  coding: Coding,
  size = 33,
): Lattice => sampleLattice(size, monitoringOnScale(transform, scale, coding));
