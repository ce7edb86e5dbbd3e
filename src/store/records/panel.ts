import * as z from 'zod/mini';
import { atLeast, between, finite, idSchema, listOf, nameSchema, whole } from './common.ts';

const channels = z.readonly(z.tuple([finite, finite, finite]));
/** A step of a panel. */
export const panelStep = whole(-9999, 9999);
/** A control of a camera's panel, and what a step of it does once that was measured. */
const controlSchema = z.object({
  id: idSchema,
  name: nameSchema,
  low: panelStep,
  high: panelStep,
  at: panelStep,
  response: z.optional(
    z.object({
      gain: channels,
      black: channels,
      saturation: between(-1, 10),
      gamma: z.optional(between(-1, 10)),
      hue: z.optional(between(-180, 180)),
      straight: z.optional(finite),
      misfit: atLeast(0),
    }),
  ),
});
export type PanelControl = z.infer<typeof controlSchema>;

const panelSchema = listOf(controlSchema, 0, 12);

/** Controls of a camera's panel; none where they cannot be read. */
export const panelOf = ({ panel }: { readonly panel?: unknown }): readonly PanelControl[] =>
  panelSchema.safeParse(panel).data ?? [];
