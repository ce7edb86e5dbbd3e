import type { TransferDefinition } from './types.ts';

// ITU-R BT.709-6 table 1.2: V = 1.099 L^0.45 - 0.099 for 1 >= L >= 0.018, V = 4.500 L below.
const CUT = 0.018;
const SIGNAL_CUT = 4.5 * CUT;

/** BT.709 OETF and its inverse; the power law is carried on above 1.0 and the line below 0, unclamped. */
export const bt709 = {
  id: 'bt709',
  name: 'BT.709 OETF',
  reference: 'scene',
  unit: '1.0 = diffuse white',
  domain: [-1, 16],
  source: 'ITU-R BT.709-6, table 1.2',
  encode: (light: number) => (light < CUT ? 4.5 * light : 1.099 * light ** 0.45 - 0.099),
  decode: (signal: number) => (signal < SIGNAL_CUT ? signal / 4.5 : ((signal + 0.099) / 1.099) ** (1 / 0.45)),
} as const satisfies TransferDefinition;
