import { printStops, printStopsDecimal, printStopsLength, toThird } from '../units.ts';
import { cardReading } from './card.ts';
import { CHANNEL_NAMES } from './clipping.ts';
import type { VerdictRule } from './types.ts';
import { capital } from './wording.ts';
import { less, pullLeaves, pushCosts } from './verdictWords.ts';

export const gradeForecast = {
  id: 'forecast',
  name: 'Grade forecast',
  threshold: 'A push of more than 1/3 stop raises noise.',
  judge: (input) => {
    const found = cardReading(input)?.stops ?? input.placement;
    const pull = toThird(found);
    const cleanTo = input.numbers.floorStops - pull;
    const { first } = input.measurement.near;
    const clips = first ? ` ${capital(CHANNEL_NAMES[first])} clips first.` : '';
    const arithmetic = [
      { label: 'card found at', value: printStopsDecimal(found, 2) },
      { label: 'correction in post', value: `${printStops(-pull)} stops` },
      { label: 'noise in linear light times', value: (2 ** -pull).toFixed(2) },
      {
        label: 'usable floor after it',
        value: less(input.numbers.floorStops, pull),
      },
    ];
    const push = pull < -1 / 3 + 1e-9;
    return {
      state: push ? 'watch' : 'holds',
      title: 'Grade forecast',
      figure: pull === 0 ? 'as is' : `${pull > 0 ? 'pull' : 'push'} ${printStopsLength(pull)}`,
      advice: `${push ? pushCosts(pull, cleanTo) : pullLeaves(pull, cleanTo)}${clips}`,
      arithmetic,
    };
  },
} as const satisfies VerdictRule;
