import type * as z from 'zod/mini';
import { ownEntry } from '#core/ownEntry.ts';
import type { FieldPatch } from './patches.ts';
import type { TableName } from './tables.ts';

/** What one record of a table is called. */
export const RECORD_WORDS: { readonly [T in TableName]: string } = {
  shoots: 'shoot',
  setups: 'set-up',
  cameras: 'camera',
  profiles: 'profile',
  subjects: 'subject',
  plans: 'plan',
  ndSets: 'ND set',
  lights: 'light',
  gels: 'gel',
  monitors: 'monitor',
  luts: 'LUT',
  lutTexts: 'LUT file',
  takes: 'take',
  thumbnails: 'thumbnail',
  takeMarks: 'picture with marks',
  clips: 'clip',
  cameraClocks: 'camera clock',
  practice: 'practice',
  cameraTests: 'camera test',
};

/** Fields whose name in the code is not what the screens call them; every other one is spelled out. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  iso: 'ISO',
  isos: 'ISO list',
  baseIsos: 'base ISO list',
  kelvin: 'white balance',
  fps: 'frame rate',
  ndStops: 'ND',
  ndSetId: 'ND set',
  meterK: 'meter constant K',
  meterC: 'meter constant C',
  lutBuild: 'LUT being built',
  monitorLuts: 'LUT on a monitor',
  profileId: 'profile',
  profileIds: 'profiles',
  cameraIds: 'cameras',
  subjectIds: 'subjects',
  png: 'picture',
};

const spelled = (name: string) =>
  ownEntry(FIELD_WORDS, name) ?? name.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`).trim();

/** A place in a record in words: `zebra, maximum`. */
const fieldWords = (path: readonly PropertyKey[]): string =>
  path.map((part) => (typeof part === 'number' ? `no. ${part + 1}` : spelled(String(part)))).join(', ');

/** `ISO and placement of the plan`. */
export const placesOf = (
  kept: readonly { readonly table: TableName; readonly fields: readonly FieldPatch[] }[],
) =>
  kept
    .map(({ table, fields }) => {
      const names = fields.map(({ path: [field, part] }) =>
        fieldWords(part === undefined ? [field] : [field, part]),
      );
      const last = names.pop() ?? 'something';
      return `${names.length > 0 ? `${names.join(', ')} and ` : ''}${last} of the ${RECORD_WORDS[table]}`;
    })
    .join('; ');

const printValue = (value: unknown): string => {
  if (typeof value === 'number') return String(value).replace('-', '−');
  if (typeof value === 'string') return value === '' ? 'empty' : `“${value.slice(0, 40)}”`;
  if (value === undefined || value === null) return 'nothing';
  return Array.isArray(value)
    ? `a list of ${value.length}`
    : typeof value === 'object'
      ? 'a group'
      : String(value);
};

const LENGTHS: Readonly<Record<string, string>> = { string: 'characters', array: 'entries' };
const KINDS: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no',
  array: 'a list',
  object: 'a group of fields',
};

type Issue = z.core.$ZodIssue;
type RuleOf = { readonly [C in Issue['code']]?: (issue: Extract<Issue, { code: C }>) => string };
const bound = (origin: string, word: string, limit: number | bigint) => {
  const printed = `${word} ${String(limit).replace('-', '−')}`;
  return LENGTHS[origin] ? `have ${printed} ${LENGTHS[origin]}` : `be ${printed}`;
};

/** The rule that was broken, after “must”. */
const RULES: RuleOf = {
  too_big: ({ origin, maximum, inclusive }) =>
    bound(origin, inclusive === false ? 'under' : 'at most', maximum),
  too_small: ({ origin, minimum, inclusive }) =>
    bound(origin, inclusive === false ? 'over' : 'at least', minimum),
  invalid_type: ({ expected }) => `be ${KINDS[expected] ?? expected}`,
  invalid_value: ({ values }) => `be one of ${values.map(printValue).join(', ')}`,
  invalid_format: ({ format }) =>
    format === 'regex' ? 'hold letters, digits, - and _ only' : `be written as a ${format}`,
  not_multiple_of: ({ divisor }) => `go in steps of ${divisor}`,
};

const at = (value: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((one, key) => (one as Record<PropertyKey, unknown> | undefined)?.[key], value);

/** The first thing that is wrong with a record: field, rule and value. */
export const issueWords = ({ issues: [issue] }: z.core.$ZodError, record: unknown): string => {
  const rule = (RULES[issue.code] as ((one: Issue) => string) | undefined)?.(issue);
  const field = fieldWords(issue.path) || 'it';
  if (!rule) return `${field}: ${issue.message}`;
  const value = printValue(at(record, issue.path));
  return `${field} must ${rule}, not ${value}`;
};

/** Without a full stop, as part of a refusal. */
export const NEWER_WORDS =
  'a newer Candelum wrote these records, and this one only reads them; load the newer one';

/** What keeps records from opening at all, and what to do; by the name of the error. */
const OPENING: Readonly<Record<string, string>> = {
  MissingAPIError:
    'This browser keeps no records here: use a normal window, not a private one, or another browser',
  SecurityError: 'This browser is set to keep nothing for this page: allow it to store data, then load again',
  InvalidStateError: 'This browser keeps no records in this window: a private window often does not',
  QuotaExceededError: 'The disk is full: free some space, then load again',
  UnknownError: 'The browser cannot read its own files: restart it; if that does not help, restore a backup',
};

/** Why the records of this browser do not open, and what to do. */
export const openingWords = (error: unknown): string => {
  const names = [error, (error as { readonly inner?: unknown } | null)?.inner].map(
    (one) => (one as { readonly name?: string } | null)?.name ?? '',
  );
  const known = names.map((name) => ownEntry(OPENING, name)).find((words) => words !== undefined);
  return `${known ?? `The records cannot be opened: ${failureWords(error)}`}. Nothing was changed.`;
};

/** What is said while another window keeps the records from opening. */
export const HELD_WORDS =
  'The records do not open. Another window may hold them: close all others of Candelum, or restart the browser.';

/** Why a record could not be written, one each; the sentence is the user's. */
export class Refusal extends Error {}

const FAILURES: Readonly<Record<string, string>> = {
  QuotaExceededError: 'this browser gives no more space; free some on the disk, then do it again',
  DatabaseClosedError: 'the records were closed; load the page again',
  InvalidStateError: 'the records were closed; load the page again',
  UnknownError: 'this browser could not write to the disk; do it again',
};

/** Why a write failed, without a full stop. */
export const failureWords = (error: unknown): string => {
  if (error instanceof Refusal) return error.message;
  if (!(error instanceof Error || error instanceof DOMException)) return String(error);
  const inner = (error as { readonly inner?: unknown }).inner;
  const named = FAILURES[error.name] ?? (inner instanceof Error ? FAILURES[inner.name] : undefined);
  return named ?? error.message.split('\n')[0].slice(0, 160).replace(/\.$/, '');
};
