import * as z from 'zod/mini';
import { nameSchema } from '#store/records/common.ts';

/** A shoot as it is typed. */
export const newShootForm = z.object({
  name: z
    .string()
    .check(z.refine((text) => nameSchema.safeParse(text).success, 'Name: type 1 to 80 characters.')),
  place: z.string().check(z.maxLength(200, 'Place: at most 200 characters.')),
  day: z
    .string()
    .check(
      z.refine(
        (text) => text === '' || z.iso.date().safeParse(text).success,
        'Day: type a date, or leave it empty.',
      ),
    ),
  cameraIds: z.array(z.string()).check(z.minLength(1, 'Cameras: tick one, or set up a new camera first.')),
});
export type NewShootFields = z.infer<typeof newShootForm>;
