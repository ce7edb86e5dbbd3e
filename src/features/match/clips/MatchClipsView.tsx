'use client';

import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/match.ts';

/** Match, second half: clips brought to the hero of their set-up. */
export const MatchClipsView = () => <Panel title={words.toTheHero}>{null}</Panel>;
