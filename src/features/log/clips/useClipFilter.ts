'use client';

import { parseAsString, parseAsStringLiteral, useQueryStates, type inferParserType } from 'nuqs';
import { CLIP_GROUPS, CLIP_STATES } from '#ui/bench/clips/clipLines.ts';

const VIEWS = ['lines', 'sheet', 'corrected'] as const;
const keys = {
  find: parseAsString,
  state: parseAsStringLiteral(CLIP_STATES),
  group: parseAsStringLiteral(CLIP_GROUPS).withDefault('none'),
  as: parseAsStringLiteral(VIEWS).withDefault('lines'),
};
const urlKeys = { find: 'clipFind', state: 'clipState', group: 'clipGroup', as: 'clipsAs' };
export type ClipFilterValues = inferParserType<typeof keys>;

/** What the clips are narrowed to, grouped by and shown as; the address keeps it. */
export const useClipFilter = () => {
  const [values, set] = useQueryStates(keys, { history: 'replace', urlKeys });
  return {
    values,
    set: (next: Partial<ClipFilterValues>) => void set(next),
    clear: () => void set({ find: null, state: null }),
  };
};
