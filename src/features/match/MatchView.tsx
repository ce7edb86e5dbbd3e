'use client';

import { later } from '#ui/later.tsx';
import { ScreenParts } from '#ui/parts/ScreenParts.tsx';
import { words } from '#ui/wording/match.ts';
import { CamerasView } from './cameras/CamerasView.tsx';

const ClipsView = later(() => import('./clips/MatchClipsView.tsx').then((part) => part.MatchClipsView));

const RoomView = later(() => import('./room/RoomView.tsx').then((part) => part.RoomView));

/** Parts of the match. A further one is a row. */
const PARTS = {
  cameras: { name: words.cameras, View: CamerasView },
  clips: { name: words.clips, View: ClipsView },
  room: { name: words.room, View: RoomView },
} as const;

/** Match: cameras to the hero camera, clips to the hero of their set-up, inputs that run. */
export const MatchView = () => <ScreenParts of="the match" parts={PARTS} first="cameras" />;
