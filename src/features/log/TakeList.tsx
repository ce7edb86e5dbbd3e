'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef } from 'react';
import type { ClipRecord } from '#store/records/clip.ts';
import type { TakeFacts } from '#store/takeFacts.ts';
import { useClips } from '#ui/bench/clips/useClips.ts';
import { TakeRow } from './TakeRow.tsx';
import { words } from '#ui/wording/log.ts';

/** From so many on, only those in sight are drawn; the list scrolls in its own place then. */
const MANY = 40;
/** About the height of a line, px; each is measured once it is drawn. */
const LINE_PX = 92;

/** Clips by the take that they are. */
type Clips = ReadonlyMap<string, ClipRecord>;

const TakesInSight = ({ takes, clips }: { takes: readonly TakeFacts[]; clips: Clips }) => {
  const scroll = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: takes.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => LINE_PX,
    getItemKey: (i) => takes[i].id,
    overscan: 4,
  });
  return (
    <div ref={scroll} className="takes-long" tabIndex={0} role="group" aria-label={words.takes}>
      <ul className="takes" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ key, index, start }) => (
          <li
            key={key}
            ref={virtual.measureElement}
            data-index={index}
            aria-setsize={takes.length}
            aria-posinset={index + 1}
            style={{ transform: `translateY(${start}px)` }}
          >
            <TakeRow facts={takes[index]} clip={clips.get(takes[index].id)} />
          </li>
        ))}
      </ul>
    </div>
  );
};

/** Takes line by line, newest first. */
export const TakeList = ({ takes }: { takes: readonly TakeFacts[] }) => {
  const { clips: all } = useClips();
  const clips = useMemo(
    () =>
      new Map(all.flatMap((clip) => (clip.take?.id === undefined ? [] : [[clip.take.id, clip] as const]))),
    [all],
  );
  return takes.length > MANY ? (
    <TakesInSight takes={takes} clips={clips} />
  ) : (
    <ul className="takes">
      {takes.map((facts) => (
        <li key={facts.id}>
          <TakeRow facts={facts} clip={clips.get(facts.id)} />
        </li>
      ))}
    </ul>
  );
};
