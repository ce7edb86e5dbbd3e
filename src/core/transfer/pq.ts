import type { TransferDefinition } from './types.ts';

// SMPTE ST 2084:2014 clause 5.2; the constants in the standard's own form.
const M1 = 2610 / 2 ** 14;
const M2 = (2523 / 2 ** 12) * 128;
const C1 = 3424 / 2 ** 12;
const C2 = (2413 / 2 ** 12) * 32;
const C3 = (2392 / 2 ** 12) * 32;

/** PQ peak, cd/m2. */
export const PQ_PEAK = 10_000;

/** PQ: display light in cd/m2 (0..10 000) to signal 0..1; light below 0 is taken as 0, signal below 0 gives 0. */
export const pq = {
  id: 'pq',
  name: 'PQ',
  reference: 'display',
  unit: 'cd/m2',
  domain: [0, PQ_PEAK],
  source: 'SMPTE ST 2084:2014, clause 5.2; ITU-R BT.2100-2, table 4',
  encode: (light: number) => {
    const y = (Math.max(light, 0) / PQ_PEAK) ** M1;
    return ((C1 + C2 * y) / (1 + C3 * y)) ** M2;
  },
  decode: (signal: number) => {
    const root = Math.max(signal, 0) ** (1 / M2);
    return PQ_PEAK * (Math.max(root - C1, 0) / (C2 - C3 * root)) ** (1 / M1);
  },
} as const satisfies TransferDefinition;
