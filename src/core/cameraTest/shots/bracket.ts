import { said } from '../../said.ts';
import type { ShotKind } from '../types.ts';
import { bracketSteps, shotOf, type Step } from './ground.ts';

/** Stops between two steps: in a thorough test half stops. */
const apartIn = { short: 1, usual: 1, thorough: 0.5 } as const;

const idOf = (stops: number, part: number) => `${stops.toFixed(1)}/${part}`;

export const bracket: ShotKind = {
  name: 'bracket',
  view: 'card',
  tells: 'the curve, black, clip, noise against light, real shutter steps',
  how: 'Touch nothing but the shutter. Go on until two steps look the same.',
  shots: (basis) =>
    bracketSteps(basis.camera, apartIn[basis.length]).flatMap((steps, part) =>
      steps.map((step) => shotOf(basis, 'bracket', 'card', `bracket ${idOf(step.stops, part)}`, step)),
    ),
};

/**
 * Stops of light less on the way back: a whole stop, so that a shutter's place is the next one's of the way there, and
 * their errors differ by what is read. At other distances errors that repeat over some steps pass for the curve's own.
 */
const LESS_LIGHT = 1;
/** Once more with the iris so much closed, where clip may lie: no step is then farther than that under it. */
const NEAR_CLIP = { from: 1.75, to: 5.25 } as const;
const NEAR_LESS = { short: [], usual: [1 / 3], thorough: [1 / 3, 2 / 3] } as const;
/** Brighter than this nothing is filmed on the way back: every curve has clipped, and the bracket has shown where. */
const BACK_FROM = 7.5;

const inLess = (steps: readonly Step[], less: number): readonly Step[] =>
  steps
    .map(({ shutter, stops, moreLight }) => ({ shutter, stops: stops - less, moreLight: moreLight - less }))
    .reverse();

export const back: ShotKind = {
  name: 'bracket back',
  view: 'card',
  tells: 'real shutter times apart from the curve, clip to a third of a stop, whether the lamp held',
  how: said(
    'Close the iris by one stop, or take the lamp back; then the same shutters again, slow to fast.',
    'Then with the iris a third of a stop closed the slow ones again.',
  ),
  shots: (basis) => {
    if (basis.length === 'short') return [];
    const parts = bracketSteps(basis.camera, 1);
    const last = parts[parts.length - 1];
    const under = last.filter(({ stops }) => stops < BACK_FROM);
    const near = last.filter(({ stops }) => stops > NEAR_CLIP.from && stops < NEAR_CLIP.to);
    const rows = [inLess(under, LESS_LIGHT), ...NEAR_LESS[basis.length].map((less) => inLess(near, less))];
    return rows.flatMap((steps, row) =>
      steps.map((step) => shotOf(basis, 'back', 'card', `back ${idOf(step.stops, row)}`, step)),
    );
  },
};
