import type { CurveReading } from '../types.ts';
import { basis } from './logForm.ts';
import { firstLook, looksWithout } from './posterior.ts';

/** A reading that lies this many standard deviations off the curve through the others is not believed. */
const OUTLIER_SIGMAS = 4;

/** Only those farthest off the curve through all are tried. */
const SUSPECTS = 6;

/** Signal fraction of reading minus curve, in the reading's own standard deviations. */
const offOf = (
  { reflectance, signal }: CurveReading,
  { s, cut, c, d }: { readonly s: number; readonly cut: number; readonly c: number; readonly d: number },
  sd: number,
) => (signal - c * basis(reflectance, s, cut) - d) / sd;

/**
 * The reading that all others disown, by its index: each suspect is left out in turn and held against the log curve
 * through the rest. At the two ends the curve is carried on beyond its last reading: they are held to twice the bound.
 * @returns undefined where every reading may be believed.
 */
export const disowned = (points: readonly CurveReading[]): number | undefined => {
  const look = firstLook(points);
  const all = looksWithout(look, -1);
  const likely = points
    .map((point, i) => ({ i, off: all ? Math.abs(offOf(point, all, look.sds[i])) : 0 }))
    .sort((a, b) => b.off - a.off)
    .slice(0, SUSPECTS);
  const off = points.map((point, i) => {
    const curve = likely.some((suspect) => suspect.i === i) ? looksWithout(look, i) : undefined;
    if (!curve) return 0;
    const rest = points.flatMap((p, n) => (n === i ? [] : [offOf(p, curve, look.sds[n])]));
    const spread = Math.sqrt(rest.reduce((sum, r) => sum + r * r, 0) / (rest.length - 2));
    const bound = i === 0 || i === points.length - 1 ? 2 * OUTLIER_SIGMAS : OUTLIER_SIGMAS;
    return Math.abs(offOf(point, curve, look.sds[i])) / Math.max(1, spread) / bound;
  });
  const worst = off.indexOf(Math.max(...off));
  return off[worst] > 1 ? worst : undefined;
};
