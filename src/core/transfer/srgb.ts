import type { TransferDefinition } from './types.ts';

// IEC 61966-2-1:1999 clause 5.2.
const LINEAR_CUT = 0.0031308;
const SIGNAL_CUT = 0.04045;

/** sRGB; negative values are mirrored, values above 1 continue the power law. */
export const srgb = {
  id: 'srgb',
  name: 'sRGB',
  reference: 'display',
  unit: '1.0 = display white',
  domain: [-1, 4],
  source: 'IEC 61966-2-1:1999, clause 5.2',
  encode: (light: number) => {
    const size = Math.abs(light);
    const signal = size <= LINEAR_CUT ? 12.92 * size : 1.055 * size ** (1 / 2.4) - 0.055;
    return light < 0 ? -signal : signal;
  },
  decode: (signal: number) => {
    const size = Math.abs(signal);
    const light = size <= SIGNAL_CUT ? size / 12.92 : ((size + 0.055) / 1.055) ** 2.4;
    return signal < 0 ? -light : light;
  },
} as const satisfies TransferDefinition;
