import * as z from 'zod/mini';
import type { Result } from '#core/result.ts';
import { shootSchema, type ShootRecord } from '../records/shoot.ts';
import { listOf } from '../records/common.ts';
import { readVersioned } from './versioned.ts';
import { takeSchema, type TakeRecord } from '../records/take.ts';

/** The log as it travels: told apart by `format`, read by `version`. */
const takesFileSchema = z.object({
  format: z.literal('candelum-takes'),
  version: z.literal(1),
  exportedAt: z.iso.datetime(),
  shoot: shootSchema,
  takes: listOf(takeSchema, 0, 100_000),
});
export type TakesFile = z.infer<typeof takesFileSchema>;

export const takesJson = (shoot: ShootRecord, takes: readonly TakeRecord[], now: Date): string => {
  const file: TakesFile = {
    format: 'candelum-takes',
    version: 1,
    exportedAt: now.toISOString(),
    shoot,
    takes: [...takes],
  };
  return `${JSON.stringify(file, null, 2)}\n`;
};

/** Reads such a file; a failure names the field that is wrong. */
export const parseTakesJson = (text: string): Result<TakesFile> =>
  readVersioned(text, {
    format: 'candelum-takes',
    version: 1,
    schema: takesFileSchema,
    remedy: 'export the log again',
  });
