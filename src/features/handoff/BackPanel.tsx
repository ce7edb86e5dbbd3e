'use client';

import { FileInput } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { hashOf } from '#core/hash.ts';
import { printSigned, printStops } from '#core/units.ts';
import { failureWords } from '#store/words.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { FileButton } from '#ui/parts/FileButton.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/back.ts';
import { matchEdit, matchLacks, placementEdit, type MatchLack } from './back/learned.ts';
import type { Comparison } from './back/returned.ts';
import type { ReturnedRow } from './back/returnedRow.ts';

/** A heading with its unit under it. */
const head = (name: string) => (
  <>
    {name} <small className="quiet clip-unit">{words.stops}</small>
  </>
);

/** Stops to a hundredth: nothing is `+0.00`, whichever side it lies on. */
const printHundredths = (stops: number) => printSigned(Math.round(stops * 100) / 100 || 0, 2);

/** Where the card goes next time, and the plan that is set so. */
const NextPlacement = ({ row }: { row: ReturnedRow }) => {
  const { book } = useBench();
  const { shoot } = useSelection();
  const edit = placementEdit(useRecords(), shoot.id, row);
  if (row.placement === undefined) return words.asPlanned;
  const placement = printStops(row.placement);
  return (
    <span className="back-next">
      {placement}
      {edit ? (
        <Button
          size="sm"
          variant="outline-secondary"
          aria-label={words.planItFor(placement, row.camera, row.setup)}
          onClick={() => void book.edit(edit)}
        >
          {words.planIt}
        </Button>
      ) : (
        <small className="quiet">{words.isPlanned}</small>
      )}
    </span>
  );
};

/** What a camera's match lacks by what came back, and a way to add it; once for each file. */
const Lack = ({ lack, hash }: { lack: MatchLack; hash: number }) => {
  const { book } = useBench();
  const { camera, hero, stops, moved, clips, isAdded } = lack;
  const by = Math.abs(stops).toFixed(2);
  return (
    <p className="back-lack">
      {words.lack(camera, stops > 0 ? words.lifted : words.lowered, by, hero, moved, clips)}{' '}
      {isAdded ? (
        <span className="quiet">{words.inMatch(camera)}</span>
      ) : (
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => {
            const edit = matchEdit(book.getState(), lack, hash);
            if (edit) void book.edit(edit);
          }}
        >
          {words.intoMatch(printSigned(stops, 2), camera)}
        </Button>
      )}
    </p>
  );
};

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
  { id: 'stops', header: head(words.light), cell: ({ change }) => printHundredths(change.stops) },
  { id: 'warmer', header: head(words.warmer), cell: ({ change }) => printHundredths(change.warmer) },
  { id: 'saturation', header: words.saturation, cell: ({ change }) => `× ${change.saturation.toFixed(2)}` },
  {
    id: 'next',
    header: words.next,
    cell: (row) => <NextPlacement row={row} />,
  },
];

/** What came back from post: how far it lies from what was handed over, and what that says for the next time. */
export const BackPanel = () => {
  const { database } = useBench();
  const { shoot } = useSelection();
  const records = useRecords();
  const [found, setFound] = useState<Comparison & { readonly file: string; readonly hash: number }>();
  const [refused, setRefused] = useState<string>();
  const read = async (file: File) => {
    setRefused(undefined);
    const [{ readReturned, compareReturned }, { clipsOf }] = await Promise.all([
      import('./back/returned.ts'),
      import('./bundle/gather.ts'),
    ]);
    const text = await file.text();
    const returned = readReturned(file.name, text);
    if (!returned.ok) {
      setRefused(words.refused(file.name, returned.where, returned.reason));
      return;
    }
    const of = await clipsOf(database, records, shoot);
    setFound({ ...compareReturned(of, returned.value), file: file.name, hash: hashOf(text) });
  };
  return (
    <Panel title={words.back} note={words.backSays}>
      <div className="exports">
        <FileButton
          label={words.file}
          accept=".cc,.ccc,.cdl,.edl"
          onFile={(file) => void read(file).catch((error: unknown) => setRefused(failureWords(error)))}
        >
          <FileInput size={16} aria-hidden="true" /> {words.open}
        </FileButton>
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
                  rowKey={({ setup, cameraId }) => `${setup} ${cameraId}`}
                />
              </div>
            )}
            {matchLacks(records, found).map((lack) => (
              <Lack key={lack.cameraId} lack={lack} hash={found.hash} />
            ))}
            {found.unknown.length > 0 && <p className="quiet">{words.unknown(found.unknown.join(', '))}</p>}
          </>
        )}
      </div>
    </Panel>
  );
};
