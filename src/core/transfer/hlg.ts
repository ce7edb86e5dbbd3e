import type { Triple } from '../maths/matrix.ts';
import { LUMA } from '../signal/luma.ts';
import type { TransferDefinition } from './types.ts';

// ITU-R BT.2100-2 table 5, HLG reference OETF.
const A = 0.17883277;
const B = 1 - 4 * A;
const C = 0.5 - A * Math.log(4 * A);
const CUT = 1 / 12;

/** HLG OETF: scene light E, 1.0 = peak, to signal; negative light is mirrored, above 1 the log is carried on. */
export const hlg = {
  id: 'hlg',
  name: 'HLG OETF',
  reference: 'scene',
  unit: '1.0 = nominal peak',
  domain: [-1, 4],
  source: 'ITU-R BT.2100-2, table 5',
  encode: (light: number) => {
    const size = Math.abs(light);
    const signal = size <= CUT ? Math.sqrt(3 * size) : A * Math.log(12 * size - B) + C;
    return light < 0 ? -signal : signal;
  },
  decode: (signal: number) => {
    const size = Math.abs(signal);
    const light = size <= 0.5 ? (size * size) / 3 : (Math.exp((size - C) / A) + B) / 12;
    return signal < 0 ? -light : light;
  },
} as const satisfies TransferDefinition;

/** System gamma of an HLG display of `peak` cd/m2 (BT.2100-2 table 5, note 5e). */
const systemGamma = (peak: number) => 1.2 + 0.42 * Math.log10(peak / 1000);

/** HLG OOTF on a neutral: scene light E (0..1) to display cd/m2 for a peak of `peak` cd/m2. */
export const hlgOotfNeutral = (light: number, peak: number): number =>
  peak * Math.max(light, 0) ** systemGamma(peak);

/** Scene light E of a neutral that an HLG display of `peak` cd/m2 shows with `light` cd/m2. */
export const inverseHlgOotfNeutral = (light: number, peak: number): number =>
  (Math.max(light, 0) / peak) ** (1 / systemGamma(peak));

/**
 * What the HLG OOTF multiplies scene light R, G, B (0..1, BT.2020 primaries) with to get display cd/m2: a
 * power of its luminance.
 */
export const hlgOotfGain = (r: number, g: number, b: number, peak: number): number => {
  const { kr, kg, kb } = LUMA.bt2020;
  return peak * Math.max(0, kr * r + kg * g + kb * b) ** (systemGamma(peak) - 1);
};

/** HLG OOTF: scene light R, G, B (0..1, BT.2020 primaries) to display cd/m2; the power is on the luminance. */
export const hlgOotf = ([r, g, b]: Triple, peak: number): Triple => {
  const gain = hlgOotfGain(r, g, b, peak);
  return [gain * r, gain * g, gain * b];
};

/** The inverse: display cd/m2 to scene light, BT.2020 primaries (BT.2100-2 table 5, note 5i). Black gives none. */
export const inverseHlgOotf = ([r, g, b]: Triple, peak: number): Triple => {
  const { kr, kg, kb } = LUMA.bt2020;
  const luminance = Math.max(0, kr * r + kg * g + kb * b) / peak;
  if (luminance === 0) return [0, 0, 0];
  const gain = luminance ** (1 / systemGamma(peak) - 1) / peak;
  return [gain * r, gain * g, gain * b];
};

/** HLG signal of diffuse white, 75 % (ITU-R BT.2408-7, table 1). */
export const HLG_DIFFUSE_WHITE_SIGNAL = 0.75;
