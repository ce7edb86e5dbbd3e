import { maxCode } from '../signal/scale.ts';
import type { VerdictRule } from './types.ts';

export const coarseCodes = {
  id: 'coarse-codes',
  name: '8-bit codes in a 10-bit file',
  threshold: 'All luma of a 10-bit file on every fourth code.',
  judge: ({ measurement }) => {
    const { histogram, coding } = measurement;
    if (coding.bitDepth !== 10 || histogram.length !== maxCode(10) + 1) return undefined;
    let used = 0;
    const rests = new Set<number>();
    histogram.forEach((count, code) => {
      if (count === 0) return;
      used += 1;
      rests.add(code & 3);
    });
    if (used < 8 || rests.size > 1) return undefined;
    return {
      state: 'watch',
      title: 'Only 8 bits inside',
      figure: `${used} codes`,
      advice:
        'Every luma code is a multiple of four: the chain cut it to 8 bit. Check the recorder’s setting.',
      arithmetic: [
        { label: 'codes in use', value: `${used} of 1024, all with remainder ${[...rests][0]} by 4` },
      ],
    };
  },
} as const satisfies VerdictRule;
