import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { castOf } from '#core/verdict/cast.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import { cardReading } from '#core/verdict/index.ts';
import { printStopsDecimal } from '#core/units.ts';
import { stripSample } from '#ui/bench/stripSample.ts';

/** How the frame on the bench differs from the hero: brighter and warmer are +. */
export type HeroDifference = {
  readonly stops: number;
  /** By the card in both, or by the mean of the picture. */
  readonly byCard: boolean;
  readonly mired?: number;
};

export const heroDifference = (
  hero: FrameMeasurement,
  here: FrameMeasurement,
  numbers: SetCardNumbers,
): HeroDifference => {
  const byCard = [hero, here].every((measurement) => cardReading({ measurement, numbers, placement: 0 }));
  const stopsOf = (measurement: FrameMeasurement) =>
    stripSample(0, byCard ? measurement : { ...measurement, patches: [] }, numbers).stops;
  const [before, now] = [castOf(hero, numbers), castOf(here, numbers)];
  return {
    stops: stopsOf(here) - stopsOf(hero),
    byCard,
    ...(before && now ? { mired: now.mired - before.mired } : {}),
  };
};

/** "+0.3 against the hero by the card, 12 mired cooler". */
export const heroWords = ({ stops, byCard, mired }: HeroDifference): string => {
  const light = `${printStopsDecimal(stops)} against the hero, by the ${byCard ? 'card' : 'mean'}`;
  if (mired === undefined) return light;
  const colour =
    Math.abs(mired) < 1
      ? 'same balance'
      : `${Math.abs(mired).toFixed(0)} mired ${mired > 0 ? 'warmer' : 'cooler'}`;
  return `${light}; ${colour}`;
};
