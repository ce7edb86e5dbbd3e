'use client';

import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { NO_PAINT, type Paint } from '#core/sensor/paint.ts';
import { readTruth } from '#core/scene/truth.ts';
import { sceneFiles, standingName, type StageSceneId } from '#store/demo/scenes.ts';
import type { RoomMarkRecord } from '#store/records/room.ts';
import { panelOf } from '#store/records/panel.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { marksOfTruth } from '#ui/bench/match/matchBench.ts';
import { emptyEvening, roomBox } from '#ui/bench/room/roomBox.ts';
import type { InputSource } from '#ui/bench/room/roomState.ts';
import type { RoomBench } from '#ui/bench/room/roomBench.ts';
import { useRoomBench } from '#ui/bench/room/useRoomBench.ts';
import { fetchBytes } from '#ui/bench/session/files.ts';
import { useSame } from '#ui/useSame.ts';
import type { Range } from '#core/signal/scale.ts';
import type { RoomDrawing, StageSetting } from '#workers/room/protocol.ts';
import { foundPaint, paintOf } from '../cameras/panelModel.ts';
import { zoomOn } from '../cameras/zoomOn.ts';
import { dialOf, readAt, readingOf, roomCameras, type RoomCamera } from './roomModel.ts';

/** How an input's picture and its scopes are drawn, px. */
const DRAWING: RoomDrawing = { width: 480, wave: [320, 128], vector: 128 };
/** Patches narrower than this share of a picture are too few pixels to be read. */
const LEAST_SHARE = 0.0045;

/** What is marked in a scene of the stage: known to the pixel. */
const sceneMarks = async (id: StageSceneId): Promise<readonly RoomMarkRecord[]> => {
  const truth = readTruth(new TextDecoder().decode(await fetchBytes(sceneFiles(id).truth)));
  if (!truth.ok) return [];
  return marksOfTruth(truth.value).flatMap(({ name, kind, hero: place }) =>
    place.width >= LEAST_SHARE && kind !== 'tone' ? [{ name, kind, place }] : [],
  );
};

/** A simulated camera before its scene as a source. */
export const stageSource = (id: StageSceneId, setting: StageSetting, seed: number): InputSource => ({
  kind: 'stage',
  name: standingName(id),
  open: async () => {
    const files = sceneFiles(id);
    const [truth, mask, ...light] = await Promise.all([
      fetchBytes(files.truth),
      fetchBytes(files.mask),
      ...files.light.map(fetchBytes),
    ]);
    const scene = { truth: new TextDecoder().decode(truth), mask: mask!, light: light as ArrayBuffer[] };
    return {
      ok: true,
      value: { source: { kind: 'stage', scene, seed, ...setting }, transfer: [scene.mask, ...scene.light] },
    };
  },
});

/** How the simulated cameras stand: as somebody left them, how fast their evening goes, how each is read. */
export type RoomSettings = {
  readonly found: Readonly<Record<string, Paint>>;
  readonly pace: number;
  readonly ranges: Readonly<Record<string, Range>>;
  /** Inputs that were let go: nothing takes their place by itself. */
  readonly off: readonly string[];
  /** The mark that is looked at from near. */
  readonly near?: string;
};

/** How an input is drawn; what lies round a mark too, where it has one of that name. */
const drawingOf = (
  { position }: RoomCamera,
  ofScene: readonly RoomMarkRecord[],
  near: string | undefined,
): RoomDrawing => {
  const mark = readAt(position, ofScene).find(({ name }) => name === near);
  return mark ? { ...DRAWING, near: zoomOn(mark.place).region } : DRAWING;
};

const foundOf = ({ found }: RoomSettings, { id, isHero }: RoomCamera, n: number): Paint =>
  found[id] ?? (isHero ? NO_PAINT : foundPaint(20 + n));

export const settingOf = (camera: RoomCamera, settings: RoomSettings, n: number): StageSetting | undefined =>
  camera.stage && {
    ...camera.stage,
    pace: settings.pace,
    body: { ...camera.stage.body, paint: paintOf(foundOf(settings, camera, n), panelOf(camera.camera)) },
  };

/** Marks that scenes of the stage bring along, by camera. */
const useSceneMarks = (cameras: readonly RoomCamera[]) => {
  const [marks, setMarks] = useState<Readonly<Record<string, readonly RoomMarkRecord[]>>>({});
  const scenes = useSame(cameras.flatMap(({ id, sceneId }) => (sceneId ? [[id, sceneId] as const] : [])));
  useEffect(() => {
    let isOver = false;
    void Promise.all(scenes.map(async ([id, scene]) => [id, await sceneMarks(scene)] as const))
      .then((all) => isOver || setMarks(Object.fromEntries(all)))
      // The picture says what is missing.
      .catch(() => undefined);
    return () => {
      isOver = true;
    };
  }, [scenes]);
  return marks;
};

const stores = new WeakMap<RoomBench, StoreApi<RoomSettings>>();

/** The settings of this window's room: they stay while it is watched from another step. */
const useRoomSettings = () => {
  const bench = useRoomBench();
  const store =
    stores.get(bench) ?? createStore<RoomSettings>(() => ({ found: {}, pace: 1, ranges: {}, off: [] }));
  stores.set(bench, store);
  return [useStore(store), store.setState] as const;
};

/** The room of the set-up at hand: its cameras, its evening, and what is asked of their pictures. */
export const useRoom = () => {
  const { database } = useBench();
  const bench = useRoomBench();
  const records = useRecords();
  const { shoot, setup } = useSelection();
  const [settings, setSettings] = useRoomSettings();
  const cameras = useSame(useMemo(() => roomCameras(records, shoot.id, setup), [records, shoot.id, setup]));
  const marks = useSceneMarks(cameras);
  const [entered, setEntered] = useState<string>();
  useEffect(() => {
    let isOver = false;
    void roomBox(database)
      .evening(setup.id)
      .catch(() => emptyEvening(setup.id))
      .then((evening) => {
        if (isOver) return;
        if (bench.getState().evening.setupId !== setup.id) bench.enter(evening);
        setEntered(setup.id);
      });
    return () => {
      isOver = true;
    };
  }, [bench, database, setup.id]);
  const isReady = entered === setup.id;
  useEffect(() => {
    if (!isReady) return;
    for (const [n, camera] of cameras.entries()) {
      const isStage = (bench.getState().inputs[camera.id]?.kind ?? 'stage') === 'stage';
      const ofScene = isStage ? (marks[camera.id] ?? []) : [];
      bench.ask(camera.id, {
        positionId: camera.position.id,
        reading: readingOf(camera, ofScene, settings.ranges[camera.id]),
        drawing: drawingOf(camera, ofScene, settings.near),
        dial: dialOf(camera.selection),
      });
      const setting = settingOf(camera, settings, n);
      const input = bench.getState().inputs[camera.id];
      // The simulated halls run by themselves; a device or a clip is chosen.
      if (setting && !input && camera.sceneId && !settings.off.includes(camera.id))
        bench.connect(camera.id, stageSource(camera.sceneId, setting, 100 * (n + 1)));
      else if (setting && input?.kind === 'stage') bench.stage(camera.id, setting);
    }
  }, [bench, cameras, isReady, marks, settings]);
  return { cameras, bench, settings, setSettings, marks };
};
export type Room = ReturnType<typeof useRoom>;
