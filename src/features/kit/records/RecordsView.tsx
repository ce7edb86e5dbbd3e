'use client';

import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useStore } from 'zustand';
import { printInstant } from '#core/day/clock.ts';
import { shootsOf } from '#store/selection.ts';
import { canKeepFolder, chooseFolder, folderState, goOnWithFolder, leaveFolder } from '#ui/backup/folder.ts';
import { makeBackup } from '#ui/backup/backups.ts';
import { RestorePanel } from '#ui/backup/RestorePanel.tsx';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { markSaved, savedAt } from '#ui/bench/marker.ts';
import { download, slug } from '#ui/download.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/kitRecords.ts';

const ZIP = 'application/zip';

const FolderLine = () => {
  const services = useBench();
  const { name, isAsking, savedAt: at, problem } = useStore(folderState);
  if (!canKeepFolder())
    return (
      <p className="quiet mb-0">
        This browser cannot write into a folder by itself: back up by hand after each day.
      </p>
    );
  if (name === undefined)
    return (
      <Button size="sm" variant="outline-secondary" onClick={() => void chooseFolder(services)}>
        {words.backUpIntoA}
      </Button>
    );
  return (
    <>
      <p className="mb-1">
        Into the folder <strong>{name}</strong>, one file a day, after each change
        {at ? `; last at ${printInstant(at)}` : ''}.
      </p>
      {problem && <p className="field-error mb-1">{problem}</p>}
      <div className="d-flex gap-2">
        {isAsking && (
          <Button size="sm" variant="primary" onClick={() => void goOnWithFolder(services)}>
            {words.goOnWritingThere}
          </Button>
        )}
        <Button size="sm" variant="outline-secondary" onClick={() => void leaveFolder()}>
          {words.stop}
        </Button>
      </div>
    </>
  );
};

const BackupPanel = () => {
  const services = useBench();
  const [last, setLast] = useState(savedAt);
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const save = async () => {
    setBusy(true);
    const now = new Date();
    const made = await makeBackup(services, { now });
    setBusy(false);
    setProblem(made.ok ? undefined : made.reason);
    if (!made.ok) return;
    download(`candelum-${now.toISOString().slice(0, 10)}.zip`, made.value, ZIP);
    markSaved(now);
    setLast(savedAt());
  };
  return (
    <Panel title={words.backUp} note={last ? words.lastOn(printInstant(last)) : words.neverDoneHere}>
      <p className="quiet">
        Everything in one file: shoots, cameras, profiles, LUTs with their files, the log with its pictures.
        Keep it away from this machine.
      </p>
      <Button variant="primary" disabled={busy} onClick={() => void save()}>
        {busy ? words.packing : words.backUpEverything}
      </Button>
      {problem && <p className="field-error mt-2">{problem}</p>}
      <hr />
      <FolderLine />
    </Panel>
  );
};

/** One shoot with what it uses, for somebody else. */
const SharePanel = () => {
  const services = useBench();
  const { shoot } = useSelection();
  const shoots = shootsOf(useRecords());
  const [chosen, setChosen] = useState(shoot.id);
  const [problem, setProblem] = useState<string>();
  const share = async () => {
    const name = shoots.find(({ id }) => id === chosen)?.name ?? 'shoot';
    const made = await makeBackup(services, { now: new Date(), shootId: chosen });
    setProblem(made.ok ? undefined : made.reason);
    if (made.ok) download(`${slug(name)}.candelum.zip`, made.value, ZIP);
  };
  return (
    <Panel title={words.oneShootForA} note={words.addedThereWithoutOverwriting}>
      <Form.Select
        size="sm"
        aria-label={words.shootToHandOver}
        value={chosen}
        onChange={(event) => setChosen(event.target.value)}
      >
        {shoots.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Form.Select>
      <Button size="sm" variant="outline-secondary" className="mt-2" onClick={() => void share()}>
        {words.saveThisShoot}
      </Button>
      {problem && <p className="field-error mt-2">{problem}</p>}
    </Panel>
  );
};

type Room = { readonly used: number; readonly quota: number; readonly isKept: boolean };

const megabytes = (bytes: number) =>
  bytes < 1e9 ? `${Math.max(1, Math.round(bytes / 1e6))} MB` : `${(bytes / 1e9).toFixed(0)} GB`;

const readRoom = async (): Promise<Room> => {
  const { usage = 0, quota = 0 } = await navigator.storage.estimate();
  return { used: usage, quota, isKept: await navigator.storage.persisted() };
};

/** What the records take of this browser, what is left, and whether it keeps them. */
const RoomPanel = () => {
  /** Undefined where the browser does not tell. */
  const [room, setRoom] = useState<Room>();
  /** How often the browser was asked to keep the records. */
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let here = true;
    readRoom().then(
      (found) => here && setRoom(found),
      () => undefined,
    );
    return () => {
      here = false;
    };
  }, [asked]);
  return (
    <Panel title={words.spaceInThisBrowser}>
      {room ? (
        <p>
          <strong className="num">{megabytes(room.used)}</strong> used,{' '}
          <strong className="num">{megabytes(room.quota - room.used)}</strong> left.{' '}
          {room.isKept
            ? 'The browser keeps the records until you delete them.'
            : 'The browser may delete the records when the disk runs full.'}
        </p>
      ) : (
        <p className="quiet">This browser does not say.</p>
      )}
      {room && !room.isKept && (
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => void navigator.storage.persist().finally(() => setAsked(asked + 1))}
        >
          {words.askItToKeep}
        </Button>
      )}
    </Panel>
  );
};

/** The user’s own data: out into a file, back from one, and how safe it lies here. */
export const RecordsView = () => (
  <div className="kit kit-even">
    <div className="kit-side">
      <BackupPanel />
      <SharePanel />
      <RoomPanel />
    </div>
    <div className="kit-side">
      <RestorePanel />
    </div>
  </div>
);
