import { neutralOf } from '#core/colour/lean.ts';
import type { MatchPatch } from '#core/match/patches.ts';
import { levelOf, type Face } from '#core/room/faces.ts';
import { MOST_CLIPPED, type RoomPatch } from '#core/room/drift.ts';
import type { BookRecords } from '#store/book.ts';
import { OF_SPOTS, standingOf, type StageSceneId } from '#store/demo/scenes.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { planChange } from '#store/records/plan.ts';
import type { RoomMarkRecord, RoomPosition, RoomRecord } from '#store/records/room.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { camerasOf, heroCameraOf, resolveSelection, type Selection } from '#store/selection.ts';
import { bodyOf, knobsOfCard, settingsOfKnobs } from '#ui/stage/stageModel.ts';
import { marksOf } from './marking.ts';
import type { RoomReading, StageSetting } from '#workers/room/protocol.ts';

/** Inputs that are looked at together. */
const MOST_INPUTS = 4;

/** The first position of a camera that has none of its own yet. */
const FIRST: RoomPosition = { id: 'first', name: 'Fixed', marks: [] };

/** A camera of the room with everything that is known of it. */
export type RoomCamera = {
  readonly id: string;
  readonly camera: CameraRecord;
  readonly selection: Selection;
  readonly isHero: boolean;
  readonly room: RoomRecord;
  readonly position: RoomPosition;
  /** A scene of the stage that was made for it. */
  readonly sceneId?: StageSceneId;
  /** Its simulated camera as the card says; its paint comes on top. */
  readonly stage?: Pick<StageSetting, 'body' | 'settings' | 'isLeftOn'>;
};

const roomOf = ({ plan }: Pick<Selection, 'plan'>): RoomRecord => plan.room ?? { positions: [FIRST] };
export const positionOf = ({ positions, at }: RoomRecord): RoomPosition =>
  positions.find(({ id }) => id === at) ?? positions[0];

/** The cameras of a set-up in the room, the hero first. */
export const roomCameras = (records: BookRecords, shootId: string, setup: SetupRecord): RoomCamera[] => {
  const hero = heroCameraOf(records, shootId, setup);
  const all = camerasOf(records, setup).toSorted(
    (a, b) => Number(b.id === hero?.id) - Number(a.id === hero?.id),
  );
  return all.slice(0, MOST_INPUTS).flatMap((camera, n): RoomCamera[] => {
    const selection = resolveSelection(records, { shoot: shootId, setup: setup.id, camera: camera.id });
    if (!selection) return [];
    const room = roomOf(selection);
    const standing = standingOf(setup, camera.id);
    const settings = settingsOfKnobs(selection, knobsOfCard(selection), records);
    return [
      {
        id: camera.id,
        camera,
        selection,
        isHero: camera.id === hero?.id,
        room,
        position: positionOf(room),
        ...(standing && standing !== OF_SPOTS && settings
          ? {
              sceneId: standing,
              stage: { body: bodyOf(camera, records, selection.plan.glass), settings, isLeftOn: n === 1 },
            }
          : {}),
      },
    ];
  });
};

/** What is read at a position: what was put there, or what its scene brings along. */
export const readAt = (
  position: RoomPosition,
  ofScene: readonly RoomMarkRecord[],
): readonly RoomMarkRecord[] => {
  const own = marksOf(position);
  return own.length > 0 ? own : ofScene;
};

/** What an input is read by; its own marks, or those of its scene where it has none. */
export const readingOf = (
  { selection: { profile, plan, camera }, position }: Pick<RoomCamera, 'selection' | 'position'>,
  ofScene: readonly RoomMarkRecord[],
  range: RoomReading['range'] = camera.coding.range,
): RoomReading => ({
  profile: profile.data,
  floorStops: camera.floorStops,
  range,
  pullStops: plan.placement,
  marks: readAt(position, ofScene),
});

/** What its balance is dialled to, lean taken in: what drift is told in. */
export const dialOf = ({ plan, camera }: Selection) => ({
  kelvin: neutralOf(plan.kelvin, camera.lean?.mired ?? 0),
  tint: plan.tint + (camera.lean?.tint ?? 0),
});

/** The same things on both, as a match takes them. */
export const pairsOf = (camera: readonly RoomPatch[], hero: readonly RoomPatch[]): MatchPatch[] => {
  const on = new Map(hero.map((patch) => [patch.name, patch]));
  return camera.flatMap((patch): MatchPatch[] => {
    const other = on.get(patch.name);
    return other ? [{ name: patch.name, kind: patch.kind, from: patch, hero: other }] : [];
  });
};

/** A thing as both show it, in stops over grey. */
export type ThingRow = {
  readonly name: string;
  readonly camera: number;
  readonly hero: number;
  readonly isClipped: boolean;
};

/** What is marked on both. */
export const thingRows = (
  camera: readonly RoomPatch[] | undefined,
  hero: readonly RoomPatch[] | undefined,
): ThingRow[] => {
  const own = new Map((camera ?? []).map((patch) => [patch.name, patch]));
  return (hero ?? []).flatMap((other): ThingRow[] => {
    const patch = own.get(other.name);
    if (!patch) return [];
    const isClipped = [patch, other].some(({ clipped }) => clipped > MOST_CLIPPED);
    return [{ name: other.name, camera: levelOf(patch), hero: levelOf(other), isClipped }];
  });
};

/** A free id for a position or a face, after its name. */
export const freeId = (taken: readonly { readonly id: string }[], name: string): string => {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'one';
  const ids = new Set(taken.map(({ id }) => id));
  let id = base.slice(0, 60);
  for (let n = 2; ids.has(id); n += 1) id = `${base.slice(0, 60)}-${n}`;
  return id;
};

/** A camera's room with a position changed. */
export const withPosition = (room: RoomRecord, id: string, fields: Partial<RoomPosition>): RoomRecord => ({
  ...room,
  positions: room.positions.map((one) => (one.id === id ? { ...one, ...fields } : one)),
});

/** A change of a camera's room as one step of undo. */
export const roomEdit = ({ selection }: Pick<RoomCamera, 'selection'>, room: RoomRecord, label: string) => ({
  label,
  changes: [planChange(selection.plan, { room })],
});

/**
 * The faces that are marked, each with its own place: as it was kept, as it was surveyed beside the card, else as it
 * lies now.
 */
export const facesOf = (
  { room }: Pick<RoomCamera, 'room'>,
  marked: readonly RoomPatch[],
  subjects: readonly { readonly id: string; readonly name: string; readonly skinOffset: number }[],
): Face[] => {
  const kept = room.faces ?? [];
  const names = [...new Set([...kept.map(({ name }) => name), ...marked.map(({ name }) => name)])];
  return names.map((name) => {
    const known = kept.find((face) => face.name === name);
    if (known) return known;
    const subject = subjects.find((one) => one.name === name);
    if (subject) return { id: subject.id, name, offset: subject.skinOffset };
    return { id: freeId(kept, name), name, offset: levelOf(marked.find((patch) => patch.name === name)!) };
  });
};

/** A face kept with its place; `isSpeaking` says that it speaks from now on. */
export const keepFace = (camera: RoomCamera, face: Face, isSpeaking: boolean | undefined, label: string) => {
  const others = (camera.room.faces ?? []).filter(({ id }) => id !== face.id);
  const { id, name, offset } = face;
  return roomEdit(
    camera,
    {
      ...camera.room,
      faces: [...others, { id, name, offset }].slice(-40),
      ...(isSpeaking ? { speaks: name } : {}),
    },
    label,
  );
};
