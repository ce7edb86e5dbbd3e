import { z } from 'zod';
import { failure, success, type Result } from '#core/result.ts';
import { shootSchema, type ShootRecord } from '../records/shoot.ts';
import { takeSchema, type TakeRecord } from '../records/take.ts';

/** The log as it travels: told apart by `format`, read by `version`. */
export const takesFileSchema = z.object({
  format: z.literal('candelum-takes'),
  version: z.literal(1),
  exportedAt: z.iso.datetime(),
  shoot: shootSchema,
  takes: z.array(takeSchema).max(100_000),
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
export const parseTakesJson = (text: string): Result<TakesFile> => {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return failure(
      'file',
      `This is not JSON (${error instanceof Error ? error.message : 'unreadable'}): export the log again.`,
    );
  }
  const version = (data as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > 1) {
    return failure('version', `The file is of version ${version}; this Candelum reads version 1: update it.`);
  }
  const parsed = takesFileSchema.safeParse(data);
  if (parsed.success) return success(parsed.data);
  const [issue] = parsed.error.issues;
  return failure(issue.path.join('.') || 'file', `${issue.message}: export the log again.`);
};
