import { dequal } from 'dequal';
import type { RecordOf, TableName } from './tables.ts';

/** A record of any table, as far as patches look into it. */
export type AnyRecord = { readonly id: string };

/** One field of a record, or one part of a field; undefined means that it is not there. */
export type FieldPatch = {
  readonly path: readonly [field: string, part?: string];
  readonly before: unknown;
  readonly after: unknown;
};

/** What is done to one record. */
export type RecordPatch = { readonly table: TableName; readonly id: string } & (
  | {
      readonly kind: 'put';
      readonly record: AnyRecord;
      /** What it changes of the record that was meant where none was stored. */
      readonly fields?: readonly FieldPatch[];
    }
  | {
      readonly kind: 'fields';
      readonly fields: readonly FieldPatch[];
      /** What the record is where none is stored. */
      readonly base?: AnyRecord;
    }
  | { readonly kind: 'remove'; readonly record: AnyRecord; readonly fields?: readonly FieldPatch[] }
);

/** What a patch came to on a record as it is now. */
export type Applied = {
  /** The record afterwards; undefined when there is none. */
  readonly next: AnyRecord | undefined;
  /** What was really changed, with what really was there before; undefined when nothing was. */
  readonly done?: RecordPatch;
  /** Fields left as they are, because somebody else has changed them since. */
  readonly kept: readonly FieldPatch[];
  /** The record that was to be changed is not there. */
  readonly gone?: true;
};

/** Fields whose parts are set one by one; every other field is changed as a whole. */
const IN_PARTS: { readonly [T in TableName]?: readonly string[] } = {
  setups: ['brief', 'locks', 'ticked'],
  plans: ['monitorLuts'],
  cameras: ['zebra', 'meter', 'starts'],
};

type Fields = Readonly<Record<string, unknown>>;
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const keysOf = (a: Fields, b: Fields) => [...new Set([...Object.keys(a), ...Object.keys(b)])];

/** What makes `after` of `before`, field by field. */
const fieldsBetween = (table: TableName, before: AnyRecord, after: AnyRecord): FieldPatch[] => {
  const [from, to] = [before as unknown as Fields, after as unknown as Fields];
  return keysOf(from, to).flatMap((field): FieldPatch[] => {
    const [was, is] = [from[field], to[field]];
    if (dequal(was, is)) return [];
    if (!IN_PARTS[table]?.includes(field) || !isFields(was ?? {}) || !isFields(is ?? {}))
      return [{ path: [field], before: was, after: is }];
    const [one, other] = [(was ?? {}) as Fields, (is ?? {}) as Fields];
    return keysOf(one, other)
      .filter((part) => !dequal(one[part], other[part]))
      .map((part) => ({ path: [field, part], before: one[part], after: other[part] }));
  });
};

const valueAt = (record: AnyRecord, [field, part]: FieldPatch['path']): unknown => {
  const value = (record as unknown as Fields)[field];
  return part === undefined ? value : isFields(value) ? value[part] : undefined;
};

const withField = (fields: Fields, key: string, value: unknown): Fields => {
  if (value !== undefined) return { ...fields, [key]: value };
  const { [key]: _gone, ...rest } = fields;
  return rest;
};

const withValue = (record: AnyRecord, [field, part]: FieldPatch['path'], value: unknown): AnyRecord => {
  const fields = record as unknown as Fields;
  if (part === undefined) return withField(fields, field, value) as unknown as AnyRecord;
  const inner = isFields(fields[field]) ? (fields[field] as Fields) : {};
  return { ...fields, [field]: withField(inner, part, value) } as unknown as AnyRecord;
};

const setFields = (
  patch: Pick<RecordPatch, 'table' | 'id'>,
  current: AnyRecord,
  fields: readonly FieldPatch[],
  /** Only fields that still are what they were. */
  guarded: boolean,
): Applied => {
  const isUntouched = (one: FieldPatch) => !guarded || dequal(valueAt(current, one.path), one.before);
  const done = fields
    .filter(isUntouched)
    .map((one) => ({ ...one, before: valueAt(current, one.path) }))
    .filter((one) => !dequal(one.before, one.after));
  const kept = fields.filter((one) => !isUntouched(one) && !dequal(valueAt(current, one.path), one.after));
  if (done.length === 0) return { next: current, kept };
  const next = done.reduce((record, { path, after }) => withValue(record, path, after), current);
  return { next, done: { table: patch.table, id: patch.id, kind: 'fields', fields: done }, kept };
};

