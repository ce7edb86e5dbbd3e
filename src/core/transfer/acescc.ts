import type { TransferDefinition } from './types.ts';

// ACES S-2014-003 clause 4.4.
const LOW = 2 ** -15;
const FLOOR_SIGNAL = (Math.log2(2 ** -16) + 9.72) / 17.52;
const SIGNAL_CUT = (9.72 - 15) / 17.52;

/** ACEScc: light at or below 0 gives the floor, (log2(2^-16) + 9.72) / 17.52. */
export const acescc = {
  id: 'acescc',
  name: 'ACEScc',
  reference: 'scene',
  unit: '1.0 = diffuse white',
  domain: [0, 65504],
  source: 'ACES S-2014-003, clause 4.4',
  encode: (light: number) => {
    if (light <= 0) return FLOOR_SIGNAL;
    return (Math.log2(light < LOW ? 2 ** -16 + light * 0.5 : light) + 9.72) / 17.52;
  },
  decode: (signal: number) => {
    const light = 2 ** (signal * 17.52 - 9.72);
    return signal < SIGNAL_CUT ? (light - 2 ** -16) * 2 : light;
  },
} as const satisfies TransferDefinition;
