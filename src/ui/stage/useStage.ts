'use client';

import { useEffect, useMemo, useRef } from 'react';
import { autoIris, autoIso, autoKelvin } from '#core/sensor/auto.ts';
import { secondsOf } from '#core/scene/scene.ts';
import type { ExposeInput } from '#workers/judge/protocol.ts';
import { useBench } from '../bench/BenchProvider.tsx';
import type { StageState } from '../bench/session.ts';
import { autoRulesOf, bodyOf, knobsOfCard, settingsOfKnobs, type Knobs } from './stageModel.ts';

const FRAME_MS = 40;

/** The knobs as they stand: the card's, what was turned, what the camera does by itself. */
export const useKnobs = (): Knobs | undefined => {
  const { selection, bench } = useBench();
  const { stage } = bench;
  return useMemo(() => {
    if (!stage) return undefined;
    const { turned, auto, autoIris: iris, autoIso: iso, autoKelvin: kelvin } = stage;
    return {
      ...knobsOfCard(selection),
      ...turned,
      ...(auto.iris && iris !== undefined ? { iris: Number(iris.toFixed(1)) } : {}),
      ...(auto.iso && iso !== undefined ? { iso: Math.round(iso) } : {}),
      ...(auto.balance && kelvin !== undefined ? { kelvin: Math.round(kelvin / 10) * 10 } : {}),
    };
  }, [selection, stage]);
};

type Shot = Omit<ExposeInput, 'seed' | 'seconds' | 'width'>;

/** A frame of the browser and its effects: what the last picture asked for has been asked. */
const painted = () =>
  new Promise<void>((resolve) => {
    requestAnimationFrame(() => setTimeout(resolve));
  });
const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, Math.max(0, ms)));

/**
 * Keeps the picture of the simulated camera in step with its knobs: a full picture whenever one is turned, and while it
 * runs 25 a second at preview size or as near as the machine gives, what was left out counted.
 */
export const useStage = () => {
  const { session, bench, selection, records } = useBench();
  const { stage } = bench;
  const { camera, setup } = selection;
  const knobs = useKnobs();
  const shot = useMemo((): Shot | undefined => {
    if (!stage || !knobs) return undefined;
    const settings = settingsOfKnobs({ camera, setup }, knobs, records);
    if (!settings) return undefined;
    const { mode, spot } = stage.auto;
    return {
      body: bodyOf(camera, records),
      settings,
      spotting: { mode, x: spot[0], y: spot[1] },
      bias: camera.meter.bias,
    };
    // What the meter showed changes with each picture and asks for none.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [stage?.sceneId, stage?.auto, knobs, camera, setup, records]);
  // Knobs turned on one camera are not those of another.
  const planId = selection.plan.id;
  const turnedOn = useRef(planId);
  useEffect(() => {
    if (turnedOn.current !== planId)
      session.setStage({ turned: {}, autoIris: undefined, autoIso: undefined, autoKelvin: undefined });
    turnedOn.current = planId;
  }, [session, planId]);
  const running = stage?.running ?? false;
  const sceneId = stage?.sceneId;
  const latest = useRef(shot);
  useEffect(() => {
    latest.current = shot;
  }, [shot]);

  const word = useMemo(() => JSON.stringify(shot), [shot]);
  useEffect(() => {
    if (running || !latest.current) return;
    const width = session.getState().stage?.truth.width;
    if (width) void session.shoot({ ...latest.current, seed: 1, seconds: 0, width });
  }, [session, running, sceneId, word]);

  useEffect(() => {
    if (!running || !sceneId) return undefined;
    let stopped = false;
    const run = async () => {
      const started = performance.now();
      const since = session.getState().stage;
      if (!since) return;
      const length = secondsOf(since.truth);
      let n = 0;
      while (!stopped) {
        const due = started + n * FRAME_MS;
        const late = Math.max(0, Math.floor((performance.now() - due) / FRAME_MS));
        if (late > 0) {
          n += late;
          const { stage: now } = session.getState();
          session.setStage({ dropped: (now?.dropped ?? 0) + late });
        }
        await pause(started + n * FRAME_MS - performance.now());
        const { current } = latest;
        if (stopped || !current) break;
        const seconds = (n * FRAME_MS) / 1000;
        await session.shoot({
          ...current,
          seed: n + 1,
          seconds: length > 0 ? seconds % length : 0,
          // Half the scene's own width, each pixel the mean of four.
          width: since.truth.width / 2,
        });
        const after = session.getState().stage;
        if (after && (after.auto.iris || after.auto.iso || after.auto.balance))
          session.setStage(automatic(after, current, (late + 1) * (FRAME_MS / 1000)));
        await painted();
        n += 1;
      }
    };
    const automatic = (now: StageState, { settings }: Shot, seconds: number): Partial<StageState> => {
      const rules = autoRulesOf(camera);
      const { auto, shows, seen } = now;
      const iris =
        auto.iris && shows !== undefined
          ? autoIris(now.autoIris ?? settings.fNumber, shows, seconds, rules)
          : undefined;
      // The iris works first; gain only where the lens is at its end.
      const atEnd = iris === undefined || rules.irisRange.includes(iris);
      return {
        ...(iris === undefined ? {} : { autoIris: iris }),
        ...(auto.iso && shows !== undefined && atEnd
          ? { autoIso: autoIso(now.autoIso ?? settings.iso, shows, seconds, rules) }
          : {}),
        ...(auto.balance && seen !== undefined
          ? { autoKelvin: autoKelvin(now.autoKelvin ?? settings.kelvin, seen, seconds, rules) }
          : {}),
      };
    };
    void run();
    return () => {
      stopped = true;
    };
  }, [session, running, sceneId, camera]);

  return { stage, knobs, shot };
};
