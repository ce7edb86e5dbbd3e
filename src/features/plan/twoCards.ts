import { exactFNumber } from '#core/exposure/aperture.ts';
import type { NdSet } from '#core/exposure/nd.ts';
import { ndStacks } from '#core/exposure/solver.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { besides, type OtherCard } from '#store/records/otherCard.ts';
import type { PlanRecord } from '#store/records/plan.ts';

/** The second card as it is made, and stops that ND and iris could not give. */
export type MadeCard = { readonly card: OtherCard; readonly left: number };

/** A fall of light that is met no better is left over, stops: a camera's irises lie a third apart. */
const MET = 0.2;

const nearest = <T>(list: readonly T[], off: (one: T) => number): T | undefined =>
  list.reduce<T | undefined>(
    (best, one) => (best === undefined || Math.abs(off(one)) < Math.abs(off(best)) ? one : best),
    undefined,
  );

/**
 * A card for light that falls: ND comes off first, since it costs nothing, then the iris opens. ISO and shutter stay.
 * @param falls Stops that the light falls by; under 0 it rises
 */
export const cardFor = (
  plan: PlanRecord,
  { irises }: Pick<CameraRecord, 'irises'>,
  sets: readonly NdSet[],
  names: Pick<OtherCard, 'name' | 'own'>,
  light: { readonly falls: number; readonly kelvin: number },
): MadeCard => {
  // Glass that was chosen stays the glass.
  const own = sets.filter(({ id }) => plan.ndSetId === undefined || id === plan.ndSetId);
  const stacks = [0, plan.ndStops, ...ndStacks(own).map(({ stops }) => stops)];
  const ndStops = nearest(stacks, (stops) => plan.ndStops - stops - light.falls) ?? plan.ndStops;
  const still = light.falls - (plan.ndStops - ndStops);
  const opens = (iris: number) => 2 * Math.log2(exactFNumber(plan.iris) / exactFNumber(iris));
  const iris = nearest([plan.iris, ...irises], (one) => opens(one) - still) ?? plan.iris;
  const left = still - opens(iris);
  return {
    card: besides(names, { ...plan, ndStops, iris, kelvin: light.kelvin }),
    left: Math.abs(left) < MET ? 0 : left,
  };
};
