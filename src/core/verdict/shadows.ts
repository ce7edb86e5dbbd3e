import { distributionQuantile } from '../scopes/distribution.ts';
import { printStopsExact, printStopsDecimal, toThird } from '../units.ts';
import { cardReading } from './card.ts';
import type { VerdictInput, VerdictRule } from './types.ts';
import { printShare, where } from './wording.ts';
import { openForShadows, shadowsLie } from './verdictWords.ts';

/** Share of the picture under the floor from which it is worth a word. Our own choice. */
const WATCH_SHARE = 0.05;
/** The brightest tones that matter: all but 0.5 % of the picture. */
const TOP_SHARE = 0.995;

/** Stops by which the picture may be opened before its brightest 0.5 % clips. */
const roomAbove = ({ numbers, distribution }: VerdictInput): number =>
  numbers.clipStops - distributionQuantile(distribution, TOP_SHARE);

export const underExposure = {
  id: 'under',
  name: 'Under-exposure',
  threshold: 'Over 5 % of the picture under the usable floor, or the card more than 1/6 under the plan.',
  judge: (input) => {
    const { measurement, numbers } = input;
    const { share, regions } = measurement.shadows;
    const short = Math.max(0, -(cardReading(input)?.offset ?? 0));
    const room = Math.max(0, roomAbove(input));
    const under = share >= WATCH_SHARE;
    const dark = short > 1 / 6;
    const arithmetic = [
      { label: 'usable floor at this ISO', value: `${printStopsDecimal(numbers.floorStops)} stops` },
      { label: 'picture under it', value: `${(100 * share).toFixed(1)} %` },
      { label: 'card short of the plan by', value: `${short.toFixed(2)} stops` },
      { label: 'clip minus the brightest 0.5 %', value: `${printStopsDecimal(room)} stops of room` },
    ];
    if (!under && !dark) {
      return {
        state: 'holds',
        title: 'Shadows over the floor',
        figure: printShare(share),
        advice: `Under ${printStopsExact(numbers.floorStops)}: ${printShare(share)} of the picture. Leave it.`,
        arithmetic,
      };
    }
    const wanted = dark ? toThird(short) : toThird(Math.min(room, 1));
    const place = under ? regions[0]?.rect : undefined;
    const remedy =
      wanted <= 0 ? 'No room above: add light there, or let it go black.' : openForShadows(wanted, room);
    const lies = under ? shadowsLie(where(place, measurement), share, numbers.floorStops) : '';
    return {
      state: 'watch',
      title: dark ? 'Under-exposed' : 'Shadows under the floor',
      figure: dark ? printStopsDecimal(-short) : printShare(share),
      advice: `${lies}${remedy}`,
      place,
      arithmetic,
    };
  },
} as const satisfies VerdictRule;
