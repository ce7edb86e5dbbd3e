import { HLG_DIFFUSE_WHITE_SIGNAL, TRANSFERS } from '../../transfer/index.ts';

/** A published curve that is no log: scene reflectance (1.0 = diffuse white) to signal fraction. */
export type Published = { readonly name: string; readonly encode: (reflectance: number) => number };

const { hlg, pq, bt709, srgb } = TRANSFERS;
const HLG_WHITE = hlg.decode(HLG_DIFFUSE_WHITE_SIGNAL);
/** Diffuse white in PQ, cd/m2 (BT.2408). */
const PQ_WHITE = 203;

/**
 * What a camera may record instead of a log curve. Each may be brought to any slope and offset, as a log form is. HLG
 * stands here twice, with diffuse white where BT.2408 has it and a stop under it: its bend moves with the exposure.
 */
export const PUBLISHED: readonly Published[] = [
  { name: 'HLG', encode: (x) => hlg.encode(HLG_WHITE * x) },
  { name: 'HLG', encode: (x) => hlg.encode((HLG_WHITE / 2) * x) },
  { name: 'PQ', encode: (x) => pq.encode(PQ_WHITE * x) },
  { name: 'BT.709', encode: (x) => bt709.encode(x) },
  { name: 'sRGB', encode: (x) => srgb.encode(x) },
];
