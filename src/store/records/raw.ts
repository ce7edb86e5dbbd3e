import * as z from 'zod/mini';
import { realGain } from '#core/exposure/iso.ts';
import { printStops } from '#core/units.ts';
import { idSchema, listOf, named, natural, positiveTo } from './common.ts';

// Raw as a kind of recording: what the camera can, and whether a plan records it.

const rawKindSchema = z.object({
  /** At the rate of the job, Mb/s. */
  mbps: positiveTo(20_000),
  /** ISOs whose gain is in the file; the rest are wishes. */
  realIsos: listOf(natural, 1, 60),
});
export type RawKind = z.infer<typeof rawKindSchema>;

const rawPlanSchema = z.object({
  /** The profile that post develops into, and its name as it was picked. */
  developTo: idSchema,
  name: named(80),
});
export type RawPlan = z.infer<typeof rawPlanSchema>;

/** How a camera records raw, where it was said and can be read. */
export const rawKindOf = ({ raw }: { readonly raw?: unknown }): RawKind | undefined =>
  rawKindSchema.safeParse(raw).data;

/** Whether a plan records raw, and what post develops into. */
export const rawPlanOf = ({ raw }: { readonly raw?: unknown }): RawPlan | undefined =>
  rawPlanSchema.safeParse(raw).data;

/** What a plan and its camera say of raw, and the names of the profiles it may be developed into. */
type RawOf = {
  readonly plan: {
    readonly raw?: unknown;
    readonly iso: number;
    readonly kelvin: number;
    readonly placement: number;
  };
  readonly camera: { readonly raw?: unknown; readonly baseIsos: readonly number[] };
  readonly profiles: ReadonlyMap<string, { readonly name: string }>;
};

/** What the profile raw is developed into is called now; as it was picked where it is gone. */
export const developedName = ({ developTo, name }: RawPlan, profiles: RawOf['profiles']): string =>
  profiles.get(developTo)?.name ?? name;

/** How raw is developed: `ISO 800 and 4000 K to wide log`; undefined where the plan records a log. */
export const developedAs = ({ plan, camera, profiles }: RawOf): string | undefined => {
  const raw = rawPlanOf(plan);
  if (!raw) return undefined;
  const gain = realGain(plan.iso, rawKindOf(camera)?.realIsos ?? camera.baseIsos);
  return `ISO ${gain} and ${plan.kelvin} K to ${developedName(raw, profiles)}`;
};

/** A raw take in place of the profile it would have recorded. */
export const rawTake = (developed: string): string => `raw, developed at ${developed}`;

/** What post does before a LUT of a plan fits; no line where the plan records a log. */
export const rawNotes = (of: RawOf): readonly string[] => {
  const developed = developedAs(of);
  return developed === undefined
    ? []
    : [`Before the LUT: develop raw at ${developed}, with the card at ${printStops(of.plan.placement)}`];
};
