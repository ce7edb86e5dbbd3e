'use client';

import { useEffect, useMemo, useState } from 'react';
import type { Knob, Standing, Task } from '#core/practice/types.ts';
import type { StageSceneId } from '#store/demo/scenes.ts';
import { useRecords } from '#ui/bench/hooks.ts';
import { fetchScene } from '#ui/bench/session/stage.ts';
import { wordsOf } from '#ui/bench/session/files.ts';
import { KNOBS } from '#ui/stage/knobList.ts';
import { bodyOf, settingsOfKnobs, type Knobs } from '#ui/stage/stageModel.ts';
import { startJudge } from '#workers/judge/client.ts';
import type { FrameInfo } from '#workers/judge/protocol.ts';
import { PLAIN_AUTOMATICS } from '#ui/stage/stageStart.ts';

type Worker = ReturnType<typeof startJudge>;
let shared: { readonly worker: Worker; scene?: string } | undefined;
/** A camera of its own: what lies on the bench stays there. */
const drillWorker = () => (shared ??= { worker: startJudge() });
const endWorker = () => {
  shared?.worker.end();
  shared = undefined;
};
/** Held by a round: a scene that comes again is there already. */
export const useDrillWorker = () => useEffect(() => endWorker, []);

/** Width of the picture, pixels. */
const WIDTH = 960;

type Shown = {
  readonly serial: number;
  readonly info: FrameInfo;
  readonly shows: number;
};

/** The simulated camera before the scene of a task: turn it, and the picture follows. */
export const useDrillCamera = (
  task: Task,
  standing: Standing,
  onTurn: (standing: Standing) => void,
  onShows?: (shows: number | undefined) => void,
) => {
  const stage = task.stage!;
  const records = useRecords();
  const camera = records.cameras.get(task.camera.id);
  const [spot, setPlace] = useState<readonly [number, number]>([0.5, 0.5]);
  const [shown, setShown] = useState<Shown>();
  const [problem, setProblem] = useState<string>();
  const knobs = useMemo(
    (): Knobs => ({ ...standing, profileId: task.profileId, diffusion: 0 }),
    [standing, task.profileId],
  );
  const mode = stage.aids.includes('spotMeter') ? 'spot' : 'whole';
  const input = useMemo(() => {
    const settings = camera && settingsOfKnobs({ camera, setup: { fps: stage.fps } }, knobs, records);
    return settings && { body: bodyOf(camera, records), settings };
  }, [camera, knobs, records, stage.fps]);
  const { id: sceneId, light } = stage.scene;
  const bias = task.camera.meterBias;
  useEffect(() => {
    if (!input) return undefined;
    const gone = new AbortController();
    const { signal } = gone;
    const expose = async () => {
      const here = drillWorker();
      if (here.scene !== sceneId) {
        const opened = light
          ? await here.worker.call('lightOfSpots', light, { signal })
          : await fetchScene(here.worker, sceneId as StageSceneId, signal);
        if (opened.state === 'failed') throw new Error(opened.reason);
        if (opened.state !== 'done') return;
        if (!opened.output.ok) throw new Error(opened.output.reason);
        here.scene = sceneId;
      }
      const [x, y] = spot;
      const spotting = { mode, x, y } as const;
      const outcome = await here.worker.call(
        'expose',
        { ...input, seed: task.seed, seconds: 0, width: WIDTH, spotting, bias },
        { latest: 'expose', signal },
      );
      if (signal.aborted || outcome.state === 'cancelled') return;
      if (outcome.state === 'failed') throw new Error(outcome.reason);
      if (!outcome.output.ok) throw new Error(outcome.output.reason);
      const { info, shows } = outcome.output.value;
      setProblem(undefined);
      onShows?.(shows);
      setShown((before) => ({ serial: (before?.serial ?? 0) + 1, info, shows }));
    };
    expose().catch((error: unknown) => signal.aborted || setProblem(wordsOf(error)));
    return () => gone.abort();
  }, [input, sceneId, light, spot, mode, bias, onShows, task.seed]);

  const setSpot = (at: readonly [number, number]) => {
    setPlace(at);
    // What it read elsewhere is no answer any more.
    onShows?.(undefined);
  };
  const turn = (key: Knob, clicks: number) => {
    const row = KNOBS.find((one) => one.key === key);
    if (!row || !camera) return;
    const context = { camera, fps: stage.fps, kit: records.profiles, auto: PLAIN_AUTOMATICS };
    onTurn({ ...standing, ...row.turn(knobs, clicks, context) });
  };
  const back = () => onTurn(stage.start);
  return { camera, knobs, shown, problem, spot, setSpot, turn, back };
};

export type DrillCamera = ReturnType<typeof useDrillCamera>;

/** The worker that holds the picture of the drill. */
export const drillPictures = (): Worker => drillWorker().worker;
