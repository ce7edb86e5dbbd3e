import { SCALE_IDS, SCALES } from '#core/signal/scale.ts';

/** What 1.0 of a printed formula or a curve file may stand for. */
export const UNIT_OPTIONS = [
  ['signal', '100 % of signal'],
  ['topCode', 'the top code'],
] as const;

/** The scales a reading may be typed in, for a choice. */
export const SCALE_OPTIONS = SCALE_IDS.map((id) => [id, SCALES[id].name] as const);
