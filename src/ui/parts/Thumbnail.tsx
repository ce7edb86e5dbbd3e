'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo } from 'react';
import { demoThumbnail } from '#store/demo/thumbnails.ts';
import { useBench } from '../bench/hooks.ts';
import { words } from '#ui/wording/log.ts';

/** The picture of a take, from its record. */
export const Thumbnail = ({ takeId, alt }: { takeId: string; alt: string }) => {
  const { database } = useBench();
  const record = useLiveQuery(() => database.rows('thumbnails').get(takeId), [database, takeId]);
  const url = useMemo(
    () =>
      record && URL.createObjectURL(new Blob([record.png as Uint8Array<ArrayBuffer>], { type: 'image/png' })),
    [record],
  );
  useEffect(() => {
    if (!url) return undefined;
    return () => URL.revokeObjectURL(url);
  }, [url]);
  // A picture out of this browser's own records: there is nothing for an image server to do.
  const shown = url ?? demoThumbnail(takeId);
  return shown ? (
    <img className="thumb" src={shown} alt={alt} decoding="async" />
  ) : (
    <span className="thumb thumb-none">{words.noFrame}</span>
  );
};
