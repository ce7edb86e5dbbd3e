import { fromSoftStops, softStops } from './softLog.ts';
import type { GradeKind } from './types.ts';

export const contrast = {
  name: 'Contrast',
  says: 'Steeper or flatter about grey, which stays. With soft ends, or straight on the code as a CDL has it',
  side: 'before',
  values: {
    slope: {
      name: 'Slope at grey',
      unit: 'times',
      min: 0.5,
      max: 2,
      step: 0.01,
      neutral: 1,
      says: '1 leaves it; 1.2 makes of a stop at grey 1.2',
    },
    ends: {
      name: 'Ends go soft from',
      unit: 'stops',
      min: 0,
      max: 6,
      step: 0.5,
      neutral: 3,
      says: 'Stops from grey; 0: no soft ends, a straight slope of the code, which a CDL holds exactly',
    },
  },
  compile: (value, { grey, signal }) => {
    const [slope, ends] = [value('slope'), value('ends')];
    if (slope === 1) return undefined;
    if (ends <= 0) {
      const middle = signal.encode(grey);
      const one = (light: number) => signal.decode(middle + slope * (signal.encode(light) - middle));
      return ([r, g, b]) => [one(r), one(g), one(b)];
    }
    const one = (light: number) => {
      const stops = softStops(light / grey);
      return grey * fromSoftStops(stops + (slope - 1) * ends * Math.tanh(stops / ends));
    };
    return ([r, g, b]) => [one(r), one(g), one(b)];
  },
  sop: (value, { grey, signal }) => {
    const slope = value('slope');
    if (value('ends') > 0 && slope !== 1) return undefined;
    const o = signal.encode(grey) * (1 - slope);
    return { slope: [slope, slope, slope], offset: [o, o, o], saturation: 1 };
  },
} as const satisfies GradeKind;
