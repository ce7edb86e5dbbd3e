import type { AnyRecord } from './patches.ts';
import { textAt, type SetAside } from './setAside.ts';
import { TABLES } from './tables.ts';
import { withUnknown } from './unknownFields.ts';
import { issueWords, RECORD_WORDS, Refusal } from './words.ts';

/** A record set aside as a file, word for word as it is stored. */
export const setAsideJson = ({ table, row }: SetAside): string =>
  `${JSON.stringify({ format: 'candelum-record', version: 1, table, record: row }, null, 2)}\n`;

/** The record of such a file after it was mended. @throws Refusal that says what is still wrong. */
export const mendedRecord = ({ table, id }: SetAside, text: string): AnyRecord => {
  let file: { readonly table?: unknown; readonly record?: unknown } | null;
  try {
    file = JSON.parse(text) as typeof file;
  } catch {
    throw new Refusal('the file is not JSON: export the record again and mend that');
  }
  if (file?.table !== table || textAt(file.record, 'id') !== id)
    throw new Refusal(`the file does not hold this ${RECORD_WORDS[table]}: export the record and mend that`);
  const parsed = TABLES[table].safeParse(file.record);
  if (!parsed.success) throw new Refusal(issueWords(parsed.error, file.record));
  return withUnknown(file.record, parsed.data, parsed.data) as AnyRecord;
};
