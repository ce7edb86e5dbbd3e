'use client';

import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { setAsideWords, type SetAside } from '#store/setAside.ts';
import { mendedRecord, setAsideJson } from '#store/setAsideFile.ts';
import { failureWords, Refusal } from '#store/words.ts';
import { useBench } from '../bench/hooks.ts';
import { download, slug } from '../download.ts';
import { readTextFile } from '../readTextFile.ts';
import { words } from '#ui/wording/shellNotices.ts';

const Row = ({ aside }: { aside: SetAside }) => {
  const { book } = useBench();
  const file = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string>();
  const attempt = (job: () => Promise<void>) =>
    void job().then(
      () => setProblem(undefined),
      (error: unknown) => setProblem(failureWords(error)),
    );
  const takeIn = (mended: File) =>
    attempt(async () => {
      const text = await readTextFile(mended);
      if (!text.ok) throw new Refusal(text.reason);
      await book.mend(aside, mendedRecord(aside, text.value));
    });
  return (
    <li className="set-aside" data-id={aside.id}>
      <p className="mb-1">
        <strong>{setAsideWords(aside)}</strong> <span className="quiet">{aside.reason}.</span>
      </p>
      <div className="d-flex flex-wrap gap-2">
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => download(`${slug(aside.name)}-record.json`, setAsideJson(aside), 'application/json')}
        >
          {words.export}
        </Button>
        <Button size="sm" variant="outline-secondary" onClick={() => file.current?.click()}>
          {words.useAMendedFile}
        </Button>
        <Form.Control
          ref={file}
          type="file"
          accept=".json"
          className="visually-hidden"
          tabIndex={-1}
          aria-label={words.mendedFileOf(setAsideWords(aside))}
          onChange={(event) => {
            const { files } = event.target as HTMLInputElement;
            if (files?.[0]) takeIn(files[0]);
            event.target.value = '';
          }}
        />
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => attempt(() => book.mend(aside, undefined))}
        >
          {words.delete}
        </Button>
      </div>
      {problem && (
        <p className="text-warn mb-0" role="alert">
          {problem}.
        </p>
      )}
    </li>
  );
};

/** Records that cannot be read, one by one: exported as they are, mended from a file, or deleted. */
export const SetAsideDialog = ({ items, onHide }: { items: readonly SetAside[]; onHide: () => void }) => (
  <Modal show onHide={onHide} centered animation={false} aria-labelledby="set-aside-title">
    <Modal.Header closeButton>
      <Modal.Title id="set-aside-title" as="h2">
        {words.recordsThatCannotBe}
      </Modal.Title>
    </Modal.Header>
    <Modal.Body>
      <p className="quiet">
        They stay stored as they are until you say otherwise. Export one to keep it or to mend it in a text
        editor. Deleting cannot be undone: export first.
      </p>
      <ul className="list-unstyled mb-0">
        {items.map((aside) => (
          <Row key={`${aside.table} ${aside.id}`} aside={aside} />
        ))}
      </ul>
    </Modal.Body>
  </Modal>
);
