import { fromLogColour, logColour, turned } from './softLog.ts';
import { RANGE_VALUES, rangeMatte, rangeWeight } from './hueRange.ts';
import type { GradeKind } from './types.ts';

const RANGE = {
  ...RANGE_VALUES,
  turn: {
    name: 'Hue turned',
    unit: 'degrees',
    min: -40,
    max: 40,
    step: 0.5,
    neutral: 0,
    says: 'Degrees it is turned',
  },
  saturation: {
    name: 'Colour',
    unit: 'times',
    min: 0,
    max: 2,
    step: 0.01,
    neutral: 1,
    says: 'Times the colour it has',
  },
  stops: {
    name: 'Light',
    unit: 'stops',
    min: -2,
    max: 2,
    step: 1 / 24,
    neutral: 0,
    says: 'Stops of light in the range',
  },
} as const;

const compile: GradeKind['compile'] = (value, { grey }) => {
  const [turn, saturation, stops] = [value('turn'), value('saturation'), value('stops')];
  if (turn === 0 && saturation === 1 && stops === 0) return undefined;
  const weight = rangeWeight(value);
  return (rgb) => {
    const colour = logColour(rgb, grey);
    const w = weight(colour);
    if (w === 0) return rgb;
    const now = turned(colour, w * turn, 1 + w * (saturation - 1));
    return fromLogColour({ ...now, luma: colour.luma + w * stops }, grey);
  };
};

export const skin = {
  name: 'Skin',
  says: 'Hue, colour and light of the hues of a marked face. The skin line is a help: a face has its own place by it',
  side: 'before',
  values: RANGE,
  compile,
  weight: rangeMatte,
} as const satisfies GradeKind;

export const hue = {
  name: 'A range of hues',
  says: 'Hue, colour and light of one range: sky, leaves, a wall',
  side: 'before',
  values: RANGE,
  compile,
  weight: rangeMatte,
} as const satisfies GradeKind;
