'use client';

import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { parseProfileJson, profileJson } from '#store/exports/profileJson.ts';
import { planChange } from '#store/records/plan.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import { addProfile, conflictOf, replaceProfile, type Conflict } from '#store/takeIn.ts';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { CompareWith } from './ProfilePicker.tsx';
import { OwnedTools } from '#ui/owned/OwnedTools.tsx';
import { download, slug } from '#ui/download.ts';
import { readTextFile } from '#ui/readTextFile.ts';
import { words } from '#ui/wording/kit.ts';

type Waiting = { readonly profile: ProfileRecord; readonly conflict: Exclude<Conflict, { kind: 'none' }> };

type How = 'both' | 'replace' | 'leave';

/** Takes a profile into the kit and onto the camera; where one of its name is there, it is asked about first. */
const useTakeIn = () => {
  const { book } = useBench();
  const { camera, plan } = useSelection();
  const [waiting, setWaiting] = useState<Waiting>();
  const [said, setSaid] = useState<{ readonly text: string; readonly bad?: boolean }>();

  const add = async (incoming: ProfileRecord) => {
    const id = crypto.randomUUID();
    const kit = book.getState().profiles;
    const added = addProfile(kit, incoming, camera, id);
    const onPlan = planChange(plan, { profileId: id });
    if (!(await book.edit({ ...added, changes: [...added.changes, onPlan] }))) return;
    const name = book.getState().profiles.get(id)?.name ?? incoming.name;
    setSaid({ text: `${name} is in the kit and on ${camera.name}.` });
  };
  const takeIn = async (file: File) => {
    setSaid(undefined);
    const text = await readTextFile(file);
    const read = text.ok ? parseProfileJson(text.value) : text;
    if (!read.ok) return setSaid({ text: `${read.where}: ${read.reason}`, bad: true });
    const conflict = conflictOf(book.getState().profiles, read.value);
    if (conflict.kind === 'none') return add(read.value);
    if (conflict.kind === 'same')
      return setSaid({ text: `${conflict.held.name} is there already, curve and all.` });
    setWaiting({ profile: read.value, conflict });
  };
  const settle = async (how: How) => {
    const held = waiting;
    setWaiting(undefined);
    if (!held || how === 'leave') return;
    if (how === 'both') return add(held.profile);
    if (await book.edit(replaceProfile(held.conflict.held, held.profile)))
      setSaid({
        text: `${held.conflict.held.name} now holds the curve of the file. Undo brings the old one back.`,
      });
  };
  return { waiting, said, add, takeIn, settle };
};

const ConflictQuestion = ({ profile, conflict, onSettle }: Waiting & { onSettle: (how: How) => void }) => (
  <div className="ask" role="alertdialog" aria-label={words.aProfileOfThat}>
    <p>
      {conflict.held.name} is in the kit with another curve. The file’s clips at{' '}
      <span className="num">{profile.data.clipStops.toFixed(1)}</span>, the kit’s at{' '}
      <span className="num">{conflict.held.data.clipStops.toFixed(1)}</span>.
    </p>
    <Button variant="primary" size="sm" autoFocus onClick={() => onSettle('both')}>
      {words.keepBoth}
    </Button>
    {conflict.kind === 'differs' && conflict.replaceable && (
      <Button variant="outline-secondary" size="sm" onClick={() => onSettle('replace')}>
        {words.replaceTheKits}
      </Button>
    )}
    <Button variant="outline-secondary" size="sm" onClick={() => onSettle('leave')}>
      {words.leaveIt}
    </Button>
  </div>
);

/** What is done with a whole profile: duplicate, share, take one in, take it off the kit. */
export const ProfileTools = () => {
  const { profile } = useSelection();
  const file = useRef<HTMLInputElement>(null);
  const { waiting, said, add, takeIn, settle } = useTakeIn();
  return (
    <>
      <div className="profile-tools">
        <OwnedTools table="profiles" record={profile} onDuplicate={() => void add(profile)} />
        <Button
          variant="outline-secondary"
          size="sm"
          onClick={() =>
            download(
              `${slug(profile.name)}.profile.json`,
              profileJson(profile, new Date()),
              'application/json',
            )
          }
        >
          {words.share}
        </Button>
        <Button variant="outline-secondary" size="sm" onClick={() => file.current?.click()}>
          {words.openAProfileFile}
        </Button>
        <input
          ref={file}
          type="file"
          hidden
          accept=".json,application/json"
          aria-label={words.profileFile}
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            event.target.value = '';
            if (chosen) void takeIn(chosen);
          }}
        />
        <CompareWith />
      </div>
      {waiting && <ConflictQuestion {...waiting} onSettle={(how) => void settle(how)} />}
      {said && (
        <p className={said.bad ? 'field-error' : 'quiet mb-0'} role="status">
          {said.text}
        </p>
      )}
    </>
  );
};
