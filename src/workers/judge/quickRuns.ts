import { atOnce, type InParts } from '#core/inParts.ts';
import { sampleLatticeInParts, tetrahedral } from '#core/lut/lattice.ts';
import { codeToSignal, maxCode, type Coding } from '#core/signal/scale.ts';
import type { LutSpec } from '../luts/lutSpec.ts';
import type { Run } from '../luts/shelf.ts';

/** A function on a lattice over a coding's codes, row by row: exact on its points, tetrahedral between them. */
export function* onLatticeInParts(run: Run, coding: Coding, points: number): InParts<Run> {
  const low = codeToSignal(0, coding);
  const span = codeToSignal(maxCode(coding.bitDepth), coding) - low;
  const lattice = yield* sampleLatticeInParts(points, ([r, g, b]) =>
    run([low + span * r, low + span * g, low + span * b]),
  );
  return ([r, g, b]) => tetrahedral(lattice, [(r - low) / span, (g - low) / span, (b - low) / span]);
}
const onLattice = atOnce(onLatticeInParts);

/** Points along an edge: those that the picture is drawn with. */
const POINTS = 33;
const pointsOf = (spec: LutSpec) => (spec.kind === 'grade' ? (spec.points ?? POINTS) : POINTS);
/** Lattices that are kept. */
const MOST = 4;

/**
 * Functions on a lattice over the codes of a frame, the newest kept: they are exact on its points, which are the ones
 * that the picture is drawn with, and read between them as the picture is.
 */
export const quickRuns = () => {
  const made = new Map<string, Run>();
  const quick = (spec: LutSpec, coding: Coding, runOf: (spec: LutSpec) => Run): Run => {
    const { bitDepth, range, feed } = coding;
    const key = JSON.stringify([spec, bitDepth, range, feed]);
    const known = made.get(key) ?? onLattice(runOf(spec), coding, pointsOf(spec));
    made.delete(key);
    made.set(key, known);
    if (made.size > MOST) made.delete([...made.keys()][0]);
    return known;
  };
  return Object.assign(quick, { clear: () => made.clear() });
};
