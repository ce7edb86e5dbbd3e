'use client';

import { SCOPES, type ScopeScale } from '#core/scopes/scopeList.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import type { ScopeChoice } from './useScopeChoice.ts';
import { words } from '#ui/wording/judgeScopes.ts';

const SCALE_NAMES: { readonly [K in ScopeScale]: { name: string; says: string } } = {
  stops: { name: 'stops', says: words.stopsFromMiddleGrey },
  percent: { name: '%', says: words.ofSignal },
  code: { name: 'code', says: words.codeValuesOfThe },
};

/** The scale of a scope's levels; nothing where it has none. */
export const ScaleChoice = ({ scope, scale, pickScale }: ScopeChoice) => {
  const { scales } = SCOPES[scope];
  if (scales.length === 0) return null;
  return (
    <Segmented
      label={words.scopeScale}
      options={scales.map((id) => ({ id, ...SCALE_NAMES[id] }))}
      value={scale}
      onPick={pickScale}
    />
  );
};
