import type { Triple } from '../../maths/matrix.ts';
import { fromLogColour, logColour } from './softLog.ts';
import type { GradeKind, Space } from './types.ts';

const bell = (value: (name: string) => number, luma: number) =>
  Math.exp(-0.5 * ((luma - value('at')) / value('width')) ** 2);

const axis = (name: string, says: string) =>
  ({ name, unit: 'stops', min: -0.5, max: 0.5, step: 0.01, neutral: 0, says }) as const;

export const toneTint = {
  name: 'Tint of a tone',
  says: 'Colours the shadows, the mids or the highlights and leaves their light: what it does to skin is told',
  side: 'before',
  values: {
    at: {
      name: 'Tone',
      unit: 'stops',
      min: -6,
      max: 6,
      step: 0.5,
      neutral: 0,
      says: 'Stops from grey where it is strongest',
    },
    width: {
      name: 'Width',
      unit: 'stops',
      min: 0.5,
      max: 4,
      step: 0.5,
      neutral: 1.5,
      says: 'How far it reaches',
    },
    red: axis('Red', 'Red against luma, stops'),
    blue: axis('Blue', 'Blue against luma, stops'),
  },
  compile: (value, { grey }) => {
    const [red, blue] = [value('red'), value('blue')];
    if (red === 0 && blue === 0) return undefined;
    return (rgb) => {
      const colour = logColour(rgb, grey);
      const w = bell(value, colour.luma);
      return fromLogColour(
        { luma: colour.luma, red: colour.red + w * red, blue: colour.blue + w * blue },
        grey,
      );
    };
  },
  weight:
    (value, { grey }: Space) =>
    (rgb: Triple) =>
      bell(value, logColour(rgb, grey).luma),
} as const satisfies GradeKind;
