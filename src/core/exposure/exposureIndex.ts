import { toThird } from '../units.ts';
import { placementOfIndex } from './iso.ts';

// Exposure index: the sensor's gain is fixed, and the dial says for which speed meter and monitor reckon. It moves the
// place of grey between clip and floor, and nothing in the file but a note.

export type IndexRow = {
  readonly index: number;
  /** Where a card lies that this index exposes at the monitor's grey, stops over the profile's grey. */
  readonly placement: number;
  /** Stops from the card up to clip, and down to the usable floor. */
  readonly above: number;
  readonly below: number;
  readonly isBase: boolean;
};

/**
 * What each index of a dial comes to: half the base is a stop more light on the sensor, a stop less room over the card
 * and a stop more under it.
 * @param clipStops Clip over grey at base @param floorStops Usable floor from grey at base, negative
 */
export const indexRows = (
  dial: readonly number[],
  bases: readonly number[],
  { clipStops, floorStops }: { readonly clipStops: number; readonly floorStops: number },
): readonly IndexRow[] =>
  dial.map((index) => {
    const placement = placementOfIndex(index, bases);
    return {
      index,
      placement,
      above: clipStops - placement,
      below: placement - floorStops,
      isBase: bases.includes(index),
    };
  });

/** Two placements that are the same on a dial of thirds, stops. */
const SAME = 1 / 6;

/**
 * The index of a dial at which a card would lie where it was found; undefined where it is the one that is set, or none.
 * @param found Stops over grey
 */
export const indexThatFits = (
  found: number,
  set: number,
  dial: readonly number[],
  bases: readonly number[],
): number | undefined => {
  if (Math.abs(placementOfIndex(set, bases) - found) <= SAME) return undefined;
  return dial.find((index) => Math.abs(placementOfIndex(index, bases) - toThird(found)) <= SAME / 2);
};
