'use client';

import { later } from '#ui/later.tsx';
import { ScreenParts } from '#ui/parts/ScreenParts.tsx';
import { words } from '#ui/wording/clips.ts';
import { TakesView } from './TakesView.tsx';

const ClipsView = later(() => import('./clips/ClipsView.tsx').then((part) => part.ClipsView));

/** Halves of the log. A further one is a row. */
const PARTS = {
  takes: { name: words.takes, View: TakesView },
  clips: { name: words.clips, View: ClipsView },
} as const;

/** Log: what was logged on set, and what the cards hold. */
export const LogView = () => <ScreenParts of="the log" parts={PARTS} first="takes" />;
