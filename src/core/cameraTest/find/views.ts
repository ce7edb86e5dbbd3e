import type { View } from '../types.ts';
import { likeness, type Signs } from './signs.ts';

// How badly a hold fits what a shot should show: 0 as it should, about 7 not at all. Figures are our own, tried on the
// stage with its slips.

/** What a hold is held against. */
export type Against = {
  /** Luma of the cells of the card's own view. */
  readonly reference: readonly number[];
  /** Where the card should lie, stops over grey: far from grey there is little to know the view by. */
  readonly stops: number;
};

const NOT_AT_ALL = 7;
/** So even is a picture that one thing fills, signal fraction over its middle. */
const EVEN = 0.012;
/** Farther from grey than this the surroundings drown in black or in white, stops. */
const FAR = 3.5;

const unlessDark = (signs: Signs, cost: number) => (signs.dark ? NOT_AT_ALL : cost);
const even = (signs: Signs) => unlessDark(signs, signs.uneven < EVEN ? 0 : Math.min(5, signs.uneven / EVEN));

/** A further view is a row. */
export const VIEW_FITS: Readonly<Record<View, (signs: Signs, against: Against) => number>> = {
  cap: ({ dark }) => (dark ? 0 : NOT_AT_ALL),
  card: ({ dark, look }, { reference, stops }) => {
    const isFar = Math.abs(stops) > FAR;
    if (dark) return stops < -FAR ? 1.5 : NOT_AT_ALL;
    const unlike = Math.min(1, Math.max(0, (0.95 - likeness(look, reference)) / 0.5));
    return unlike * (isFar ? 3 : NOT_AT_ALL);
  },
  white: even,
  black: even,
  wall: even,
  edge: (signs) => unlessDark(signs, signs.edge > 0 ? 0 : 5),
  sheets: (signs) => unlessDark(signs, signs.colourful > 0.06 ? 0 : 5),
};
