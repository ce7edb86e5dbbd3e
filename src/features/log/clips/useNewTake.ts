'use client';

import { useStore } from 'zustand';
import { cameraClockId, type ClipRecord } from '#store/records/clip.ts';
import type { TakeMeasurement } from '#store/records/take.ts';
import { camerasOf, resolveSelection, setupsOf } from '#store/selection.ts';
import { cardNumbersOf } from '#ui/bench/benchModel.ts';
import { useCardSurvey } from '#ui/bench/clips/useCardSurvey.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { takeOf } from '#ui/bench/logTake.ts';

/** What a survey found, as a take keeps it. */
const measuredOf = ({ file, facts, found }: ClipRecord): TakeMeasurement | undefined =>
  facts &&
  found && {
    file: file.name.slice(0, 300),
    size: [facts.size[0], facts.size[1]],
    source: { kind: 'clip', container: facts.container.slice(0, 120), exact: facts.exact },
    cardStops: found.cardStops,
    clippedAll: found.clippedAll,
    clippedSome: found.clippedSome,
    underFloor: found.underFloor,
    distribution: [...found.distribution],
    verdicts: [],
  };

/** The chosen set-up where it has the clip's camera, else the first that has it. */
const useSelectionOf = () => {
  const records = useRecords();
  const { shoot, setup } = useSelection();
  return (cameraId: string) => {
    const has = setupsOf(records, shoot.id).filter((one) =>
      camerasOf(records, one).some(({ id }) => id === cameraId),
    );
    const chosen = has.find(({ id }) => id === setup.id) ?? has[0];
    return chosen && resolveSelection(records, { shoot: shoot.id, setup: chosen.id, camera: cameraId });
  };
};

/** Makes a take of a clip that has none, by the plan of its camera and on our clock, and pairs the two. */
export const useNewTake = () => {
  const { book } = useBench();
  const selectionOf = useSelectionOf();
  const profiles = useRecords((records) => records.profiles);
  const byHand = useRecords(({ cameraClocks }) => cameraClocks);
  const readings = useStore(useCardSurvey(), ({ clocks }) => clocks);
  return async (clip: ClipRecord): Promise<void> => {
    const selection = selectionOf(clip.cameraId);
    if (!selection) return;
    const clockId = cameraClockId(clip.shootId, clip.cameraId);
    const offset = byHand.get(clockId)?.offset ?? readings[clockId]?.[0]?.offset ?? 0;
    const start = Date.parse(clip.facts?.startedAt ?? clip.file.writtenAt);
    const source = { selection, numbers: cardNumbersOf(selection), profiles, verdicts: [] };
    const draft = takeOf(source, new Date(start - 1000 * offset), crypto.randomUUID());
    const take = await book.logTake({ ...draft, measured: measuredOf(clip) });
    if (take)
      await book.patch(`Take of ${clip.file.name.slice(0, 60)}`, 'clips', clip.id, {
        take: { id: take.id, by: 'hand' },
      });
  };
};
