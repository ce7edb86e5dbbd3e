import * as z from 'zod/mini';
import { LAMP_IDS, type LampId } from '#core/exposure/lampFlicker.ts';
import { listOf } from './common.ts';

const lampsSchema = listOf(z.enum(LAMP_IDS as [LampId, ...LampId[]]), 0, 20);

/** Kinds of lamps that light a set-up, in the order of their table; none where nobody said or it cannot be read. */
export const lampsOf = ({ lamps }: { readonly lamps?: unknown }): readonly LampId[] => {
  const said = lampsSchema.safeParse(lamps).data ?? [];
  return LAMP_IDS.filter((id) => said.includes(id));
};
