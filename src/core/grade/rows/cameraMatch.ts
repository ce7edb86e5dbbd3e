import { compileCorrection } from '../../correction/compile.ts';
import { blended } from '../../lut/chain.ts';
import { howMuch } from './howMuch.ts';
import type { GradeKind } from './types.ts';

export const cameraMatch = {
  name: 'Match to the hero camera',
  says: 'What this camera keeps that brings it to the hero camera in this light',
  side: 'before',
  values: {
    amount: howMuch('100 % is the match as it was solved'),
  },
  compile: (value, { primaries }, { match }) => {
    if (!match) return undefined;
    return blended(compileCorrection(match, primaries).run, value('amount'));
  },
} as const satisfies GradeKind;
