import { compileCorrection } from '../../correction/compile.ts';
import type { GradeKind } from './types.ts';

export const cameraMatch = {
  name: 'Match to the hero camera',
  says: 'What this camera keeps that brings it to the hero camera in this light',
  side: 'before',
  values: {
    amount: {
      name: 'How much',
      unit: 'percent',
      min: 0,
      max: 1,
      step: 0.05,
      neutral: 0,
      says: '100 % is the match as it was solved',
    },
  },
  compile: (value, { primaries }, { match }) => {
    if (!match) return undefined;
    const { run } = compileCorrection(match, primaries);
    const amount = value('amount');
    return (rgb) => {
      const to = run(rgb);
      return [
        rgb[0] + amount * (to[0] - rgb[0]),
        rgb[1] + amount * (to[1] - rgb[1]),
        rgb[2] + amount * (to[2] - rgb[2]),
      ];
    };
  },
} as const satisfies GradeKind;
