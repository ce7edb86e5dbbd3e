import { smooth } from './hueRange.ts';
import type { GradeKind } from './types.ts';

export const channels = {
  name: 'Green against blue',
  says: 'Under water first the contrast, then these two together; red comes last and only where there is some',
  side: 'before',
  values: {
    green: {
      name: 'Green',
      unit: 'stops',
      min: -3,
      max: 3,
      step: 1 / 24,
      neutral: 0,
      says: 'Stops of green',
    },
    blue: { name: 'Blue', unit: 'stops', min: -3, max: 3, step: 1 / 24, neutral: 0, says: 'Stops of blue' },
  },
  compile: (value) => {
    const [g, b] = [2 ** value('green'), 2 ** value('blue')];
    if (g === 1 && b === 1) return undefined;
    return (rgb) => [rgb[0], g * rgb[1], b * rgb[2]];
  },
} as const satisfies GradeKind;

/** From one to two times the floor red begins to count; our own. */
const weightOf = (red: number, floor: number) => (floor > 0 ? smooth(floor, 2 * floor, red) : 1);

export const red = {
  name: 'Red where there is some',
  says: 'Raises red only where it lies over the noise floor. Where it lies under it, red would be invented',
  side: 'before',
  values: {
    stops: { name: 'Red', unit: 'stops', min: 0, max: 4, step: 1 / 12, neutral: 0, says: 'Stops of red' },
  },
  compile: (value, { floor }) => {
    const stops = value('stops');
    if (stops === 0) return undefined;
    return ([r, g, b]) => [r * 2 ** (stops * weightOf(r, floor)), g, b];
  },
  weight:
    (_, { floor }) =>
    ([r]) =>
      weightOf(r, floor),
} as const satisfies GradeKind;
