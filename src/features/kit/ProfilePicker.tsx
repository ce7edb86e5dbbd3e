'use client';

import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { ARCHETYPE_IDS } from '#core/profile/index.ts';
import type { BookRecords } from '#store/book.ts';
import { useBench, useCard, useRecords, useSelection, useSession } from '#ui/bench/hooks.ts';
import { MANY_PROFILES, shownProfiles } from './profileSearch.ts';
import { pickProfile } from './saveProfile.ts';
import { words } from '#ui/wording/kit.ts';

const inOrder = (profiles: BookRecords['profiles']) => {
  const order = (id: string) => (ARCHETYPE_IDS as readonly string[]).indexOf(id);
  return [...profiles.values()].sort((a, b) => order(a.id) - order(b.id));
};

/** A second profile to draw beside the one in use. */
export const CompareWith = () => {
  const { session } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const { isDraft } = useCard().profile;
  const comparedId = useSession((state) => state.comparedId);
  const all = inOrder(records.profiles);
  const { profile } = selection;
  // Comparing is work of Kit: on other screens the ladder is the plan's alone.
  useEffect(() => () => session.draft.compare(undefined), [session]);
  return (
    <Form.Select
      size="sm"
      className="compare-with"
      aria-label={words.compareWith}
      value={comparedId ?? ''}
      onChange={(event) => {
        const other = records.profiles.get(event.target.value);
        session.draft.compare(other?.id);
      }}
    >
      <option value="">{words.compareWithNone}</option>
      {all
        .filter(({ id }) => isDraft || id !== profile.id || id === comparedId)
        .map(({ id, name }) => (
          <option key={id} value={id}>
            against {name}
          </option>
        ))}
    </Form.Select>
  );
};

/** Profiles of the kit: one in use on this camera. */
export const ProfilePicker = () => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const [letters, setLetters] = useState('');
  const { camera, plan, profile } = selection;
  const all = inOrder(records.profiles);
  const { shown, more } = shownProfiles(all, profile.id, letters);
  return (
    <div className="profile-chips" role="group" aria-label={words.profileInUseOn(camera.name)}>
      {all.length > MANY_PROFILES && (
        <Form.Control
          size="sm"
          type="search"
          className="profile-search"
          aria-label={words.findAProfile}
          placeholder={words.findAmong(all.length)}
          value={letters}
          onChange={({ target }) => setLetters(target.value)}
        />
      )}
      {shown.map((one) => (
        <Button
          key={one.id}
          variant="choice"
          size="sm"
          active={one.id === profile.id}
          aria-pressed={one.id === profile.id}
          onClick={() => void book.edit(pickProfile(one, camera, plan))}
          title={one.says}
        >
          {one.name}
        </Button>
      ))}
      {more > 0 && <span className="quiet">and {more} more: type a part of the name</span>}
    </div>
  );
};
