import * as z from 'zod/mini';
import type { BookRecords } from '#store/book.ts';
import type { Change, Edit } from '#store/edits.ts';
import { nameSchema } from '#store/records/common.ts';
import type { Selection } from '#store/selection.ts';
import { TABLES, type RecordOf } from '#store/tables.ts';
import { issueWords } from '#store/words.ts';
import type { BagField, BagKind, BagTable, BagTexts } from './kinds/bagKind.ts';
import { words } from '#ui/wording/kitBag.ts';

/** The questions of a kind, its name first. */
export const bagFields = ({ fields }: BagKind): readonly BagField[] => [
  { id: 'name', label: words.name, empty: '' },
  ...fields,
];

/** The texts of a record, or of one that is not there yet. */
export const bagTexts = (kind: BagKind, record?: RecordOf<BagTable>): BagTexts =>
  record
    ? { name: record.name, ...kind.textsOf(record as never) }
    : { name: '', ...Object.fromEntries(kind.fields.map(({ id, empty }) => [id, empty])) };

/** The form of a kind: texts in, the record as the store has it out; what is wrong is said by field. */
export const bagForm = (kind: BagKind, selection: Selection, id: string, was?: RecordOf<BagTable>) =>
  z.pipe(
    z.object({
      name: z
        .string()
        .check(z.refine((text) => nameSchema.safeParse(text).success, `Name: give the ${kind.one} one.`)),
      ...Object.fromEntries(kind.fields.map((field) => [field.id, field.schema ?? z.string()])),
    }),
    z.transform((values, context): RecordOf<BagTable> => {
      const { name, ...rest } = values;
      const made = kind.make(rest as never, selection);
      const wrong = (field: string, message: string) => {
        context.issues.push({ code: 'custom', path: [field], message, input: values });
        return z.NEVER;
      };
      if (!made.ok) return wrong(made.where, made.reason);
      const record = {
        ...made.value,
        id,
        name,
        ...(was && 'isDemo' in was ? { isDemo: was.isDemo } : {}),
        // What was measured of a screen is no field of its form, and stays.
        ...(was && 'check' in was ? { check: was.check } : {}),
      };
      const read = TABLES[kind.table].safeParse(record);
      return read.success
        ? (read.data as RecordOf<BagTable>)
        : wrong('name', `${kind.title}: ${issueWords(read.error, record)}.`);
    }),
  );

/** The edit that puts a new record into the bag, or in the place of the one it was filled from. */
export const bagEdit = (
  kind: BagKind,
  after: RecordOf<BagTable>,
  selection: Selection,
  before?: RecordOf<BagTable>,
): Edit => ({
  label: `${kind.one} ${after.name}`,
  changes: [
    { table: kind.table, id: after.id, before, after },
    ...(before ? [] : (kind.added?.(after.id, selection) ?? [])),
  ],
});

/** Common pieces into the bag, or a copy of one that is there. */
export const bagAddition = (
  kind: BagKind,
  pieces: readonly RecordOf<BagTable>[],
  selection: Selection,
): Edit => ({
  label: pieces.length === 1 ? `${kind.one} ${pieces[0].name}` : words.commonNamed(kind.title),
  changes: pieces.flatMap((piece): Change[] => [
    { table: kind.table, id: piece.id, after: piece } as Change,
    ...(kind.added?.(piece.id, selection) ?? []),
  ]),
});

/** Takes a record out of the bag; undo brings it back with all that named it. */
export const bagRemoval = (kind: BagKind, record: RecordOf<BagTable>, records: BookRecords): Edit => ({
  label: words.outOfTheBag(record.name),
  changes: [
    { table: kind.table, id: record.id, before: record },
    ...(kind.removed?.(record.id, records) ?? []),
  ],
});
