'use client';

import { Copy, Pencil, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { freeNameAmong } from '#store/freeName.ts';
import { asOwn } from '#store/owned/owned.ts';
import type { RecordOf } from '#store/tables.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { BagForm } from './BagForm.tsx';
import { bagAddition, bagRemoval } from './bagForm.ts';
import type { BagKind, BagTable } from './kinds/bagKind.ts';
import { words } from '#ui/wording/kitBag.ts';

/** One kind of thing in the bag: a line each, changed in place. */
export const BagList = ({ kind }: { kind: BagKind }) => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const [open, setOpen] = useState<string>();
  const rows = kind.rows?.(records, selection) ?? [...records[kind.table].values()];
  const { common = [] } = kind;
  const add = (pieces: readonly RecordOf<BagTable>[]) => void book.edit(bagAddition(kind, pieces, selection));
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
      {rows.length === 0 && open !== 'new' && (
        <p className="mb-0">
          <span className="quiet">{words.noneYet}</span>{' '}
          {common.length > 0 && (
            <Button
              variant="outline-secondary"
              size="sm"
              onClick={() => add(common.map((piece) => ({ ...piece, id: crypto.randomUUID() }) as never))}
            >
              Put in common ones: {common.map(({ name }) => name).join(', ')}
            </Button>
          )}
        </p>
      )}
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
                    aria-label={words.changeNamed(record.name)}
                    onClick={() => setOpen(record.id)}
                  >
                    <Pencil size={16} aria-hidden />
                  </Button>
                  <Button
                    variant="bare"
                    aria-label={words.duplicateNamed(record.name)}
                    title={words.duplicate}
                    onClick={() => {
                      const name = freeNameAmong(rows, `${record.name} copy`);
                      add([
                        { ...asOwn(record as { isDemo?: true }), id: crypto.randomUUID(), name } as never,
                      ]);
                    }}
                  >
                    <Copy size={16} aria-hidden />
                  </Button>
                  <Button
                    variant="bare"
                    aria-label={words.takeOutNamed(record.name)}
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
