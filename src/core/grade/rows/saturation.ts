import { LUMA } from '../../signal/luma.ts';
import type { GradeKind } from './types.ts';

const { kr, kg, kb } = LUMA.bt709;

export const saturation = {
  name: 'Colour of the whole picture',
  says: 'Saturation about luma on the code, by BT.709’s weights as the ASC CDL has it',
  side: 'after',
  values: {
    amount: {
      name: 'Colour',
      unit: 'times',
      min: 0,
      max: 2,
      step: 0.01,
      neutral: 1,
      says: '1 leaves it, 0 is black and white',
    },
  },
  compile: (value, { signal: { encode, decode } }) => {
    const amount = value('amount');
    if (amount === 1) return undefined;
    return (rgb) => {
      const [r, g, b] = [encode(rgb[0]), encode(rgb[1]), encode(rgb[2])];
      const luma = kr * r + kg * g + kb * b;
      return [
        decode(luma + amount * (r - luma)),
        decode(luma + amount * (g - luma)),
        decode(luma + amount * (b - luma)),
      ];
    };
  },
  sop: (value) => ({ slope: [1, 1, 1], offset: [0, 0, 0], saturation: value('amount') }),
} as const satisfies GradeKind;
