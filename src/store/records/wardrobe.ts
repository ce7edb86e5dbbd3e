import * as z from 'zod/mini';
import { LEAVES_IDS, type LeavesId } from '#core/sensor/wardrobe.ts';
import { idSchema, listOf, nameSchema, positiveTo } from './common.ts';

/** Something of a colour: worn, or behind whoever wears it. */
export const thingSchema = z.object({
  id: idSchema,
  name: nameSchema,
  where: z.enum(['worn', 'behind']),
  /** In daylight, as `#aabbcc`. */
  hex: z.string().check(z.regex(/^#[0-9a-f]{6}$/i)),
  /** Repeat of its pattern, millimetres. */
  repeat: z.optional(positiveTo(1000)),
});
export type Thing = z.infer<typeof thingSchema>;

const wardrobeSchema = z.object({
  things: listOf(thingSchema, 0, 12),
  leaves: z.enum(LEAVES_IDS as [LeavesId, ...LeavesId[]]),
});
export type Wardrobe = z.infer<typeof wardrobeSchema>;

/** The wardrobe of a set-up; an empty one where none can be read. */
export const wardrobeOf = ({ wardrobe }: { readonly wardrobe?: unknown }): Wardrobe =>
  wardrobeSchema.safeParse(wardrobe).data ?? { things: [], leaves: 'none' };
