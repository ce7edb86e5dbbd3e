import { blended } from '../../lut/chain.ts';
import { howMuch } from './howMuch.ts';
import type { GradeKind } from './types.ts';

export const look = {
  name: 'Look',
  says: 'A LUT of the kit over the corrected picture. At 40 to 60 % it leaves room for the scene',
  side: 'after',
  values: {
    amount: howMuch('100 % is the look alone'),
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
    const seen = blended((own) => lut(wantsLog ? undo(own) : own), amount);
    return ([r, g, b]) => {
      const [x, y, z] = seen([encode(r), encode(g), encode(b)]);
      return [decode(x), decode(y), decode(z)];
    };
  },
} as const satisfies GradeKind;
