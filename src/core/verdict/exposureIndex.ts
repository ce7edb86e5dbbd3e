import { indexThatFits } from '../exposure/exposureIndex.ts';
import { placementOfIndex } from '../exposure/iso.ts';
import { CARD_TOLERANCE } from '../exposure/zebraLevels.ts';
import { printStops, printStopsDecimal, toThird } from '../units.ts';
import { cardReading } from './card.ts';
import type { VerdictRule } from './types.ts';
import { assistStays, indexFromBefore } from './verdictWords.ts';

/** The card lies where another index of the dial would have put it: yesterday's may still be set. */
export const indexLeftOver = {
  id: 'indexLeftOver',
  name: 'Exposure index of another set-up',
  threshold: 'The card over 1/6 stop off the plan, and within 1/12 stop of where another index puts it.',
  judge: (input) => {
    const { index } = input;
    const card = index && cardReading(input);
    if (!index || !card || card.stops >= input.numbers.clipStops - CARD_TOLERANCE) return undefined;
    const other = indexThatFits(card.stops, index.set, index.dial, index.bases);
    if (other === undefined || Math.abs(card.offset) <= CARD_TOLERANCE) return undefined;
    return {
      state: 'watch',
      title: 'Is another EI set?',
      figure: `EI ${other}`,
      advice: indexFromBefore(card.offset, other, index.set),
      place: card.reading.patch.rect,
      arithmetic: [
        { label: 'card found at', value: `${printStopsDecimal(card.stops, 2)} stops over grey` },
        {
          label: `EI ${index.set} puts it at`,
          value: printStops(placementOfIndex(index.set, index.bases)),
        },
        { label: `EI ${other} puts it at`, value: printStops(placementOfIndex(other, index.bases)) },
      ],
    };
  },
} as const satisfies VerdictRule;

/** The display LUT of the camera shows the base, whatever the index says. */
export const assistBehindIndex = {
  id: 'assistBehindIndex',
  name: 'Display LUT against the exposure index',
  threshold: 'The index over 1/6 stop from the base, on a camera whose display LUT does not follow it.',
  judge: ({ index }) => {
    if (!index || index.follows !== 'no') return undefined;
    const placement = placementOfIndex(index.set, index.bases);
    if (Math.abs(placement) <= CARD_TOLERANCE) return undefined;
    return {
      state: 'watch',
      title: 'Display does not follow EI',
      figure: printStopsDecimal(toThird(placement)),
      advice: assistStays(placement, index.set),
      arithmetic: [
        { label: `EI ${index.set} places a card at`, value: `${printStops(placement)} over grey` },
        { label: 'the display LUT pulls', value: '0: it does not follow (Kit, zebra)' },
        { label: 'a card on the display', value: `${printStopsDecimal(placement, 2)} stops from grey` },
      ],
    };
  },
} as const satisfies VerdictRule;
