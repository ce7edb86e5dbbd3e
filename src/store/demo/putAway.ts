import type { BookRecords } from '../book.ts';
import type { Database } from '../database.ts';
import type { Change, Edit } from '../edits.ts';
import { KIT_TABLES, usedBy } from '../kitOfShoot.ts';
import { asOwn, gone, turned } from '../owned/owned.ts';
import { heldBy, removalEdit } from '../owned/index.ts';
import type { RecordOf } from '../tables.ts';

/** What putting the demo away does, and what of it stays. */
export type PutAway = {
  readonly edit: Edit;
  /** Takes in its log that did not come with it. */
  readonly ownTakes: number;
  /** Names of its kit that the user's own shoots use: they become the user's. */
  readonly staying: readonly string[];
};

/** Takes the demo's shoot and kit out; what the user's own shoots use of it stays, as the user's. */
export const putDemoAway = async (database: Database, book: BookRecords): Promise<PutAway> => {
  const { demoRecords } = await import('./index.ts');
  const came = new Set(demoRecords().takes.map(({ id }) => id));
  const shoots = [...book.shoots.values()].filter(({ isDemo }) => isDemo);
  const ids = new Set(shoots.map(({ id }) => id));
  const changes: Change[] = [];
  let ownTakes = 0;
  for (const shoot of shoots) {
    const held = await heldBy(database, 'shoots', shoot);
    ownTakes += held.takes.filter(({ id }) => !came.has(id)).length;
    changes.push(...removalEdit(book, 'shoots', shoot, held).changes);
  }
  const used = usedBy(book, (shootId) => !ids.has(shootId));
  const staying: string[] = [];
  for (const table of KIT_TABLES) {
    const demo = [...book[table].values()].filter(({ isDemo }) => isDemo);
    const [kept, left] = [demo.filter(({ id }) => used.has(id)), demo.filter(({ id }) => !used.has(id))];
    staying.push(...kept.map(({ name }) => name));
    changes.push(
      ...turned(table, kept as RecordOf<typeof table>[], asOwn),
      ...gone(table, left as RecordOf<typeof table>[]),
    );
  }
  return { edit: { label: 'Demo put away', changes }, ownTakes, staying };
};
