import { z } from 'zod';

/** Ids are short slugs or generated; they stand in URLs. */
export const idSchema = z
  .string()
  .min(1)
  .max(80)
  .regex(/^[A-Za-z0-9:_-]+$/);
export const nameSchema = z.string().trim().min(1).max(80);
export const finite = z.number().finite();
export const stopsSchema = finite.min(-20).max(20);
