'use client';

import { SCOPES, type ScopeScale } from '#core/scopes/scopeList.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import type { ScopeChoice } from './useScopeChoice.ts';

const SCALE_NAMES: { readonly [K in ScopeScale]: { name: string; says: string } } = {
  stops: { name: 'stops', says: 'Stops from middle grey, through the profile' },
  percent: { name: '%', says: '% of signal' },
  code: { name: 'code', says: 'Code values of the recording' },
};

/** The scale of a scope's levels; nothing where it has none. */
export const ScaleChoice = ({ scope, scale, pickScale }: ScopeChoice) => {
  const { scales } = SCOPES[scope];
  if (scales.length === 0) return null;
  return (
    <Segmented
      label="Scope scale"
      options={scales.map((id) => ({ id, ...SCALE_NAMES[id] }))}
      value={scale}
      onPick={pickScale}
    />
  );
};
