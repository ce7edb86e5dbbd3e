import { SCALE_IDS, SCALES } from '#core/signal/scale.ts';

/** The scales a reading may be typed in, for a choice. */
export const SCALE_OPTIONS = SCALE_IDS.map((id) => [id, SCALES[id].name] as const);
