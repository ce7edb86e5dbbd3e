import { compileProfile, doubtAt, type ProfileData } from '../profile/index.ts';
import type { Figure } from './tell/types.ts';

// Two tests side by side: of one body before and after an update, or of two bodies.

/** A figure in two tests. */
export type ComparedFigure = {
  readonly id: string;
  readonly name: string;
  readonly before: Figure;
  readonly after: Figure;
  /** Farther apart than how exactly both are known explains. */
  readonly moved: boolean;
};

/** Where two curves lie apart. */
export type ComparedCurves = {
  /** Stops over grey, and by how much the second reads brighter there, stops. */
  readonly offs: readonly { readonly at: number; readonly off: number; readonly explained: number }[];
  readonly moved: boolean;
};

const AT = [-5, -4, -3, -2, -1, 0, 1, 2, 3, 4, 5, 6];

const explainedBy = (a: Figure, b: Figure): number => Math.hypot(a.plusMinus ?? 0, b.plusMinus ?? 0);

/** Figures that both tests hold, in the order of the second. */
export const compareFigures = (
  before: readonly Figure[],
  after: readonly Figure[],
): readonly ComparedFigure[] =>
  after.flatMap((figure) => {
    const old = before.find(({ id }) => id === figure.id);
    if (!old) return [];
    const apart = Math.abs(figure.value - old.value);
    return [
      {
        id: figure.id,
        name: figure.name,
        before: old,
        after: figure,
        moved: apart > explainedBy(old, figure) && apart > 1e-6,
      },
    ];
  });

/** Whether the curve has moved: light that the first curve reads of the second's signal. */
export const compareCurves = (before: ProfileData, after: ProfileData): ComparedCurves => {
  const [a, b] = [before, after].map((data) => compileProfile(data));
  const top = Math.min(before.clipStops, after.clipStops) - 0.2;
  const offs = AT.filter((at) => at < top).map((at) => ({
    at,
    off: a.stopsAt(b.signalAt(at)) - at,
    explained: Math.hypot(doubtAt(before.band, at)?.stops ?? 0, doubtAt(after.band, at)?.stops ?? 0),
  }));
  return {
    offs,
    moved: offs.some(({ off, explained }) => Number.isFinite(off) && Math.abs(off) > explained),
  };
};
