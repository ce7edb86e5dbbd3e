import { MIDDLE_GREY } from '../../units.ts';
import { softStops, fromSoftStops } from './softLog.ts';
import type { GradeKind } from './types.ts';

/** Stops over grey, drawn out above it without a corner: not at grey, wholly from some stops on. */
const drawnOut = (stops: number, times: number) =>
  stops <= 0 ? stops : stops + (times - 1) * (stops ** 2 / (stops + 1));

export const points = {
  name: 'Black and white points',
  says: 'Takes off the veil that lies over black, and lays the highlights; grey stays where it is',
  side: 'before',
  values: {
    black: {
      name: 'Veil taken off',
      unit: 'percent',
      min: -0.05,
      max: 0.1,
      step: 0.0005,
      neutral: 0,
      says: 'Light that lay over the whole picture, % of diffuse white; under 0 adds it',
    },
    white: {
      name: 'Highlights drawn out',
      unit: 'times',
      min: 0.3,
      max: 3,
      step: 0.01,
      neutral: 1,
      says: 'Each stop high above grey becomes so many; grey itself stays',
    },
  },
  compile: (value, { grey }) => {
    // On the picture's light white is 1 as well; grey holds both together.
    const black = Math.min(value('black') * (grey / MIDDLE_GREY), 0.9 * grey);
    const times = value('white');
    const scale = grey / (grey - black);
    const one = (light: number) => {
      const open = (light - black) * scale;
      if (times === 1 || open <= grey) return open;
      return grey * fromSoftStops(drawnOut(softStops(open / grey), times));
    };
    return ([r, g, b]) => [one(r), one(g), one(b)];
  },
} as const satisfies GradeKind;
