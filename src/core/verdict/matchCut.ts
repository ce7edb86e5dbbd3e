import { compileCorrection } from '../correction/compile.ts';
import { deltaE2000 } from '../colour/lab.ts';
import type { Triple } from '../maths/matrix.ts';
import { labOfLight } from '../match/patches.ts';
import { MATCH_LIMITS, matchVerdict } from '../match/verdict.ts';
import { castOf } from './cast.ts';
import { patchLight } from './patchStops.ts';
import type { VerdictRule, VerdictState } from './types.ts';

const STATES = { together: 'holds', seen: 'watch', jars: 'lost' } as const satisfies Record<
  string,
  VerdictState
>;

/** The neutral as bright as middle grey: how far off it is in colour alone. */
const atGrey = (light: Triple): Triple => light.map((v) => (0.18 * v) / light[1]) as unknown as Triple;

/** With the match that is kept for this light, a marked neutral is held against one of the hero camera's. */
export const matchCut = {
  id: 'match',
  name: 'Match to the hero camera',
  threshold: `A neutral within ΔE2000 ${MATCH_LIMITS.together.deltaE} after the match that is kept. Our own.`,
  judge: ({ measurement, numbers, light, match }) => {
    const cast = match && castOf(measurement, numbers, light);
    if (!match || !cast) return undefined;
    const { gamut } = numbers.profile;
    const lab = labOfLight(gamut, 0);
    const own = patchLight(cast.reading, measurement.coding, numbers.profile);
    const after = compileCorrection(match.correction, gamut).run([own[0], own[1], own[2]]);
    if (!(after[1] > 0)) return undefined;
    const grey = lab([0.18, 0.18, 0.18]);
    const off = (rgb: Triple) => deltaE2000(lab(atGrey(rgb)), grey);
    const deltaE = off(after);
    const state = STATES[matchVerdict({ deltaE, stops: 0 })];
    const holds = state === 'holds';
    return {
      state,
      title: holds ? `Cuts with ${match.hero}` : `Differs from ${match.hero}`,
      figure: `ΔE ${deltaE.toFixed(1)}`,
      advice: holds
        ? 'With the match that is kept, this neutral is the hero camera’s. Leave it.'
        : 'Even with the match that is kept, this neutral is off: match again in this light, or balance anew.',
      place: cast.reading.patch.rect,
      arithmetic: [
        { label: 'as recorded, from neutral', value: `ΔE ${off([own[0], own[1], own[2]]).toFixed(1)}` },
        { label: `with the match to ${match.hero}`, value: `ΔE ${deltaE.toFixed(1)}` },
        { label: 'kept for light of', value: match.from.map((kelvin) => `${kelvin} K`).join(' and ') },
      ],
    };
  },
} as const satisfies VerdictRule;
