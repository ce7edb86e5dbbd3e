'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { compileProfile, type EvidenceItem, type ProfileData } from '#core/profile/index.ts';
import { takesAgainstCurve, type TakeReading } from '#core/profile/making.ts';
import type { TakeRecord } from '#store/records/take.ts';
import { latestTakes } from '#store/takes.ts';
import { useBench, useSelection } from './hooks.ts';

/** The cards of takes that were shot on a profile: where they were planned, and what they read. */
const takeReadings = (takes: readonly TakeRecord[], profileName: string): TakeReading[] =>
  takes.flatMap(({ card, measured }) => {
    if (card.profileName !== profileName || measured?.cardStops === undefined) return [];
    // The curve it was read with, as it was: its stops are turned back to signal.
    return [{ stops: card.placement, signal: compileProfile(card.profile).signalAt(measured.cardStops) }];
  });

/** How many of them the evidence holds already. */
const held = (items: readonly EvidenceItem[]): number =>
  items.filter(({ kind }) => kind === 'takes').reduce((sum, { readings }) => sum + readings.length, 0);

/** What takes say of a curve, in a sentence; undefined where they agree, are few, or were taken in already. */
const takesSay = (
  readings: readonly TakeReading[],
  items: readonly EvidenceItem[],
  data: ProfileData,
): string | undefined => {
  if (readings.length <= held(items)) return undefined;
  const against = takesAgainstCurve(readings, data);
  if (!against) return undefined;
  const { count, off, explained } = against;
  const side = off < 0 ? 'under' : 'over';
  const size = Math.abs(off).toFixed(2);
  const allowed = explained.toFixed(2);
  const lies = `${count} takes read the card ${size} stop ${side} this curve, if they were exposed as planned`;
  return `${lies}; band and exposing explain ${allowed}.`;
};

/** Older takes than these are not looked at: a curve is kept up with, not dug for. */
const MOST_TAKES = 100;

/** The cards of this shoot's takes against the profile in use, where it rests on evidence that they can add to. */
export const useTakesAgainst = (): { readonly readings: readonly TakeReading[]; readonly said?: string } => {
  const { database } = useBench();
  const { profile, shoot } = useSelection();
  const { evidence } = profile;
  const isInferred = evidence !== undefined && evidence.length > 0;
  const takes = useLiveQuery(
    async () => (isInferred ? latestTakes(database, shoot.id, MOST_TAKES) : []),
    [database, shoot.id, isInferred],
  );
  return useMemo(() => {
    const readings = takeReadings(takes ?? [], profile.name);
    return { readings, said: evidence && takesSay(readings, evidence, profile.data) };
  }, [takes, profile, evidence]);
};
