import type { Triple } from '../maths/matrix.ts';
import { LUMA } from '../signal/luma.ts';

/** A correction of the ASC Color Decision List, release 1.2: slope, offset and power a channel, then saturation. */
export type Cdl = {
  readonly slope: Triple;
  readonly offset: Triple;
  readonly power: Triple;
  readonly saturation: number;
};

export const NEUTRAL_CDL: Cdl = {
  slope: [1, 1, 1],
  offset: [0, 0, 0],
  power: [1, 1, 1],
  saturation: 1,
};

/**
 * Whether values are held to 0..1, as ASC CDL 1.2 has it, or go on beyond, where only the power leaves
 * negative ones alone.
 */
export type CdlStyle = 'held' | 'free';

// ASC CDL 1.2: saturation by the luma weights of BT.709, whatever the material.
const { kr, kg, kb } = LUMA.bt709;

const hold = (v: number) => Math.min(1, Math.max(0, v));

/**
 * The function of a CDL: out = clamp(in * slope + offset) ^ power, then saturation about luma, then clamp
 * (ASC CDL 1.2; the two styles as in the Common LUT Format, S-2014-006 clause 5.11: Fwd and FwdNoClamp).
 */
export const compileCdl = (
  { slope, offset, power, saturation }: Cdl,
  style: CdlStyle = 'held',
): ((rgb: Triple) => Triple) => {
  const between = style === 'held' ? hold : (v: number) => v;
  const channel = (v: number, c: number) => {
    const moved = between(v * slope[c] + offset[c]);
    return moved < 0 || power[c] === 1 ? moved : moved ** power[c];
  };
  return (rgb) => {
    const [r, g, b] = [channel(rgb[0], 0), channel(rgb[1], 1), channel(rgb[2], 2)];
    if (saturation === 1) return [between(r), between(g), between(b)];
    const luma = kr * r + kg * g + kb * b;
    return [
      between(luma + saturation * (r - luma)),
      between(luma + saturation * (g - luma)),
      between(luma + saturation * (b - luma)),
    ];
  };
};

/**
 * What is wrong with the numbers of a CDL (ASC CDL 1.2: slope 0 or more, power above 0, saturation 0 or
 * more), or undefined.
 */
export const cdlFault = ({ slope, offset, power, saturation }: Cdl): string | undefined => {
  if (![...slope, ...offset, ...power, saturation].every(Number.isFinite)) return 'a number is not finite';
  if (slope.some((v) => v < 0)) return `slope must be 0 or more, it is ${slope.join(' ')}`;
  if (power.some((v) => v <= 0)) return `power must be above 0, it is ${power.join(' ')}`;
  if (saturation < 0) return `saturation must be 0 or more, it is ${saturation}`;
  return undefined;
};
