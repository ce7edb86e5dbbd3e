import { describe, expect, it } from 'vitest';
import { compileCorrection } from '../correction/compile.ts';
import type { Correction } from '../correction/operations.ts';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { quantise } from '../signal/scale.ts';
import { matchCut } from './matchCut.ts';
import type { VerdictInput } from './types.ts';

const coding = { bitDepth: 12, range: 'full' } as const;
const profile = compileProfile(ARCHETYPES.wideLog);
const correction: Correction = {
  primaries: 'bt2020',
  operations: [{ kind: 'balance', mired: -20, tint: 4, about: { kelvin: 5600, tint: 0 } }],
};

/** A card that the match turns into this light. */
const cardAfter = (light: Triple, match?: VerdictInput['match']): VerdictInput => {
  const codes = compileCorrection(correction, profile.gamut)
    .undo(light)
    .map((v) => quantise(profile.transfer.encode(v), coding));
  return {
    measurement: {
      coding,
      patches: [
        {
          patch: { id: 'card', kind: 'card', rect: { x: 0, y: 0, width: 8, height: 8 } },
          r: codes[0],
          g: codes[1],
          b: codes[2],
          luma: codes[1],
          sd: 0,
          pixels: 64,
        },
      ],
    },
    numbers: { profile, clipStops: profile.clipStops },
    placement: 0,
    ...(match ? { match } : {}),
  } as unknown as VerdictInput;
};
const kept = { hero: 'A-cam', correction, from: [5477] };

describe('a match that is kept', () => {
  it('holds where it turns the neutral into a neutral', () => {
    const verdict = matchCut.judge(cardAfter([0.18, 0.18, 0.18], kept))!;
    expect(verdict).toMatchObject({ state: 'holds', title: 'Cuts with A-cam' });
    expect(verdict.arithmetic[0].value).not.toBe('ΔE 0.0');
  });

  it('does not where something else is off, whatever the exposure', () => {
    expect(matchCut.judge(cardAfter([0.187, 0.18, 0.174], kept))).toMatchObject({ state: 'watch' });
    expect(matchCut.judge(cardAfter([0.1, 0.072, 0.06], kept))).toMatchObject({ state: 'lost' });
    expect(matchCut.judge(cardAfter([0.5, 0.5, 0.5], kept))).toMatchObject({ state: 'holds' });
  });

  it('says nothing without a match', () => {
    expect(matchCut.judge(cardAfter([0.18, 0.18, 0.18]))).toBeUndefined();
  });
});
