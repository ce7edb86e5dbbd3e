import type * as z from 'zod/mini';
import type { Result } from '#core/result.ts';
import { printStopsDecimal } from '#core/units.ts';
import type { BookRecords } from '#store/book.ts';
import type { Change } from '#store/edits.ts';
import type { Selection } from '#store/selection.ts';
import type { RecordOf } from '#store/tables.ts';
import { leanSchema } from '#store/records/camera.ts';
import { numberText } from '#ui/forms/numberText.ts';

/** Tables of the kit that are kept as short lists. */
export type BagTable = 'ndSets' | 'lights' | 'gels' | 'monitors' | 'subjects';

/** What stands in the fields of a form, by field. */
type Texts = Readonly<Record<string, string>>;
export type BagTexts = Texts & { readonly name: string };

export type BagField = {
  readonly id: string;
  readonly label: string;
  /** Text when nothing is typed yet. */
  readonly empty: string;
  /** What the text is read as; without it, the text itself. */
  readonly schema?: z.ZodMiniType<unknown, string>;
  readonly options?: readonly (readonly [string, string])[];
  /** Options that come from the kit. */
  readonly optionsOf?: (records: BookRecords) => readonly (readonly [string, string])[];
  readonly hint?: string;
};

/** One kind of thing in the bag: its questions, how a record answers them, and what the answers make. */
export type BagKind<T extends BagTable = BagTable, Values = never> = {
  readonly table: T;
  readonly title: string;
  readonly one: string;
  readonly says: string;
  /** Its questions after the name. */
  readonly fields: readonly BagField[];
  readonly textsOf: (record: RecordOf<T>) => Texts;
  /** The record without its id and name, from what the fields were read as; or what is wrong, by field. */
  readonly make: (values: Values, selection: Selection) => Result<Omit<RecordOf<T>, 'id' | 'name'>>;
  /** What many carry, offered where the bag is empty; figures are common practice. */
  readonly common?: readonly Omit<RecordOf<T>, 'id'>[];
  /** What stands behind the name in the list. */
  readonly line: (record: RecordOf<T>, selection: Selection, records: BookRecords) => string;
  readonly rows?: (records: BookRecords, selection: Selection) => readonly RecordOf<T>[];
  /** Further changes when one is added or taken out. */
  readonly added?: (id: string, selection: Selection) => readonly Change[];
  readonly removed?: (id: string, records: BookRecords) => readonly Change[];
};

/** A field of the form that is a number; what to type is said when it is none. */
export const numberField = (
  id: string,
  label: string,
  empty: string,
  schema: z.ZodMiniType<number>,
  says: string,
  hint?: string,
): BagField => ({ id, label, empty, schema: numberText(schema, says), hint });

export const tintField = numberField(
  'tint',
  'tint',
  '0',
  leanSchema.shape.tint,
  'Tint: type thousandths of Duv from −100 to 100, green +',
  'thousandths of Duv, green +',
);
export const miredField = (label: string, schema: z.ZodMiniType<number>, most: number) =>
  numberField('mired', label, '0', schema, `Mired: type a shift from −${most} to ${most}, warm +`, 'warm +');

export const signed = (value: number) =>
  value === 0 ? '0' : printStopsDecimal(value, Number.isInteger(value) ? 0 : 1);
export const tintWords = (tint: number) => (tint === 0 ? '' : `, tint ${signed(tint)}`);
