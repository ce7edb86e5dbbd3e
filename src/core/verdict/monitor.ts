import { CARD_TOLERANCE } from '../exposure/zebraLevels.ts';
import { printStopsDecimal, toThird } from '../units.ts';
import { cardReading } from './card.ts';
import type { VerdictRule } from './types.ts';
import { screenOnCard } from './verdictWords.ts';

export const monitorPull = {
  id: 'monitor',
  name: 'Monitor against the frame',
  threshold: 'The pull of the monitoring LUT within 1/6 stop of where the card lies.',
  judge: (input) => {
    const card = cardReading(input);
    if (!card) return undefined;
    const { pullStops } = input.numbers;
    const off = card.stops - pullStops;
    if (Math.abs(off) <= CARD_TOLERANCE) return undefined;
    return {
      state: 'watch',
      title: 'The monitor misleads',
      figure: printStopsDecimal(off),
      advice: screenOnCard(pullStops, card.stops),
      place: card.reading.patch.rect,
      correction: { kind: 'placement', to: toThird(card.stops) },
      arithmetic: [
        { label: 'card found at', value: `${printStopsDecimal(card.stops, 2)} stops` },
        { label: 'pull of the monitoring LUT', value: `${printStopsDecimal(pullStops, 2)} stops` },
        { label: 'the card on the screen', value: `${printStopsDecimal(off, 2)} from grey` },
      ],
    };
  },
} as const satisfies VerdictRule;
