import * as z from 'zod/mini';
import { SURROUND_IDS, type SurroundId } from '#core/lut/screenTrust.ts';
import { between, text } from './common.ts';

/** What was seen and measured of a monitor, in which light. */
const screenCheckSchema = z.object({
  surround: z.enum(SURROUND_IDS as [SurroundId, ...SurroundId[]]),
  /** Signals of the darkest step that is seen on black, and the brightest on white. */
  dark: z.optional(between(0, 1)),
  bright: z.optional(between(0, 1)),
  /** Stops that it shows brighter than it should, and how it was set then. */
  offset: z.optional(between(-10, 10)),
  how: z.optional(text(0, 60)),
});
export type ScreenCheck = z.infer<typeof screenCheckSchema>;

/** A monitor's check, where there is one that can be read. */
export const screenCheckOf = ({ check }: { readonly check?: unknown }): ScreenCheck | undefined =>
  screenCheckSchema.safeParse(check).data;
