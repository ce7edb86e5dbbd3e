'use client';

import { useEffect, useMemo, useRef } from 'react';
import { secondsOf } from '#core/scene/scene.ts';
import type { ExposeInput } from '#workers/judge/protocol.ts';
import { useBench } from '../bench/BenchProvider.tsx';
import {
  automaticStep,
  autoRulesOf,
  bodyOf,
  knobsOfCard,
  settingsOfKnobs,
  withAutomatics,
} from './stageModel.ts';

const FRAME_MS = 40;

/** The knobs as they stand: the card's, what was turned, what the camera does by itself. */
const useKnobs = () => {
  const { selection, bench } = useBench();
  const { turned, auto, autoIris, autoIso, autoKelvin } = bench.stage ?? {};
  return useMemo(
    () =>
      auto &&
      withAutomatics({ ...knobsOfCard(selection), ...turned }, auto, { autoIris, autoIso, autoKelvin }),
    [selection, turned, auto, autoIris, autoIso, autoKelvin],
  );
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
  const auto = stage?.auto;
  const shot = useMemo((): Shot | undefined => {
    const settings = knobs && settingsOfKnobs({ camera, setup }, knobs, records);
    if (!auto || !settings) return undefined;
    const { mode, spot } = auto;
    return {
      body: bodyOf(camera, records),
      settings,
      spotting: { mode, x: spot[0], y: spot[1] },
      bias: camera.meter.bias,
    };
  }, [auto, knobs, camera, setup, records]);
  // Knobs turned on one camera are not those of another.
  const planId = selection.plan.id;
  const turnedOn = useRef(planId);
  useEffect(() => {
    if (turnedOn.current !== planId)
      session.setStage({ turned: {}, autoIris: undefined, autoIso: undefined, autoKelvin: undefined });
    turnedOn.current = planId;
  }, [session, planId]);
  const running = stage?.running ?? false;
  const truth = stage?.truth;
  const latest = useRef(shot);
  useEffect(() => {
    latest.current = shot;
  }, [shot]);

  useEffect(() => {
    if (running || !truth || !shot) return;
    void session.shoot({ ...shot, seed: 1, seconds: 0, width: truth.width });
  }, [session, running, truth, shot]);

  useEffect(() => {
    if (!running || !truth) return undefined;
    let stopped = false;
    const run = async () => {
      const started = performance.now();
      const rules = autoRulesOf(camera);
      const length = secondsOf(truth);
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
          width: truth.width / 2,
        });
        const after = session.getState().stage;
        const step = after && automaticStep(after, current.settings, rules, ((late + 1) * FRAME_MS) / 1000);
        if (step && Object.keys(step).length > 0) session.setStage(step);
        await painted();
        n += 1;
      }
    };
    void run();
    return () => {
      stopped = true;
    };
  }, [session, running, truth, camera]);

  return { stage, knobs, shot };
};
