import { failure, success, type Result } from '#core/result.ts';

/** Largest file of records, tables or profiles that is read, bytes. */
const MOST_BYTES = 50_000_000;

/** The text of a file that was chosen or dropped; refused where it is too large, or cannot be read any more. */
export const readTextFile = async (file: File): Promise<Result<string>> => {
  if (file.size > MOST_BYTES) {
    const megabytes = (file.size / 1e6).toFixed(0);
    return failure(
      file.name,
      `The file holds ${megabytes} MB; up to ${MOST_BYTES / 1e6} are read: is it the right one?`,
    );
  }
  try {
    return success(await file.text());
  } catch {
    return failure(file.name, 'The file cannot be read: choose it again.');
  }
};
