import { codeAnchors, maxCode, type Coding } from '../signal/scale.ts';
import type { Triple } from '../maths/matrix.ts';

/** What 0..1 means at the two ends of a LUT. */
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
export const cubeScale = (scale: CubeScale, coding: Coding) => {
  if (scale === 'signal') return { toSignal: (v: number) => v, fromSignal: (v: number) => v };
  const { black, white } = codeAnchors(coding);
  const top = maxCode(coding.bitDepth);
  const [zero, span] = [black / top, (white - black) / top];
  return { toSignal: (v: number) => (v - zero) / span, fromSignal: (v: number) => zero + span * v };
};

/** A transform of signals on the scale of a LUT's 0..1, per triple. */
export const onScale = (
  rgb: (signal: Triple) => Triple,
  scale: CubeScale,
  coding: Coding,
): ((rgb: Triple) => Triple) => {
  const { toSignal, fromSignal } = cubeScale(scale, coding);
  return ([r, g, b]) => {
    const out = rgb([toSignal(r), toSignal(g), toSignal(b)]);
    return [fromSignal(out[0]), fromSignal(out[1]), fromSignal(out[2])];
  };
};

/** The other way round: a LUT's 0..1 transform as one of signals. */
export const onSignal = (
  through: (rgb: Triple) => Triple,
  scale: CubeScale,
  coding: Coding,
): ((signal: Triple) => Triple) => {
  const { toSignal, fromSignal } = cubeScale(scale, coding);
  return ([r, g, b]) => {
    const out = through([fromSignal(r), fromSignal(g), fromSignal(b)]);
    return [toSignal(out[0]), toSignal(out[1]), toSignal(out[2])];
  };
};
