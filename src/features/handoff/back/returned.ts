import { group, median } from 'd3-array';
import { parseCdl } from '#core/formats/cdl.ts';
import { parseEdl } from '#core/formats/edl.ts';
import { NEUTRAL_CDL, type Cdl } from '#core/lut/cdl.ts';
import { cdlChange, type CdlChange } from '#core/match/cdlChange.ts';
import { failure, success, type Result } from '#core/result.ts';
import { toThird } from '#core/units.ts';
import { bundledClips, profileOfClip, type BundledClip } from '../bundle/clipFacts.ts';
import type { ClipsOf } from '../bundle/parts.ts';
import { MOVED, type ReturnedRow } from './returnedRow.ts';

/** A correction as it came back, by the name of its clip. */
type Returned = { readonly name: string; readonly cdl: Cdl };

export type Comparison = {
  readonly rows: readonly ReturnedRow[];
  /** Names that no clip of the shoot has. */
  readonly unknown: readonly string[];
};

/**
 * A list has the name of the file, which two cards may have; a collection the name it was handed over under, which is
 * the clip's alone.
 */
const isCalled = (name: string) => {
  const isFile = /\.\w{2,4}$/.test(name);
  const wanted = name.toLowerCase();
  return (clip: BundledClip) => (isFile ? clip.clip.file.name : clip.name).toLowerCase() === wanted;
};

/** The corrections of a `.cc`, `.ccc`, `.cdl` or of a list; a failure says what is wrong with the file. */
export const readReturned = (name: string, text: string): Result<readonly Returned[]> => {
  if (/\.edl$/i.test(name)) {
    const list = parseEdl(text);
    if (!list.ok) return list;
    const found = list.value.flatMap(({ clipName, reel, cdl }) =>
      cdl ? [{ name: clipName ?? reel, cdl }] : [],
    );
    return found.length > 0
      ? success(found)
      : failure('file', 'The list holds no corrections: export it with ASC SOP and SAT comments.');
  }
  const read = parseCdl(text);
  return read.ok ? success(read.value.map(({ id, cdl }) => ({ name: id, cdl }))) : read;
};

/** What came back against what was handed over, by set-up and camera. */
export const compareReturned = (of: ClipsOf, returned: readonly Returned[]): Comparison => {
  const clips = bundledClips(of);
  const unknown: string[] = [];
  const changes = returned.flatMap(({ name, cdl }) => {
    const own = clips.filter(isCalled(name));
    const [clip] = own;
    const camera = clip && of.records.cameras.get(clip.clip.cameraId);
    const profile = clip && profileOfClip(of.records, clip.clip);
    // Two cards with a clip of that name: it cannot be told which is meant.
    if (own.length !== 1 || !camera || !profile) {
      unknown.push(name);
      return [];
    }
    const at = clip.clip.found?.cardStops ?? clip.placement ?? 0;
    const before = clip.correction?.cdl ?? NEUTRAL_CDL;
    const change = cdlChange(before, cdl, { profile: profile.data, coding: camera.coding, at });
    return [{ clip, change }];
  });
  const rows = [...group(changes, ({ clip }) => `${clip.setupId}\n${clip.clip.cameraId}`).values()].map(
    (own): ReturnedRow => {
      const [{ clip }] = own;
      const middle = (part: keyof CdlChange) => median(own, ({ change }) => change[part]) ?? 0;
      const stops = middle('stops');
      const moved = own.filter(
        ({ change }) => Math.abs(change.stops) >= MOVED && change.stops * stops > 0,
      ).length;
      const isMost = moved > own.length / 2;
      return {
        setup: clip.setup,
        setupId: clip.setupId,
        camera: clip.camera,
        cameraId: clip.clip.cameraId,
        clips: own.length,
        change: { stops, warmer: middle('warmer'), saturation: middle('saturation') },
        moved,
        ...(isMost && clip.placement !== undefined ? { placement: toThird(clip.placement + stops) } : {}),
      };
    },
  );
  return { rows, unknown };
};
