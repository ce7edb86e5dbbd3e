import type { Triple } from '../colour/matrix.ts';
import type { ProfileData } from '../profile/index.ts';
import { codeToSignal, maxCode, signalToCode, type Coding } from '../signal/scale.ts';
import { sampleLattice, type Lattice } from './lattice.ts';
import { OUTPUTS } from './outputs.ts';
import { compileRecipe, type CompiledRecipe, type LutRecipe } from './recipe.ts';
import { PLAIN_TONE } from './toneScale.ts';

/** From a profile's signal to a BT.709 picture for a BT.1886 monitor, as data. */
export type MonitoringTransform = {
  readonly profile: ProfileData;
  /** Stops taken off before the picture is made: the placement, so that the card looks like a card. 0 = none. */
  readonly pullStops: number;
};

/** Display signal of an 18 % card, fraction of 100 %. */
export const DISPLAY_GREY = OUTPUTS.bt1886.grey;

export type CompiledMonitoring = Omit<CompiledRecipe, 'inverse'>;

/** The recipe of the monitor's picture: the plain tone scale for a BT.1886 display. */
export const monitoringRecipe = ({ profile, pullStops }: MonitoringTransform): LutRecipe => ({
  profile,
  pullStops,
  output: 'bt1886',
  peak: 100,
  tone: PLAIN_TONE,
  saturation: 1,
});

/** The functions that run a monitoring transform; BT.709 primaries, display signal 0..1 out. */
export const compileMonitoring = (transform: MonitoringTransform): CompiledMonitoring =>
  compileRecipe(monitoringRecipe(transform));

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
