import { TRANSFERS } from '../../transfer/index.ts';

/** A published curve that is no log: scene reflectance (1.0 = diffuse white) to signal fraction. */
export type Published = { readonly name: string; readonly encode: (reflectance: number) => number };

const { hlg, pq, bt709, srgb } = TRANSFERS;
/** Scene light of diffuse white in HLG: 75 % of signal (BT.2408). */
const HLG_WHITE = hlg.decode(0.75);

/** What a camera may record instead of a log curve. Each may be brought to any slope and offset, as a log form is. */
export const PUBLISHED: readonly Published[] = [
  { name: 'HLG', encode: (x) => hlg.encode(HLG_WHITE * x) },
  { name: 'HLG', encode: (x) => hlg.encode((HLG_WHITE / 2) * x) },
  { name: 'PQ', encode: (x) => pq.encode(203 * x) },
  { name: 'BT.709', encode: (x) => bt709.encode(x) },
  { name: 'sRGB', encode: (x) => srgb.encode(x) },
];
