import { printStopsOf } from '../units.ts';

// Ratio of light on a subject: its bright side to its shadow side, and to what stands behind it, in stops.

/** How much contrast is wanted of the light on a face, bright side to shadow side, stops. Our own bands. */
export const RATIO_BANDS = {
  flat: { name: 'flat', says: 'news, beauty, a face that may turn anywhere', stops: [0, 1] },
  shaped: { name: 'shaped', says: 'an interview, most drama: the face has two sides', stops: [1, 2.3] },
  moody: { name: 'moody', says: 'night, suspense: one side leaves the light', stops: [2.3, 4] },
} as const satisfies Record<
  string,
  { readonly name: string; readonly says: string; readonly stops: readonly [number, number] }
>;
export type RatioBandId = keyof typeof RATIO_BANDS;
export const RATIO_BAND_IDS = Object.keys(RATIO_BANDS) as RatioBandId[];

/** Stops as a ratio of light: `4:1`, under one `1:2`. */
export const printRatio = (stops: number): string => {
  const ratio = 2 ** Math.abs(stops);
  const figures = ratio < 9.95 ? Number(ratio.toFixed(1)) : Math.round(ratio);
  return stops < 0 ? `1:${figures}` : `${figures}:1`;
};

/** The band that a ratio falls into; over the last it is the last. */
export const bandOf = (stops: number): RatioBandId =>
  RATIO_BAND_IDS.find((id) => stops < RATIO_BANDS[id].stops[1]) ?? 'moody';

/** What brings a ratio into the band that is wanted: stops of light more on the shadow side; 0 where it is in it. */
export const fillChange = (stops: number, wanted: RatioBandId): number => {
  const [low, high] = RATIO_BANDS[wanted].stops;
  if (stops > high) return stops - high;
  return stops < low ? stops - low : 0;
};

/** Stops over the floor under which a shadow is only just there: noise shows when it is lifted. Our own choice. */
const CLEAR = 1;

export type ShadowState = 'clear' | 'noisy' | 'gone';
/** Whether the shadow side keeps its detail. @param stops over grey in the recording, floor on the same scale */
export const shadowState = (stops: number, floor: number): ShadowState => {
  if (stops <= floor) return 'gone';
  return stops < floor + CLEAR ? 'noisy' : 'clear';
};

/** A shadow side where it lies, and what that means for post. */
export const shadowSays = (stops: number, floor: number): string => {
  const over = printStopsOf(stops - floor);
  return {
    clear: `${over} over the floor: it keeps its detail after the grade.`,
    noisy: `${over} over the floor: it is there, and noisy once it is lifted. More fill is safer.`,
    gone: `${over} under the floor: no grade brings it back. Raise the fill, or let it be black.`,
  }[shadowState(stops, floor)];
};
