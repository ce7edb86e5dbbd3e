import * as z from 'zod/mini';
import { realGain } from '#core/exposure/iso.ts';
import { said } from '#core/said.ts';
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

/** What post does before a LUT of a plan fits; no line where the plan records a log. */
export const rawNotes = (
  plan: {
    readonly raw?: unknown;
    readonly iso: number;
    readonly kelvin: number;
    readonly placement: number;
  },
  camera: { readonly raw?: unknown; readonly baseIsos: readonly number[] },
): readonly string[] => {
  const raw = rawPlanOf(plan);
  if (!raw) return [];
  const gain = realGain(plan.iso, rawKindOf(camera)?.realIsos ?? camera.baseIsos);
  return [
    said(
      `Before the LUT: develop raw at ISO ${gain} and ${plan.kelvin} K to ${raw.name},`,
      `with the card at ${printStops(plan.placement)}`,
    ),
  ];
};
