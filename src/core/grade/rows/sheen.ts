import { fromLogColour, logColour } from './softLog.ts';
import { RANGE_VALUES, rangeMatte, rangeWeight, smooth } from './hueRange.ts';
import type { GradeKind } from './types.ts';

export const sheen = {
  name: 'Calm the sheen',
  says: 'Brings down the brightest of the skin alone: the face itself stays as light as it is',
  side: 'before',
  values: {
    ...RANGE_VALUES,
    from: {
      name: 'From',
      unit: 'stops',
      min: -2,
      max: 6,
      step: 1 / 12,
      neutral: 2,
      says: 'Stops over grey from which skin counts as sheen',
    },
    amount: {
      name: 'How much',
      unit: 'percent',
      min: 0,
      max: 0.9,
      step: 0.05,
      neutral: 0,
      says: 'Of what lies over that, so much is taken off',
    },
  },
  compile: (value, { grey }) => {
    const [from, amount] = [value('from'), value('amount')];
    if (amount === 0) return undefined;
    const weight = rangeWeight(value, true);
    return (rgb) => {
      const colour = logColour(rgb, grey);
      const over = colour.luma - from;
      if (over <= 0) return rgb;
      const w = weight(colour);
      if (w === 0) return rgb;
      return fromLogColour({ ...colour, luma: colour.luma - w * amount * (over ** 2 / (over + 0.5)) }, grey);
    };
  },
  weight: (value, space) => {
    const matte = rangeMatte(value, space, true);
    const from = value('from');
    return (rgb) => matte(rgb) * smooth(from, from + 0.5, logColour(rgb, space.grey).luma);
  },
} as const satisfies GradeKind;
