import { median } from 'd3-array';
import { operationOf, withOperation } from '#core/correction/operations.ts';
import type { Edit } from '#store/edits.ts';
import type { BookRecords } from '#store/mirror.ts';
import { planChange } from '#store/records/plan.ts';
import { resolveSelection } from '#store/selection.ts';
import { linkedFields } from '#ui/bench/benchModel.ts';
import { words } from '#ui/wording/back.ts';
import { MOVED, type ReturnedRow } from './returnedRow.ts';

/** The next placement of a camera in a set-up, as an edit; undefined where the set-up is gone or stands so already. */
export const placementEdit = (
  records: BookRecords,
  shoot: string,
  { setupId, setup, cameraId, camera, placement }: ReturnedRow,
): Edit | undefined => {
  const selection =
    setupId === undefined || placement === undefined || !records.setups.has(setupId)
      ? undefined
      : resolveSelection(records, { shoot, setup: setupId, camera: cameraId });
  if (!selection || selection.camera.id !== cameraId || selection.plan.placement === placement)
    return undefined;
  const change = planChange(selection.plan, linkedFields(selection, { placement }));
  return { label: words.planned(camera, setup), changes: [change] };
};

/** Files a match remembers, as its record does: the latest. */
const MOST_FILES = 60;

/** What came back from post, and which file it was: see `core/hash.ts`. */
type Came = { readonly rows: readonly ReturnedRow[]; readonly hash: number };

/** What a camera's matches to its hero lack by what came back. */
export type MatchLack = {
  readonly cameraId: string;
  readonly camera: string;
  readonly heroCameraId: string;
  readonly hero: string;
  /** Stops that the camera was lifted by beyond its hero: median over set-ups. */
  readonly stops: number;
  readonly clips: number;
  readonly moved: number;
  /** Its matches have the light of this file already. */
  readonly isAdded: boolean;
};

/**
 * Cameras that were moved beyond their hero on most of their clips, by a sixth of a stop or more; what their hero was
 * moved by on the same set-up is not theirs.
 */
export const matchLacks = (records: BookRecords, { rows, hash }: Came): readonly MatchLack[] =>
  [...new Set(rows.map(({ cameraId }) => cameraId))].flatMap((cameraId): MatchLack[] => {
    const camera = records.cameras.get(cameraId);
    const heroCameraId = camera?.matches?.at(-1)?.heroCameraId;
    const hero = records.cameras.get(heroCameraId ?? '');
    if (!camera || heroCameraId === undefined || !hero) return [];
    const own = rows.filter((row) => row.cameraId === cameraId);
    const ofHero = (setupId: string | undefined) =>
      rows.find((row) => row.cameraId === heroCameraId && row.setupId === setupId)?.change.stops ?? 0;
    const stops = median(own, ({ change, setupId }) => change.stops - ofHero(setupId)) ?? 0;
    const clips = own.reduce((sum, row) => sum + row.clips, 0);
    const moved = own.reduce((sum, row) => sum + row.moved, 0);
    if (Math.abs(stops) < MOVED || moved <= clips / 2) return [];
    const isAdded = camera.matches?.some(
      (match) => match.heroCameraId === heroCameraId && match.fromPost?.includes(hash),
    );
    const names = { cameraId, camera: camera.name, heroCameraId, hero: hero.name };
    return [{ ...names, stops, clips, moved, isAdded: isAdded === true }];
  });

/** All matches of a camera to its hero with so much light more, as an edit; once for each file. */
export const matchEdit = (
  records: BookRecords,
  { cameraId, heroCameraId, stops, isAdded }: MatchLack,
  hash: number,
): Edit | undefined => {
  const before = records.cameras.get(cameraId);
  if (!before?.matches || isAdded) return undefined;
  const matches = before.matches.map((match) =>
    match.heroCameraId === heroCameraId
      ? {
          ...match,
          fromPost: [...(match.fromPost ?? []), hash].slice(-MOST_FILES),
          correction: withOperation(match.correction, {
            kind: 'exposure',
            stops: (operationOf(match.correction, 'exposure')?.stops ?? 0) + stops,
          }),
        }
      : match,
  );
  const after = { ...before, matches };
  return {
    label: words.matched(before.name),
    changes: [{ table: 'cameras', id: cameraId, before, after }],
  };
};
