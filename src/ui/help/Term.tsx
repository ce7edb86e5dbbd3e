'use client';

import type { ReactNode } from 'react';
import { Popup } from '../parts/Popup.tsx';
import { later } from '../later.tsx';
import type { TermId } from './glossary.ts';
import { words } from '#ui/wording/help.ts';

const Meaning = later(() => import('./Meaning.tsx').then((part) => part.Meaning));

/** A word that opens its meaning. */
export const Term = ({ id, children }: { id: TermId; children: ReactNode }) => (
  <Popup
    name={children}
    label={words.whatMeans(typeof children === 'string' ? children : 'it')}
    variant="bare"
    className="term"
    placement="bottom-start"
  >
    <Meaning id={id} />
  </Popup>
);
