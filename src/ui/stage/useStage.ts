'use client';

import { useEffect, useMemo, useRef } from 'react';
import { secondsOf } from '#core/scene/scene.ts';
import type { ExposeInput } from '#workers/judge/protocol.ts';
import { useBench, useRecords, useSelection, useSession } from '../bench/hooks.ts';
import {
  automaticStep,
  autoRulesOf,
  bodyOf,
  knobsOfCard,
  settingsOfKnobs,
  withAutomatics,
} from './stageModel.ts';

const FRAME_MS = 40;
/** How often the page itself is drawn anew while the camera runs: knobs, meter, counts. */
const PAGE_MS = 200;

/** The knobs as they stand: the card's, what was turned, what the camera does by itself. */
const useKnobs = () => {
  const selection = useSelection();
  const { turned, auto, autoIris, autoIso, autoKelvin } = useSession(({ stage }) => ({
    turned: stage?.turned,
    auto: stage?.auto,
    autoIris: stage?.autoIris,
    autoIso: stage?.autoIso,
    autoKelvin: stage?.autoKelvin,
  }));
  return useMemo(
    () =>
      auto &&
      withAutomatics({ ...knobsOfCard(selection), ...turned }, auto, { autoIris, autoIso, autoKelvin }),
    [selection, turned, auto, autoIris, autoIso, autoKelvin],
  );
};

/** What the camera is set to, for any picture of it. */
export type Shot = Omit<ExposeInput, 'seed' | 'seconds' | 'width'>;

const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, Math.max(0, ms)));

/**
 * Keeps the picture of the simulated camera in step with its knobs: a full picture whenever one is turned, and while it
 * runs 25 a second at preview size or as near as the machine gives, what was left out counted.
 */
export const useStage = () => {
  const { session } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const stage = useSession((state) => state.stage);
  const { camera, setup } = selection;
  const { glass } = selection.plan;
  const knobs = useKnobs();
  const auto = stage?.auto;
  const shot = useMemo((): Shot | undefined => {
    const settings = knobs && settingsOfKnobs({ camera, setup }, knobs, records);
    if (!auto || !settings) return undefined;
    const { mode, spot } = auto;
    return {
      body: bodyOf(camera, records, glass),
      settings,
      spotting: { mode, x: spot[0], y: spot[1] },
      bias: camera.meter.bias,
    };
  }, [auto, knobs, camera, glass, setup, records]);
  // Knobs turned on one camera are not those of another.
  const planId = selection.plan.id;
  const turnedOn = useRef(planId);
  useEffect(() => {
    if (turnedOn.current !== planId) session.stage.changeCamera();
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
    void session.stage.shoot({ ...shot, seed: 1, seconds: 0, width: truth.width });
  }, [session, running, truth, shot]);

  useEffect(() => {
    if (!running || !truth) return undefined;
    let stopped = false;
    const run = async () => {
      const started = performance.now();
      const rules = autoRulesOf(camera);
      const length = secondsOf(truth);
      let n = 0;
      let [shown, dropped] = [0, 0];
      let told = started;
      while (!stopped) {
        const due = started + n * FRAME_MS;
        const late = Math.max(0, Math.floor((performance.now() - due) / FRAME_MS));
        n += late;
        dropped += late;
        await pause(started + n * FRAME_MS - performance.now());
        const { current } = latest;
        if (stopped || !current) break;
        const seconds = (n * FRAME_MS) / 1000;
        const saw = await session.stage.shoot({
          ...current,
          seed: n + 1,
          seconds: length > 0 ? seconds % length : 0,
          // Half the scene's own width, each pixel the mean of four.
          width: truth.width / 2,
        });
        shown += 1;
        n += 1;
        const now = performance.now();
        const { stage } = session.getState();
        if (!saw || !stage || now - told < PAGE_MS) continue;
        const step = automaticStep({ ...stage, ...saw }, current.settings, rules, (now - told) / 1000);
        told = now;
        session.stage.advance({ ...saw, ...step, shown, dropped });
      }
    };
    void run();
    return () => {
      stopped = true;
    };
  }, [session, running, truth, camera]);

  return { stage, knobs, shot };
};
