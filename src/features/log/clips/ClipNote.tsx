'use client';

import { NotebookPen, NotepadText } from 'lucide-react';
import Form from 'react-bootstrap/Form';
import type { ClipRecord } from '#store/records/clip.ts';
import { useBench } from '#ui/bench/hooks.ts';
import { Popup } from '#ui/parts/Popup.tsx';
import { words } from '#ui/wording/clips.ts';
import { useSavedText } from '../useSavedText.ts';

const Field = ({ clip }: { clip: ClipRecord }) => {
  const { book } = useBench();
  const { text, isRefused, type, leave } = useSavedText(
    clip.notes,
    (notes) => book.patch(`Note of ${clip.file.name}`, 'clips', clip.id, { notes }),
    () => undefined,
  );
  return (
    <Form.Control
      as="textarea"
      className="notes"
      rows={4}
      maxLength={4000}
      autoFocus
      aria-label={words.noteOf(clip.file.name)}
      isInvalid={isRefused}
      value={text}
      onChange={(event) => type(event.target.value)}
      onBlur={leave}
    />
  );
};

/** A note on a clip, in a small panel beside its line. */
export const ClipNote = ({ clip }: { clip: ClipRecord }) => (
  <Popup
    name={
      clip.notes === '' ? (
        <NotepadText size={18} aria-hidden="true" />
      ) : (
        <NotebookPen size={18} aria-hidden="true" className="clip-noted" />
      )
    }
    isNamed={false}
    label={words.noteOf(clip.file.name)}
    says={clip.notes === '' ? words.noteOf(clip.file.name) : clip.notes}
    variant="bare"
    className="clip-note-button"
  >
    <Field clip={clip} />
  </Popup>
);
