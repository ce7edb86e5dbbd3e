import { exactFNumber, printFNumber } from '#core/exposure/aperture.ts';
import type { Correction } from '#core/verdict/index.ts';
import { printStops, toThird } from '#core/units.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import type { Selection } from '#store/selection.ts';
import { printKelvin, printNd } from '../format.ts';
import { PLACEMENT_RANGE } from '../ladder/ladderModel.ts';
import { irisesOf } from '../stage/stageModel.ts';
import { words } from '#ui/wording/bench.ts';

/** A change of the plan with the words for it. */
export type PlanChange = { readonly label: string; readonly fields: Partial<PlanRecord> };

export const clamp = (v: number, [low, high]: readonly [number, number]) => Math.min(high, Math.max(low, v));
export const onStep = (v: number, step: number) => Math.round(v / step) * step;

type Turn<K extends Correction['kind']> = (
  correction: Extract<Correction, { kind: K }>,
  selection: Pick<Selection, 'plan' | 'camera'>,
) => PlanChange | undefined;

const TURNS: { readonly [K in Correction['kind']]: Turn<K> } = {
  placement: ({ to }, { plan }) => {
    const placement = clamp(to, PLACEMENT_RANGE);
    return placement === plan.placement
      ? undefined
      : { label: words.placement(printStops(placement)), fields: { placement } };
  },
  // The iris where the lens has one, else glass; by what the lens and the glass can be set to.
  exposure: ({ stops }, { plan, camera }) => {
    if (camera.fixedIris !== undefined) {
      const ndStops = Math.max(0, toThird(plan.ndStops - stops));
      return ndStops === plan.ndStops
        ? undefined
        : { label: `ND ${printNd(ndStops)}`, fields: { ndStops, ndSetId: undefined } };
    }
    const wanted = exactFNumber(plan.iris) * 2 ** (-stops / 2);
    const apart = (f: number) => Math.abs(Math.log2(exactFNumber(f) / wanted));
    const iris = irisesOf(camera).reduce((best, f) => (apart(f) < apart(best) ? f : best));
    return iris === plan.iris ? undefined : { label: words.iris(printFNumber(iris)), fields: { iris } };
  },
  balance: ({ mired, tint }, { plan, camera }) => {
    const kelvin = clamp(onStep(1e6 / (1e6 / plan.kelvin + mired), camera.kelvinStep), camera.kelvinRange);
    const turned = clamp(onStep(plan.tint - tint, camera.tintStep), camera.tintRange);
    return kelvin === plan.kelvin && turned === plan.tint
      ? undefined
      : {
          label: words.whiteBalance(printKelvin(kelvin)),
          fields: { kelvin: Math.round(kelvin), tint: turned },
        };
  },
};

/** What a verdict's correction comes to on this camera; undefined when its dials are there already. */
export const planChange = (
  correction: Correction,
  selection: Pick<Selection, 'plan' | 'camera'>,
): PlanChange | undefined => {
  const turn = TURNS[correction.kind] as (c: Correction, s: typeof selection) => PlanChange | undefined;
  return turn(correction, selection);
};
