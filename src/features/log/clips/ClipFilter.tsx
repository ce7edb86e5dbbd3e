'use client';

import Form from 'react-bootstrap/Form';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/clips.ts';
import { Choice } from '../Choice.tsx';
import { CLIP_STATES, type ClipGroup, type ClipState } from '#ui/bench/clips/clipLines.ts';
import { STATE_WORDS } from './clipWords.ts';
import type { useClipFilter } from './useClipFilter.ts';

const GROUPS: readonly { readonly id: ClipGroup; readonly name: string }[] = [
  { id: 'none', name: 'all in one' },
  { id: 'setup', name: 'by set-up' },
  { id: 'camera', name: 'by camera' },
  { id: 'day', name: 'by day' },
];

/** Search, filter, grouping and view of the clips. */
export const ClipFilter = ({ values, set }: ReturnType<typeof useClipFilter>) => (
  <search className="log-filter">
    <Form.Control
      size="sm"
      type="search"
      aria-label={words.searchClips}
      placeholder={words.searchName}
      maxLength={200}
      value={values.find ?? ''}
      onChange={({ target }) => set({ find: target.value || null })}
    />
    <Choice
      label={words.state}
      any={words.anyState}
      value={values.state}
      onPick={(state) => set({ state: state as ClipState | null })}
    >
      {CLIP_STATES.map((state) => (
        <option key={state} value={state}>
          {STATE_WORDS[state].name}
        </option>
      ))}
    </Choice>
    <Form.Select
      size="sm"
      aria-label={words.groupBy}
      value={values.group}
      onChange={({ target }) => set({ group: target.value as ClipGroup })}
    >
      {GROUPS.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Form.Select>
    <Segmented
      label={words.viewOf}
      options={[
        { id: 'lines', name: words.lines },
        { id: 'sheet', name: words.sheet },
        { id: 'corrected', name: words.correctedSheet },
      ]}
      value={values.as}
      onPick={(as) => set({ as })}
    />
  </search>
);