const put = (
  patch: Extract<RecordPatch, { kind: 'put' }>,
  current: AnyRecord | undefined,
  guarded: boolean,
): Applied => {
  if (!current) return { next: patch.record, done: patch, kept: [] };
  const fields = fieldsBetween(patch.table, current, patch.record);
  if (!guarded) return setFields(patch, current, fields, false);
  return patch.fields ? setFields(patch, current, patch.fields, true) : { next: current, kept: fields };
};

const remove = (
  patch: Extract<RecordPatch, { kind: 'remove' }>,
  current: AnyRecord | undefined,
  guarded: boolean,
): Applied => {
  if (!current) return { next: undefined, kept: [] };
  const changed = guarded ? fieldsBetween(patch.table, patch.record, current) : [];
  if (changed.length === 0) return { next: undefined, done: { ...patch, record: current }, kept: [] };
  return patch.fields ? setFields(patch, current, patch.fields, true) : { next: current, kept: changed };
};

const changeFields = (
  patch: Extract<RecordPatch, { kind: 'fields' }>,
  current: AnyRecord | undefined,
  guarded: boolean,
): Applied => {
  if (current) return setFields(patch, current, patch.fields, guarded);
  if (guarded || !patch.base) return { next: undefined, kept: guarded ? patch.fields : [], gone: true };
  const { next } = setFields(patch, patch.base, patch.fields, false);
  const record = next ?? patch.base;
  const { table, id, fields } = patch;
  return { next: record, done: { table, id, kind: 'put', record, fields }, kept: [] };
};

/**
 * A patch made on a record as it is now. An edit sets its fields whatever they are; a guarded patch (undo,
 * redo) changes only what still is as it left it, and tells the rest.
 */
export const applyPatch = (
  patch: RecordPatch,
  current: AnyRecord | undefined,
  { guarded }: { readonly guarded: boolean },
): Applied => {
  if (patch.kind === 'put') return put(patch, current, guarded);
  if (patch.kind === 'remove') return remove(patch, current, guarded);
  return changeFields(patch, current, guarded);
};

/** What was done, by the record as its schema left it: trimmed, with its defaults. */
export const asStored = (done: RecordPatch, stored: AnyRecord): RecordPatch => {
  if (done.kind === 'remove') return done;
  const fields = done.fields?.map((one) => ({ ...one, after: valueAt(stored, one.path) }));
  if (done.kind === 'put') return { ...done, record: stored, ...(fields ? { fields } : {}) };
  return { ...done, fields: fields ?? [] };
};

const turnedFields = (fields: readonly FieldPatch[] | undefined): readonly FieldPatch[] | undefined =>
  fields?.map(({ path, before, after }) => ({ path, before: after, after: before }));

const inverseOf = (patch: RecordPatch): RecordPatch => {
  const { table, id } = patch;
  const fields = turnedFields(patch.fields);
  if (patch.kind === 'fields') return { table, id, kind: 'fields', fields: fields ?? [] };
  const kind = patch.kind === 'put' ? 'remove' : 'put';
  return { table, id, kind, record: patch.record, ...(fields ? { fields } : {}) };
};

/** What takes patches back that were made, the last one first. */
export const inversePatches = (done: readonly RecordPatch[]): RecordPatch[] => done.map(inverseOf).reverse();

/** One record before and after, as an edit is told; undefined means it is not there. */
export type Change<T extends TableName = TableName> = {
  readonly table: T;
  readonly id: string;
  readonly before?: RecordOf<T>;
  readonly after?: RecordOf<T>;
  /** `before` is what the record is as long as nobody has stored one. */
  readonly isDefault?: boolean;
};

/**
 * A change as what it does to the record: a record that was there has its fields changed, the rest of it left
 * alone.
 */
export const patchOf = ({ table, id, before, after, isDefault }: Change): RecordPatch | undefined => {
  if (after === undefined) return before && { table, id, kind: 'remove', record: before };
  if (before === undefined) return { table, id, kind: 'put', record: after };
  const fields = fieldsBetween(table, before, after);
  return { table, id, kind: 'fields', fields, ...(isDefault ? { base: before } : {}) };
};
