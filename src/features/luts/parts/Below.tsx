'use client';

import { parseAsString, useQueryState } from 'nuqs';
import type { ReactNode } from 'react';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/lutsParts.ts';

export type Sheet = { readonly name: string; readonly note?: ReactNode; readonly body: ReactNode };

/** What stands under the picture: one of a few sheets. */
export const Below = ({ sheets }: { sheets: Readonly<Record<string, Sheet>> }) => {
  const ids = Object.keys(sheets);
  const [asked, setAsked] = useQueryState('below', parseAsString.withDefault(ids[0]));
  const shown = asked in sheets ? asked : ids[0];
  const { note, body } = sheets[shown];
  return (
    <Panel
      className="lut-below"
      title={
        <Segmented
          label={words.underThePicture}
          options={ids.map((id) => ({ id, name: sheets[id].name }))}
          value={shown}
          onPick={(id) => void setAsked(id)}
        />
      }
      note={note}
    >
      {body}
    </Panel>
  );
};
