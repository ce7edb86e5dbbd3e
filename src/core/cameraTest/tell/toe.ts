import type { ProfileData } from '../../profile/types.ts';
import { stopsToReflectance } from '../../units.ts';
import { rising } from './rising.ts';

// Between black and the darkest steps a curve is a power of light: a straight toe has 1, a root a half. Our own.

const LEAST_POWER = 0.4;
const STRAIGHT = 0.8;

/** A step in light: linear light, signal fraction. */
type Lit = { readonly light: number; readonly signal: number };

/** The toe under a step: signal over black is `scale` times a power of light. */
export type Toe = { readonly light: number; readonly scale: number; readonly power: number };

/** The toe under the darkest of two steps, a stop apart at least. */
export const toeUnder = ([low, high]: readonly [Lit, Lit], black: number): Toe => {
  const [a, b] = [low.signal - black, high.signal - black];
  const wanted = Math.log(b / a) / Math.log(high.light / low.light);
  // Two steps tell a power no better than their shutters do: near straight it is straight, as nearly all toes are.
  const isStraight = !(a > 0 && Number.isFinite(wanted)) || wanted > STRAIGHT;
  const power = isStraight ? 1 : Math.max(LEAST_POWER, wanted);
  // Both steps tell how steep it is.
  const scale = Math.max(1e-9, a / low.light ** power + b / high.light ** power) / 2;
  return { light: low.light, scale, power };
};

/** A table's rows under its darkest step, drawn as a toe down to black: no step tells the solver what lies there. */
export const downToBlack = (profile: ProfileData, steps: readonly [Lit, Lit], black: number): ProfileData => {
  const { curve } = profile;
  if (curve.kind !== 'table') return profile;
  const { light, scale, power } = toeUnder(steps, black);
  const kept = curve.rows.filter((row) => row.reflectance > light);
  // Each third of a stop over eight stops, so that a power is drawn as what it is.
  const drawn = Array.from(
    { length: 25 },
    (_, i) => (light * stopsToReflectance(i / 3 - 8)) / stopsToReflectance(0),
  );
  return {
    ...profile,
    curve: {
      ...curve,
      rows: rising([
        { reflectance: 0, signal: black },
        ...drawn.map((x) => ({ reflectance: x, signal: black + scale * x ** power })),
        ...kept,
      ]),
    },
  };
};
