'use client';

import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Edit } from '#store/edits.ts';
import { dependentWords, heldBy, ownedOf, removalEdit, type OwnedTable } from '#store/owned/index.ts';
import type { RecordOf } from '#store/tables.ts';
import { RECORD_WORDS } from '#store/words.ts';
import { useBench } from '../bench/hooks.ts';
import { words } from '#ui/wording/owned.ts';

/** What goes with a record that is to be deleted, and the last word on it. */
export const DeleteQuestion = <T extends OwnedTable>({
  table,
  record,
  staying,
  onDone,
}: {
  table: T;
  record: RecordOf<T>;
  /** Why it cannot be deleted. */
  staying?: string;
  onDone: (deleted: boolean) => void;
}) => {
  const { book, database } = useBench();
  /** Undefined until it is known what goes along. */
  const [edit, setEdit] = useState<Edit>();
  useEffect(() => {
    let here = true;
    void heldBy(database, table, record).then((held) => {
      if (here) setEdit(removalEdit(book.getState(), table, record, held));
    });
    return () => {
      here = false;
    };
  }, [book, database, table, record]);
  if (staying !== undefined) return <p className="mb-0">{staying}</p>;
  const name = ownedOf(table).nameOf(record);
  const remove = async () => {
    if (edit && (await book.edit(edit))) onDone(true);
  };
  return (
    <>
      <p>
        Delete the {RECORD_WORDS[table]} <strong>{name}</strong>?
      </p>
      {edit &&
        dependentWords(table, record, edit).map((dependent) => (
          <p key={dependent} className="text-warn">
            {dependent}
          </p>
        ))}
      <p className="quiet">Undo brings everything back.</p>
      <div className="d-flex gap-2">
        <Button size="sm" variant="primary" disabled={!edit} autoFocus onClick={() => void remove()}>
          {words.delete}
        </Button>
        <Button size="sm" variant="outline-secondary" onClick={() => onDone(false)}>
          {words.keepIt}
        </Button>
      </div>
    </>
  );
};
