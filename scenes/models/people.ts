import type { Triple } from '#core/maths/matrix.ts';

/** Skins of the two people of the scenario, linear BT.709: two invented tones about a stop apart. */
export const SKINS = {
  ana: [0.56, 0.365, 0.27],
  ola: [0.31, 0.185, 0.125],
} as const satisfies Record<string, Triple>;
