'use client';

import { useEffect, useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { TakeRecord } from '#store/records/take.ts';

const SAVE_AFTER_MS = 400;

/** Notes of a take: saved a moment after the last key, so that a crash costs a word at most. */
export const NotesField = ({ take, onSave }: { take: TakeRecord; onSave: (notes: string) => void }) => {
  const [text, setText] = useState<string>();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latest = useRef(onSave);
  useEffect(() => {
    latest.current = onSave;
  }, [onSave]);
  const flush = (notes: string) => {
    clearTimeout(timer.current);
    if (notes !== take.notes) latest.current(notes);
  };
  return (
    <Form.Control
      as="textarea"
      className="notes"
      aria-label={`Notes of take ${take.number}`}
      rows={1}
      maxLength={4000}
      placeholder="Notes"
      value={text ?? take.notes}
      onChange={(event) => {
        const notes = event.target.value;
        setText(notes);
        clearTimeout(timer.current);
        timer.current = setTimeout(() => flush(notes), SAVE_AFTER_MS);
      }}
      onBlur={() => {
        if (text !== undefined) flush(text);
        setText(undefined);
      }}
    />
  );
};
