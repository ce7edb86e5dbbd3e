import * as z from 'zod/mini';
import { WINDOW_SKY_IDS, type WindowSky } from '#core/day/windowLight.ts';
import { between } from './common.ts';

const windowSchema = z.object({
  /** Where it looks, degrees from north over east. */
  facing: between(0, 360),
  sky: z.enum(WINDOW_SKY_IDS as [WindowSky, ...WindowSky[]]),
});
export type WindowOfSetup = z.infer<typeof windowSchema>;

/** The window that lights a set-up, where it was said and can be read. */
export const windowOf = ({ window }: { readonly window?: unknown }): WindowOfSetup | undefined =>
  windowSchema.safeParse(window).data;
