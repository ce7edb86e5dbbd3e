'use client';

import { ChevronLeft, ChevronRight } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { useBench, useSelection, useSession } from '#ui/bench/hooks.ts';
import { useKey } from '#ui/shell/useKey.ts';
import { words } from '#ui/wording/judgePicture.ts';

/** The files that were opened together: which is at hand, the way to the others, and why one was refused. */
export const Tray = () => {
  const { tray: desk } = useBench().session;
  const { camera, setup } = useSelection();
  const tray = useSession((state) => state.tray);
  const how = { range: camera.coding.range, setupId: setup.id };
  const go = (by: number) => void desk.go(by, how);
  useKey('next', () => go(1));
  useKey('previous', () => go(-1));
  if (!tray || tray.items.length < 2) return null;
  const { items, at } = tray;
  return (
    <div className="tray" role="group" aria-label={words.tray}>
      <Button
        variant="bare"
        className="icon-button"
        aria-label={words.fileBefore}
        title={words.fileBeforeKey}
        disabled={at === 0}
        onClick={() => go(-1)}
      >
        <ChevronLeft size={18} aria-hidden />
      </Button>
      <span className="quiet num">
        {at + 1} of {items.length}
      </span>
      <Button
        variant="bare"
        className="icon-button"
        aria-label={words.nextFile}
        title={words.nextFileKey}
        disabled={at === items.length - 1}
        onClick={() => go(1)}
      >
        <ChevronRight size={18} aria-hidden />
      </Button>
      <ol>
        {items.map(({ name, refused }, n) => (
          // Two files may have one name: their place tells them apart.
          <li key={`${n} ${name}`}>
            <Button
              variant="bare"
              className={refused === undefined ? undefined : 'tray-refused'}
              title={refused ?? name}
              aria-current={n === at}
              onClick={() => void desk.open(n, how)}
            >
              {name}
              {refused !== undefined && <small> refused</small>}
            </Button>
          </li>
        ))}
      </ol>
    </div>
  );
};
