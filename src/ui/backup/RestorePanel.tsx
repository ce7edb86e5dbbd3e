'use client';

import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Table from 'react-bootstrap/Table';
import { printInstant } from '#core/day/clock.ts';
import type { Backup } from '#store/backup/readBackup.ts';
import { compareBackup, restoreEdit, type Comparison, type RestoreMode } from '#store/backup/restore.ts';
import type { BookRecords } from '#store/book.ts';
import type { AnyRecord } from '#store/patches.ts';
import { failureWords, RECORD_WORDS } from '#store/words.ts';
import { useBench, useRecords } from '../bench/hooks.ts';
import { Panel } from '../parts/Panel.tsx';
import { openBackup } from './backups.ts';
import { words } from '#ui/wording/backup.ts';

type Dry = { readonly backup: Backup; readonly comparison: readonly Comparison[] };

/** What a record is called: a plan by its set-up and camera, a take by its number. */
const nameIn =
  ({ setups, cameras }: BookRecords) =>
  (record: AnyRecord): string => {
    const { name, number, setupId, cameraId } = record as Partial<Record<string, string>>;
    if (name !== undefined) return name;
    const where = [setups.get(setupId ?? '')?.name, cameras.get(cameraId ?? '')?.name].filter(Boolean);
    return [...where, number].filter((part) => part !== undefined).join(', ') || record.id;
  };

const MOST_NAMES = 6;
const namesOf = (records: readonly AnyRecord[], nameOf: (record: AnyRecord) => string): string => {
  const names = records.slice(0, MOST_NAMES).map(nameOf).join('; ');
  return records.length > MOST_NAMES ? `${names} and ${records.length - MOST_NAMES} more` : names;
};

const count = (records: readonly unknown[]) => (records.length === 0 ? '–' : records.length);

/** Table by table what a file would bring; nothing is written for it. */
const DryRun = ({ backup, comparison }: Dry) => {
  const nameOf = nameIn(useRecords());
  const names = (records: readonly AnyRecord[]) => namesOf(records, nameOf);
  const alike = comparison.reduce((sum, { same }) => sum + same, 0);
  const rows = comparison.filter(
    ({ fresh, differing, own }) => fresh.length + differing.length + (backup.isPart ? 0 : own.length) > 0,
  );
  if (rows.length === 0) return <p>All {alike} records in it are here already, word for word.</p>;
  return (
    <>
      <p className="quiet mb-0">{alike} records are alike; these are not:</p>
      <Table className="dry-run">
        <thead>
          <tr>
            <th scope="col">{words.what}</th>
            <th scope="col">{words.new}</th>
            <th scope="col">{words.differ}</th>
            <th scope="col">{words.onlyHere}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ table, fresh, differing, own }) => (
            <tr key={table}>
              <th scope="row">{RECORD_WORDS[table]}s</th>
              <td title={names(fresh)}>{count(fresh)}</td>
              <td title={names(differing.map(({ mine }) => mine))}>{count(differing)}</td>
              <td title={names(own)}>{count(own)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {rows
        .filter(({ differing }) => differing.length > 0)
        .map(({ table, differing }) => (
          <p key={table} className="mb-1">
            {RECORD_WORDS[table]}s that differ: {names(differing.map(({ mine }) => mine))}.
          </p>
        ))}
      {backup.unread.map(({ table, name, reason }) => (
        <p key={`${table} ${name} ${reason}`} className="text-warn mb-1">
          {RECORD_WORDS[table]} “{name}” in the file cannot be read and is left out: {reason}.
        </p>
      ))}
    </>
  );
};

/** The ways to restore; what they do with what differs is what they are called. */
const MODES: readonly { readonly mode: RestoreMode; readonly name: string; readonly forPart: boolean }[] = [
  { mode: 'mine', name: words.addWhatIsNew, forPart: true },
  { mode: 'theirs', name: words.addWithTheFiles, forPart: true },
  { mode: 'replace', name: words.replaceEverythingHere, forPart: false },
];

/** A back-up, a colleague’s shoot or a log from a file: first what it would bring, then how it is taken. */
export const RestorePanel = () => {
  const { book, database } = useBench();
  const file = useRef<HTMLInputElement>(null);
  const [dry, setDry] = useState<Dry>();
  const [said, setSaid] = useState<{ readonly text: string; readonly bad?: boolean }>();
  const [busy, setBusy] = useState(false);
  const attempt = async (job: () => Promise<void>) => {
    setBusy(true);
    try {
      await job();
    } catch (error) {
      setSaid({ text: `It was not done: ${failureWords(error)}. What was there stays.`, bad: true });
    } finally {
      setBusy(false);
    }
  };
  const open = (chosen: File) =>
    attempt(async () => {
      setDry(undefined);
      setSaid(undefined);
      const backup = await openBackup(chosen);
      if (!backup.ok) setSaid({ text: `${chosen.name}: ${backup.reason}`, bad: true });
      else setDry({ backup: backup.value, comparison: await compareBackup(database, backup.value) });
    });
  const take = ({ backup }: Dry, mode: RestoreMode) =>
    attempt(async () => {
      // What was stored meanwhile counts as well.
      const edit = restoreEdit(backup.what, await compareBackup(database, backup), mode);
      if (edit.changes.length > 0 && !(await book.edit(edit))) return;
      setDry(undefined);
      setSaid({ text: `${backup.what}: ${edit.changes.length} records taken. Undo brings back what was.` });
    });
  return (
    <Panel title={words.restoreOrAddA} note={words.nothingIsWrittenBefore}>
      <p className="quiet">
        A back-up, a colleague’s shoot, an exported log, or all records saved as JSON. What it would bring is
        shown first.
      </p>
      <Form.Control
        ref={file}
        type="file"
        accept=".zip,.json"
        className="visually-hidden"
        tabIndex={-1}
        aria-label={words.fileToRestore}
        onChange={(event) => {
          const input = event.target as HTMLInputElement;
          const [chosen] = input.files ?? [];
          if (chosen) void open(chosen).then(() => (input.value = ''));
        }}
      />
      <Button variant="outline-secondary" size="sm" disabled={busy} onClick={() => file.current?.click()}>
        {words.chooseAFile}
      </Button>
      {dry && (
        <div className="mt-2">
          <p className="mb-1">
            <strong>{dry.backup.what}</strong> of {printInstant(dry.backup.exportedAt)}
          </p>
          <DryRun {...dry} />
          <div className="d-flex flex-wrap gap-2 mt-2">
            {MODES.filter(({ forPart }) => forPart || !dry.backup.isPart).map(({ mode, name }) => (
              <Button
                key={mode}
                size="sm"
                variant={mode === 'mine' ? 'primary' : 'outline-secondary'}
                disabled={busy}
                onClick={() => void take(dry, mode)}
              >
                {name}
              </Button>
            ))}
            <Button size="sm" variant="outline-secondary" onClick={() => setDry(undefined)}>
              {words.leaveIt}
            </Button>
          </div>
        </div>
      )}
      {said && (
        <p className={said.bad ? 'field-error mt-2' : 'mt-2 mb-0'} role="status">
          {said.text}
        </p>
      )}
    </Panel>
  );
};
