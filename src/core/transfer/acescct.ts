import type { TransferDefinition } from './types.ts';

// ACES S-2016-001 clause 4.4.
const LINEAR_CUT = 0.0078125;
const SIGNAL_CUT = 0.155251141552511;
const SLOPE = 10.5402377416545;
const OFFSET = 0.0729055341958355;

/** ACEScct: linear below the cut, carried on without limit at both ends. */
export const acescct = {
  id: 'acescct',
  name: 'ACEScct',
  reference: 'scene',
  unit: '1.0 = diffuse white',
  domain: [-0.0069, 65504],
  source: 'ACES S-2016-001, clause 4.4',
  encode: (light: number) =>
    light <= LINEAR_CUT ? SLOPE * light + OFFSET : (Math.log2(light) + 9.72) / 17.52,
  decode: (signal: number) =>
    signal <= SIGNAL_CUT ? (signal - OFFSET) / SLOPE : 2 ** (signal * 17.52 - 9.72),
} as const satisfies TransferDefinition;
