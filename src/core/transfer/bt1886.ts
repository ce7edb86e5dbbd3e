import type { TransferDefinition, TransferFunction } from './types.ts';

// ITU-R BT.1886 annex 1: L = a (max(V + b, 0))^2.4.
const GAMMA = 2.4;

/**
 * BT.1886 EOTF for a display with white `whiteLevel` and black `blackLevel` in cd/m2.
 * decode: signal 0..1 to cd/m2, clamped at black below -b. encode: its inverse.
 * @throws RangeError unless 0 <= blackLevel < whiteLevel.
 */
export const bt1886For = (whiteLevel: number, blackLevel: number): TransferFunction => {
  if (!(blackLevel >= 0 && whiteLevel > blackLevel)) {
    throw new RangeError(`bt1886For: 0 <= blackLevel < whiteLevel, got ${blackLevel}, ${whiteLevel}`);
  }
  const rootWhite = whiteLevel ** (1 / GAMMA);
  const rootBlack = blackLevel ** (1 / GAMMA);
  const a = (rootWhite - rootBlack) ** GAMMA;
  const b = rootBlack / (rootWhite - rootBlack);
  return {
    decode: (signal) => a * Math.max(signal + b, 0) ** GAMMA,
    encode: (light) => (Math.max(light, 0) / a) ** (1 / GAMMA) - b,
  };
};

/** BT.1886 with white 1 and black 0: L = V^2.4; negative values give 0. */
export const bt1886 = {
  id: 'bt1886',
  name: 'BT.1886 EOTF',
  reference: 'display',
  unit: '1.0 = display white',
  domain: [0, 4],
  source: 'ITU-R BT.1886, annex 1, with LW = 1 and LB = 0',
  ...bt1886For(1, 0),
} as const satisfies TransferDefinition;
