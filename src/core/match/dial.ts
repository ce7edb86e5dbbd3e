import { dialAfter } from '../correction/balanceGains.ts';
import { operationOf, withOperation, type Correction } from '../correction/operations.ts';
import type { Dial } from '../colour/lean.ts';
import { toThird } from '../units.ts';

/** What a camera's dials can be set to. */
export type DialSteps = {
  readonly kelvinStep: number;
  readonly kelvinRange: readonly [number, number];
  readonly tintStep: number;
  readonly tintRange: readonly [number, number];
};

/** A correction as its operator would set it, and what is left for post. */
export type Dialled = {
  /** What to set instead of what stands there. */
  readonly dial: Dial;
  /** How much more to expose, whole thirds of a stop. */
  readonly stops: number;
  /** What the dials cannot do. */
  readonly rest: Correction;
};

const onStep = (value: number, step: number, [low, high]: readonly [number, number]) =>
  Math.min(high, Math.max(low, step > 0 ? Math.round(value / step) * step : value));

/**
 * What to dial so that the camera comes as near to the hero as its dials go: Kelvin and tint to their steps, exposure
 * to thirds. The rest is a correction from there on.
 * @param dial What the camera was dialled to when the match was filmed
 */
export const dialled = (correction: Correction, dial: Dial, steps: DialSteps): Dialled => {
  const balance = operationOf(correction, 'balance') ?? { kind: 'balance', mired: 0, tint: 0, about: dial };
  const { mired, tint } = balance;
  const { stops = 0 } = operationOf(correction, 'exposure') ?? {};
  const wanted = dialAfter(dial, mired, tint);
  const next: Dial = {
    kelvin: onStep(wanted.kelvin, steps.kelvinStep, steps.kelvinRange),
    tint: onStep(wanted.tint, steps.tintStep, steps.tintRange),
  };
  const thirds = toThird(stops);
  const done = { mired: 1e6 / dial.kelvin - 1e6 / next.kelvin, tint: next.tint - dial.tint };
  const exposed = withOperation(correction, { kind: 'exposure', stops: stops - thirds });
  const rest = withOperation(exposed, {
    ...balance,
    about: dialAfter(balance.about, done.mired, done.tint),
    mired: mired - done.mired,
    tint: tint - done.tint,
  });
  return { dial: next, stops: thirds, rest };
};
