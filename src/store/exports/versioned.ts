import type * as z from 'zod/mini';
import { failure, success, type Result } from '#core/result.ts';
import { issueWords } from '../words.ts';

/** A file of ours: told apart by `format`, read by `version`. */
export type FileKind<T> = {
  readonly format: string;
  readonly version: number;
  readonly schema: z.ZodMiniType<T>;
  /** What to do with a file that cannot be read: `export the log again`. */
  readonly remedy: string;
};

/** Reads such a file; a failure names the field that is wrong. Nothing is taken from a file of a newer version. */
export const readVersioned = <T>(
  text: string,
  { format, version, schema, remedy }: FileKind<T>,
): Result<T> => {
  let data: unknown;
  try {
    // Some editors lead a text with a byte order mark, which JSON does not know.
    data = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch (error) {
    return failure(
      'file',
      `This is not JSON (${error instanceof Error ? error.message : 'unreadable'}): ${remedy}.`,
    );
  }
  const head = (typeof data === 'object' && data !== null ? data : {}) as {
    format?: unknown;
    version?: unknown;
  };
  if (typeof head.format === 'string' && head.format.startsWith('candelum-') && head.format !== format)
    return failure('format', `This file holds “${head.format.slice(0, 40)}”, not “${format}”: ${remedy}.`);
  if (typeof head.version === 'number' && head.version > version)
    return failure(
      'version',
      `The file is of version ${head.version}; this Candelum reads version ${version}: update it. Nothing was changed.`,
    );
  const parsed = schema.safeParse(data);
  if (parsed.success) return success(parsed.data);
  const [issue] = parsed.error.issues;
  return failure(issue.path.join('.') || 'file', `In the file ${issueWords(parsed.error, data)}: ${remedy}.`);
};
