'use client';

import { FileInput } from 'lucide-react';
import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { printSigned, printStops } from '#core/units.ts';
import { failureWords } from '#store/words.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/back.ts';
import type { Comparison, ReturnedRow } from './back/returned.ts';

/** A heading with its unit under it. */
const head = (name: string) => (
  <>
    {name} <small className="quiet clip-unit">{words.stops}</small>
  </>
);

const COLUMNS: readonly Column<ReturnedRow>[] = [
  {
    id: 'setup',
    header: words.setup,
    cell: ({ setup, camera, moved, clips }) => (
      <>
        {setup || words.noTake} <small className="take-source">{words.movedOf(camera, moved, clips)}</small>
      </>
    ),
  },
  { id: 'stops', header: head(words.light), cell: ({ change }) => printSigned(change.stops, 2) },
  { id: 'warmer', header: head(words.warmer), cell: ({ change }) => printSigned(change.warmer, 2) },
  { id: 'saturation', header: words.saturation, cell: ({ change }) => `× ${change.saturation.toFixed(2)}` },
  {
    id: 'next',
    header: words.next,
    cell: ({ placement }) => (placement === undefined ? words.asPlanned : printStops(placement)),
  },
];

/** What came back from post: how far it lies from what was handed over, and what that says for the next time. */
export const BackPanel = () => {
  const { database } = useBench();
  const { shoot } = useSelection();
  const records = useRecords();
  const input = useRef<HTMLInputElement>(null);
  const [found, setFound] = useState<Comparison & { readonly file: string }>();
  const [refused, setRefused] = useState<string>();
  const read = async (file: File) => {
    setRefused(undefined);
    const [{ readReturned, compareReturned }, { clipsOf }] = await Promise.all([
      import('./back/returned.ts'),
      import('./bundle/gather.ts'),
    ]);
    const returned = readReturned(file.name, await file.text());
    if (!returned.ok) {
      setRefused(words.refused(file.name, returned.where, returned.reason));
      return;
    }
    const of = await clipsOf(database, records, shoot);
    setFound({ ...compareReturned(of, returned.value), file: file.name });
  };
  return (
    <Panel title={words.back} note={words.backSays}>
      <div className="exports">
        <Form.Control
          ref={input}
          type="file"
          hidden
          accept=".cc,.ccc,.cdl,.edl"
          aria-label={words.file}
          onChange={(event) => {
            const field = event.target as HTMLInputElement;
            const file = field.files?.[0];
            if (file) read(file).catch((error: unknown) => setRefused(failureWords(error)));
            field.value = '';
          }}
        />
        <Button variant="outline-secondary" onClick={() => input.current?.click()}>
          <FileInput size={16} aria-hidden="true" /> {words.open}
        </Button>
      </div>
      <div role="status">
        {refused !== undefined && <p className="field-error">{refused}</p>}
        {found && (
          <>
            <p className="bundle-made">{words.compared(found.file)}</p>
            {found.rows.length > 0 && (
              <div className="back-table" tabIndex={0} role="group" aria-label={words.back}>
                <DataTable
                  label={words.back}
                  className="figures"
                  columns={COLUMNS}
                  rows={found.rows}
                  rowKey={({ setup, camera }) => `${setup} ${camera}`}
                />
              </div>
            )}
            {found.unknown.length > 0 && <p className="quiet">{words.unknown(found.unknown.join(', '))}</p>}
          </>
        )}
      </div>
    </Panel>
  );
};
