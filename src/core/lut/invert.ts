import { failure, success, type Result } from '../result.ts';
import type { Domain, Lut } from './lut.ts';

const CHANNELS = ['red', 'green', 'blue'];
/** Points of an inverted curve: enough that a straight read between them is within 1e-5 for what cameras record by. */
const POINTS = 4096;

/** Input 0..1 of a curve that does not fall, for an output; the darkest where it is level. */
export const curveInput = (curve: Float32Array, wanted: number): number => {
  const last = curve.length - 1;
  if (wanted <= curve[0]) return 0;
  if (wanted > curve[last]) return 1;
  let [low, high] = [0, last];
  while (high - low > 1) {
    const mid = (low + high) >> 1;
    if (curve[mid] < wanted) low = mid;
    else high = mid;
  }
  const t = (wanted - curve[low]) / (curve[high] - curve[low]);
  return (low + Math.min(1, Math.max(0, t))) / last;
};

/**
 * The other way round of a 1D LUT: its domain is what the curves put out, evenly sampled. Where a curve is
 * level the darkest input is taken; one that falls anywhere, or does not rise at all, cannot be turned round.
 */
export const invertCurves = (lut: Extract<Lut, { kind: 'curves' }>): Result<Lut> => {
  for (const [c, curve] of lut.curves.entries()) {
    const falls = curve.findIndex((v, i) => i > 0 && v < curve[i - 1]);
    if (falls > 0)
      return failure(
        `${CHANNELS[c]}, row ${falls + 1}`,
        'The curve falls here: two inputs give one output, so it has no inverse.',
      );
    if (!(curve[curve.length - 1] > curve[0]))
      return failure(CHANNELS[c], 'The curve is level from end to end: it has no inverse.');
  }
  const ends = (at: (curve: Float32Array) => number) => lut.curves.map(at) as unknown as Domain['min'];
  const domain: Domain = { min: ends((curve) => curve[0]), max: ends((curve) => curve[curve.length - 1]) };
  const { min, max } = lut.domain;
  const curves = lut.curves.map((curve, c) =>
    Float32Array.from({ length: POINTS }, (_, i) => {
      const out = domain.min[c] + ((domain.max[c] - domain.min[c]) * i) / (POINTS - 1);
      return min[c] + (max[c] - min[c]) * curveInput(curve, out);
    }),
  );
  return success({
    kind: 'curves',
    domain,
    curves: curves as unknown as [Float32Array, Float32Array, Float32Array],
  });
};
