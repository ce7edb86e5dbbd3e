import * as z from 'zod/mini';
import { between, named, natural, positive, stopsSchema, whole } from './common.ts';
import { shutterSchema } from './shutter.ts';

// A second card of a set-up for another light, such as cloud before the sun: the settings that stand aside, and what
// both are called.

const otherCardSchema = z.object({
  name: named(40),
  /** What the card that is dialled in is called. */
  own: named(40),
  iso: natural,
  kelvin: whole(1000, 20_000),
  tint: between(-100, 100),
  shutter: shutterSchema,
  iris: positive,
  ndStops: between(0, 20),
  placement: stopsSchema,
});
export type OtherCard = z.infer<typeof otherCardSchema>;
type Settings = Omit<OtherCard, 'name' | 'own'>;

/** The second card of a plan, where there is one that can be read. */
export const otherCardOf = ({ other }: { readonly other?: unknown }): OtherCard | undefined =>
  otherCardSchema.safeParse(other).data;

const settingsOf = ({ iso, kelvin, tint, shutter, iris, ndStops, placement }: Settings): Settings => ({
  iso,
  kelvin,
  tint,
  shutter,
  iris,
  ndStops,
  placement,
});

/** A second card beside a plan's own settings. */
export const besides = (names: Pick<OtherCard, 'name' | 'own'>, settings: Settings): OtherCard => ({
  ...names,
  ...settingsOf(settings),
});

/** The second card dialled in, the first one put aside; undefined where there is none. */
export const switched = (
  plan: Settings & { readonly other?: unknown },
): (Settings & { readonly other: OtherCard }) | undefined => {
  const other = otherCardOf(plan);
  return other && { ...settingsOf(other), other: besides({ name: other.own, own: other.name }, plan) };
};
