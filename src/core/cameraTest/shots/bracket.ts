import type { ShotKind } from '../types.ts';
import { bracketSteps, shotOf } from './ground.ts';

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
 * Stops of light less on the way back: each shutter then stands at another place of the curve, halfway between those of
 * the way there, so that no step is farther than half a stop from clip.
 */
const LESS_LIGHT = 1.5;

export const back: ShotKind = {
  name: 'bracket back',
  view: 'card',
  tells: 'real shutter times apart from the curve, and whether the lamp held',
  how: 'Close the iris by one and a half stops, or take the lamp back; then the same shutters again, slow to fast.',
  shots: (basis) => {
    if (basis.length === 'short') return [];
    const parts = bracketSteps(basis.camera, 1);
    const last = parts[parts.length - 1];
    return last
      .map(({ shutter, stops, moreLight }) => ({
        shutter,
        stops: stops - LESS_LIGHT,
        moreLight: moreLight - LESS_LIGHT,
      }))
      .reverse()
      .map((step) => shotOf(basis, 'back', 'card', `back ${idOf(step.stops, parts.length - 1)}`, step));
  },
};
