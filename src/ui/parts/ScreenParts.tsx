'use client';

import { parseAsStringLiteral, useQueryState } from 'nuqs';
import type { ComponentType } from 'react';
import { Segmented } from './Segmented.tsx';

type Part = { readonly name: string; readonly View: ComponentType };

/** A screen in parts, of which one is shown; which one stands in the address. */
export const ScreenParts = <T extends string>({
  of,
  parts,
  first,
}: {
  /** Of what: `the kit`, `LUTs`. */
  of: string;
  parts: Readonly<Record<T, Part>>;
  first: T;
}) => {
  const ids = Object.keys(parts) as T[];
  const [part, setPart] = useQueryState('part', parseAsStringLiteral(ids).withDefault(first));
  const { View } = parts[part as T];
  return (
    <>
      <nav className="kit-parts" aria-label={`Parts of ${of}`}>
        <Segmented
          label={`Part of ${of}`}
          options={ids.map((id) => ({ id, name: parts[id].name }))}
          value={part as T}
          onPick={(id) => void setPart(() => id)}
        />
      </nav>
      <View />
    </>
  );
};
