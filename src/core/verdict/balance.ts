import { SEEN_MIRED } from '../colour/balance.ts';
import { printSigned } from '../units.ts';
import { castOf } from './cast.ts';
import type { VerdictRule } from './types.ts';
import { castSeen, lightThere } from './verdictWords.ts';

/** Tint under this is hardly seen, thousandths of Duv. Our own choice. */
const SEEN_TINT = 3;

export const whiteBalance = {
  id: 'balance',
  name: 'White balance',
  threshold: `A neutral within ${SEEN_MIRED} mired and ${SEEN_TINT} thousandths of Duv.`,
  judge: ({ measurement, numbers, light }) => {
    const cast = castOf(measurement, numbers, light);
    if (!cast) return undefined;
    const { mired, tint, ratios, reading, stands } = cast;
    const off = Math.abs(mired) > SEEN_MIRED;
    const tinted = Math.abs(tint) > SEEN_TINT;
    const warmth = mired > 0 ? 'warm' : 'cool';
    const hue = tint > 0 ? 'green' : 'magenta';
    const kelvin = light ? 1e6 / (1e6 / light.kelvin + mired) : undefined;
    const found = kelvin === undefined ? '' : lightThere(kelvin, stands);
    return {
      state: off || tinted ? 'watch' : 'holds',
      title: off ? `Neutral comes out ${warmth}` : tinted ? `Neutral comes out ${hue}` : 'Neutral is neutral',
      figure: `${printSigned(mired)} mired`,
      advice:
        off || tinted
          ? castSeen(reading.patch.kind, tinted ? `${printSigned(tint)} ${hue}` : undefined, found)
          : `By the ${reading.patch.kind}: under what is seen. Leave it.`,
      place: reading.patch.rect,
      ...(off || tinted ? { correction: { kind: 'balance', mired, tint } as const } : {}),
      arithmetic: [
        { label: 'linear R : G : B of the patch', value: ratios.map((v) => v.toFixed(3)).join(' : ') },
        ...(light ? [{ label: 'dialled, lean taken in', value: `${Math.round(light.kelvin)} K` }] : []),
        {
          label: 'read as a light of',
          value: `${printSigned(mired, 1)} mired, ${printSigned(tint, 1)} thousandths of Duv`,
        },
        { label: 'from', value: `a mean of ${reading.pixels} px` },
      ],
    };
  },
} as const satisfies VerdictRule;
