'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { setAsideWords, type SetAside } from '#store/setAside.ts';
import { Notice } from './Notice.tsx';
import { later } from '../later.tsx';
import { words } from '#ui/wording/shellNotices.ts';

const SetAsideDialog = later(() => import('./SetAsideDialog.tsx').then((part) => part.SetAsideDialog));

/** Says which records were set aside, and opens what can be done with them. Nothing where none was. */
export const SetAsideNotice = ({ items }: { items: readonly SetAside[] }) => {
  const [isOpen, setOpen] = useState(false);
  if (items.length === 0) return null;
  const says =
    items.length === 1
      ? `The ${setAsideWords(items[0])} cannot be read and is left as it is.`
      : `${items.length} stored records cannot be read and are left as they are.`;
  return (
    <Notice isBad data-set-aside={items.length}>
      <span>{says} All else works.</span>
      <Button size="sm" variant="outline-secondary" onClick={() => setOpen(true)}>
        {words.whatToDo}
      </Button>
      {isOpen && <SetAsideDialog items={items} onHide={() => setOpen(false)} />}
    </Notice>
  );
};
