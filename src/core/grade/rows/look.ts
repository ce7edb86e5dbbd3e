import type { Triple } from '../../maths/matrix.ts';
import type { GradeKind } from './types.ts';

export const look = {
  name: 'Look',
  says: 'A LUT of the kit over the corrected picture. At 40 to 60 % it leaves room for the scene',
  side: 'after',
  values: {
    amount: {
      name: 'How much',
      unit: 'percent',
      min: 0,
      max: 1,
      step: 0.05,
      neutral: 0,
      says: '100 % is the look alone',
    },
    log: {
      name: 'It wants log',
      unit: 'choice',
      min: 0,
      max: 1,
      step: 1,
      neutral: 0,
      says: 'Many film-print looks do: the picture goes back to the recording’s log first, then through the look',
    },
  },
  compile: (value, { signal: { encode, decode } }, { look: lut, undo }) => {
    const amount = value('amount');
    if (!lut || amount === 0) return undefined;
    const wantsLog = value('log') > 0;
    return ([r, g, b]) => {
      const own: Triple = [encode(r), encode(g), encode(b)];
      const seen = lut(wantsLog ? undo(own) : own);
      return [
        decode(own[0] + amount * (seen[0] - own[0])),
        decode(own[1] + amount * (seen[1] - own[1])),
        decode(own[2] + amount * (seen[2] - own[2])),
      ];
    };
  },
} as const satisfies GradeKind;
