'use client';

import { Copy, Pencil, Trash2 } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { duplicateEdit, heldBy, ownedOf, stayingReason, type OwnedTable } from '#store/owned/index.ts';
import type { RecordOf } from '#store/tables.ts';
import { RECORD_WORDS } from '#store/words.ts';
import { useBench, useRecords } from '../bench/hooks.ts';
import { Popup } from '../parts/Popup.tsx';
import { DeleteQuestion } from './DeleteQuestion.tsx';
import { RenameForm } from './RenameForm.tsx';
import { words } from '#ui/wording/owned.ts';

/** Rename, duplicate and delete for one record of the user's; undo takes each back. */
export const OwnedTools = <T extends OwnedTable>({
  table,
  record,
  onDuplicate,
  onCopied,
  onDeleted,
}: {
  table: T;
  record: RecordOf<T>;
  /** Copies in a way of its own. */
  onDuplicate?: () => void;
  onCopied?: (id: string) => void;
  onDeleted?: () => void;
}) => {
  const { book, database } = useBench();
  const records = useRecords();
  const owned = ownedOf(table);
  const what = `${RECORD_WORDS[table]} ${owned.nameOf(record)}`;
  const staying = stayingReason(records, table, record);
  const duplicate = async () => {
    const held = await heldBy(database, table, record);
    const make = { id: () => crypto.randomUUID() as string, now: new Date() };
    const copy = duplicateEdit(book.getState(), table, record, held, make);
    if (copy && (await book.edit(copy.edit))) onCopied?.(copy.id);
  };
  return (
    <span className="owned-tools">
      {owned.renamed && (
        <Popup
          name={<Pencil size={16} aria-hidden="true" />}
          label={words.renameNamed(what)}
          isNamed={false}
          says={staying ?? words.rename}
          variant="bare"
        >
          {(close) => <RenameForm table={table} record={record} staying={staying} onDone={close} />}
        </Popup>
      )}
      <Button
        variant="bare"
        aria-label={words.duplicateNamed(what)}
        title={words.duplicate}
        onClick={onDuplicate ?? (() => void duplicate())}
      >
        <Copy size={16} aria-hidden="true" />
      </Button>
      <Popup
        name={<Trash2 size={16} aria-hidden="true" />}
        label={words.deleteNamed(what)}
        isNamed={false}
        says={staying ?? words.delete}
        variant="bare"
      >
        {(close) => (
          <DeleteQuestion
            table={table}
            record={record}
            staying={staying}
            onDone={(deleted) => {
              close();
              if (deleted) onDeleted?.();
            }}
          />
        )}
      </Popup>
    </span>
  );
};
