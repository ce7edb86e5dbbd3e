'use client';

import Form from 'react-bootstrap/Form';
import type { TakeRecord } from '#store/records/take.ts';
import { dropUnsent, keepUnsent } from '#ui/bench/unsentNotes.ts';
import { useSavedText } from './useSavedText.ts';
import { words } from '#ui/wording/log.ts';

/** Notes of a take, stored while they are typed. */
export const NotesField = ({
  take,
  onSave,
}: {
  take: TakeRecord;
  onSave: (notes: string) => Promise<boolean>;
}) => {
  const { text, isRefused, type, leave } = useSavedText(take.notes, onSave, (notes) =>
    notes === undefined ? dropUnsent(take.id) : keepUnsent(take.id, { before: take.notes, after: notes }),
  );
  return (
    <div className="notes-field">
      <Form.Control
        as="textarea"
        className="notes"
        aria-label={words.notesOfTake(take.number)}
        rows={1}
        maxLength={4000}
        placeholder={words.notes}
        isInvalid={isRefused}
        value={text}
        onChange={(event) => type(event.target.value)}
        onBlur={leave}
      />
      {isRefused && (
        <p className="text-warn small mb-0" role="alert">
          Not stored yet: it stays here. Type on or leave the field to try again.
        </p>
      )}
    </div>
  );
};
