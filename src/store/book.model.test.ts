import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Book } from './book.ts';
import { demoSelection } from './fixtures/demoBook.ts';
import { openBooks, until } from './fixtures/openBooks.ts';
import type { PlanRecord } from './records/plan.ts';

/** So many lives of a book; each of up to twelve acts. */
const RUNS = 2000;
let runs = 0;

/**
 * The book held against a plain reference: a record of three fields, a list of steps for each window, and the
 * rule in words. An edit sets its fields, unless a value is refused. Undo sets the fields of the newest step
 * back, as far as they still are what the step left. Redo likewise. Everything goes one after the other, in
 * the order in which it was asked for.
 */
const FIELDS = ['placement', 'iso', 'kelvin'] as const;
type Field = (typeof FIELDS)[number];
type Values = { readonly [F in Field]: number };
const VALUES: { readonly [F in Field]: readonly number[] } = {
  placement: [-1, 0, 1, 2, 999],
  iso: [400, 800, 1600, -500],
  kelvin: [3200, 4000, 5600, 90_000],
};
/** None of them fits the schema of its field. */
const REFUSED = new Set([999, -500, 90_000]);

type Set = { readonly field: Field; readonly before: number; readonly after: number };
type Steps = Set[][];
type Model = { values: Values; readonly done: readonly Steps[]; readonly undone: readonly Steps[] };

const turn = (model: Model, from: Steps, to: Steps): void => {
  const step = from.pop();
  if (!step) return;
  const made = step
    .map(({ field, before, after }) => ({ field, before: after, after: before }))
    .filter(({ field, before }) => model.values[field] === before)
    .filter(({ before, after }) => before !== after);
  for (const { field, after } of made) model.values = { ...model.values, [field]: after };
  if (made.length > 0) to.push(made);
};

const edit = (model: Model, window: number, fields: Partial<Values>): void => {
  const entries = Object.entries(fields) as [Field, number][];
  if (entries.some(([, value]) => REFUSED.has(value))) return;
  const made = entries
    .map(([field, after]) => ({ field, before: model.values[field], after }))
    .filter(({ before, after }) => before !== after);
  if (made.length === 0) return;
  for (const { field, after } of made) model.values = { ...model.values, [field]: after };
  model.done[window].push(made);
  model.undone[window].length = 0;
};

type Act =
  | { readonly kind: 'edit'; readonly window: number; readonly fields: Partial<Values> }
  | { readonly kind: 'undo' | 'redo'; readonly window: number };

const fieldsArbitrary = fc
  .subarray([...FIELDS], { minLength: 1 })
  .chain((fields) =>
    fc.tuple(...fields.map((field) => fc.constantFrom(...VALUES[field]).map((v) => [field, v] as const))),
  )
  .map((pairs) => Object.fromEntries(pairs) as Partial<Values>);
const windowArbitrary = fc.constantFrom(0, 1);
const actArbitrary: fc.Arbitrary<Act> = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({
      kind: fc.constant('edit' as const),
      window: windowArbitrary,
      fields: fieldsArbitrary,
    }),
  },
  {
    weight: 3,
    arbitrary: fc.record({
      kind: fc.constantFrom('undo' as const, 'redo' as const),
      window: windowArbitrary,
    }),
  },
);

const { plan } = demoSelection('furnace-mouth', 'a-cam');
const START: PlanRecord = plan;
const pick = ({ placement, iso, kelvin }: PlanRecord): Values => ({ placement, iso, kelvin });
const planOf = (book: Book) => book.getState().plans.get(START.id);
const shows = (book: Book, values: Values): boolean => {
  const now = planOf(book);
  return now !== undefined && FIELDS.every((field) => now[field] === values[field]);
};

/** What a feature hands in: fields it means to set, from a view that may be old. */
const wish = (fields: Partial<Values>) => {
  const other = Object.fromEntries(Object.keys(fields).map((field) => [field, 12_345]));
  const change = {
    table: 'plans' as const,
    id: START.id,
    before: { ...START, ...other },
    after: { ...START, ...fields },
  };
  return { label: JSON.stringify(fields), changes: [change] };
};

/**
 * Values that no other act has: a window that has not seen the other one's edit yet must not happen to agree
 * with it.
 */
const unlike = (fields: Partial<Values>, by: number): Partial<Values> =>
  Object.fromEntries(
    Object.entries(fields).map(([field, v]) => [
      field,
      REFUSED.has(v) ? v : v + (field === 'placement' ? by / 100 : by),
    ]),
  );

describe('the book against a plain reference', () => {
  it('never differs: edits, refusals, undo, redo, two windows, waited for and not', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(actArbitrary, fc.boolean()), { minLength: 1, maxLength: 12 }),
        fc.boolean(),
        async (acts, sees) => {
          const { fresh, again, bookOf, closeAll } = openBooks(`model-${(runs += 1)}`);
          const database = fresh(false);
          await database.rows('plans').put(START);
          const books = [await bookOf(database), await bookOf(again(database))];
          const model: Model = { values: pick(START), done: [[], []], undone: [[], []] };
          const asked: Promise<unknown>[] = [];
          for (const [i, [made, waits]] of acts.entries()) {
            const { window } = made;
            const one =
              made.kind === 'edit' && !sees ? { ...made, fields: unlike(made.fields, i + 1) } : made;
            const [book, done, undone] = [books[window], model.done[window], model.undone[window]];
            // Each window writes in its own order; between the two nobody promises one.
            if (i > 0 && acts[i - 1][0].window !== window) await Promise.all(asked.splice(0));
            if (sees && asked.length === 0) await until(() => shows(book, model.values));
            asked.push(one.kind === 'edit' ? book.edit(wish(one.fields)) : book[one.kind]());
            if (one.kind === 'edit') edit(model, window, one.fields);
            else
              turn(model, ...(one.kind === 'undo' ? ([done, undone] as const) : ([undone, done] as const)));
            // A window that is behind learns only by writing that there is nothing left to turn.
            if (waits || (!sees && made.kind !== 'edit')) await Promise.all(asked.splice(0));
          }
          await Promise.all(asked);
          expect(pick((await database.rows('plans').get(START.id))!)).toEqual(model.values);
          await until(() => books.every((book) => shows(book, model.values)));
          books.forEach((book, window) => {
            expect(book.getState().undoable !== undefined).toBe(model.done[window].length > 0);
            expect(book.getState().redoable !== undefined).toBe(model.undone[window].length > 0);
          });
          closeAll();
          await database.delete();
        },
      ),
      { numRuns: RUNS },
    );
  }, 900_000);
});
