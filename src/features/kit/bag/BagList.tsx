'use client';

import { Pencil, Plus, Trash2 } from 'lucide-react';
import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { RecordOf } from '#store/tables.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { bagEdit, bagRemoval, emptyTexts, type BagKind, type BagTable, type BagTexts } from './kinds.ts';

const BagForm = ({
  kind,
  record,
  onDone,
}: {
  kind: BagKind;
  record?: RecordOf<BagTable>;
  onDone: () => void;
}) => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const base = useId();
  const [texts, setTexts] = useState<BagTexts>(() =>
    record ? kind.textsOf(record as never) : emptyTexts(kind),
  );
  const [tried, setTried] = useState(false);
  const made = bagEdit(kind, texts, selection, record?.id ?? 'new', record);
  const save = async () => {
    setTried(true);
    const edit = bagEdit(kind, texts, selection, record?.id ?? crypto.randomUUID(), record);
    if (edit.ok && (await book.edit(edit.value))) onDone();
  };
  return (
    <form
      className="bag-form"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {kind.fields.map(({ id, label, hint, optionsOf, options = optionsOf?.(records) }, i) => (
        <div key={id} className={id === 'name' ? 'bag-name' : undefined}>
          <label htmlFor={`${base}-${id}`}>{label}</label>
          {options ? (
            <Form.Select
              id={`${base}-${id}`}
              value={texts[id]}
              onChange={(event) => setTexts({ ...texts, [id]: event.target.value })}
            >
              {options.map(([value, name]) => (
                <option key={value} value={value}>
                  {name}
                </option>
              ))}
            </Form.Select>
          ) : (
            <Form.Control
              id={`${base}-${id}`}
              className={id === 'name' ? undefined : 'num'}
              isInvalid={tried && !made.ok && made.where === id}
              autoComplete="off"
              autoFocus={i === 0}
              maxLength={80}
              placeholder={hint}
              title={hint}
              value={texts[id]}
              onChange={(event) => setTexts({ ...texts, [id]: event.target.value })}
            />
          )}
        </div>
      ))}
      {tried && !made.ok && (
        <p className="field-error bag-wide" role="alert">
          {made.reason}
        </p>
      )}
      <div className="bag-wide d-flex gap-2">
        <Button type="submit" variant="primary" size="sm">
          {record ? 'Save' : `Add ${kind.one}`}
        </Button>
        <Button variant="outline-secondary" size="sm" onClick={onDone}>
          Leave as it was
        </Button>
      </div>
    </form>
  );
};

/** One kind of thing in the bag: a line each, changed in place. */
export const BagList = ({ kind }: { kind: BagKind }) => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const [open, setOpen] = useState<string>();
  const rows = kind.rows?.(records, selection) ?? [...records[kind.table].values()];
  return (
    <Panel
      title={kind.title}
      tools={
        <Button
          variant="outline-secondary"
          size="sm"
          aria-expanded={open === 'new'}
          onClick={() => setOpen(open === 'new' ? undefined : 'new')}
        >
          <Plus size={15} aria-hidden /> Add {kind.one}
        </Button>
      }
    >
      <p className="quiet bag-says">{kind.says}</p>
      {open === 'new' && <BagForm kind={kind} onDone={() => setOpen(undefined)} />}
      {rows.length === 0 && open !== 'new' && <p className="quiet mb-0">None yet.</p>}
      <ul className="bag-list">
        {rows.map((record) => (
          <li key={record.id}>
            {open === record.id ? (
              <BagForm kind={kind} record={record} onDone={() => setOpen(undefined)} />
            ) : (
              <>
                <strong>{record.name}</strong>
                <span className="bag-line">{kind.line(record as never, selection, records)}</span>
                <span className="take-tools">
                  <Button
                    variant="bare"
                    aria-label={`Change ${record.name}`}
                    onClick={() => setOpen(record.id)}
                  >
                    <Pencil size={16} aria-hidden />
                  </Button>
                  <Button
                    variant="bare"
                    aria-label={`Take ${record.name} out`}
                    onClick={() => void book.edit(bagRemoval(kind, record, records))}
                  >
                    <Trash2 size={16} aria-hidden />
                  </Button>
                </span>
              </>
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
};
