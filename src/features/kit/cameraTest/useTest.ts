'use client';

import { useMemo } from 'react';
import { useStore } from 'zustand';
import { chartRead } from '#core/cameraTest/chart.ts';
import { shotList } from '#core/cameraTest/shotKinds.ts';
import { compileProfile } from '#core/profile/index.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import type { TestAsked } from '#ui/bench/cameraTest/testState.ts';
import { useTestBench } from '#ui/bench/cameraTest/useTestBench.ts';
import { testedCamera } from './testModel.ts';

/** The test of the camera at hand: its bench, what is on it, the list, and what is asked with it. */
export const useTest = () => {
  const { camera, profile, setup, plan } = useSelection();
  const bench = useTestBench(camera.id);
  const state = useStore(bench);
  const { have, length, zebra, chart } = state;
  const tested = useMemo(() => testedCamera(camera, setup.fps), [camera, setup.fps]);
  const list = useMemo(() => shotList({ camera: tested, have, length }), [tested, have, length]);
  const known = useMemo(() => chart?.signals && chartRead(chart, chart.signals, chart.shotId), [chart]);
  const asked = useMemo<TestAsked>(
    () => ({
      list,
      camera: tested,
      have,
      gamut: profile.data.gamut,
      zebra,
      ...(known?.ok ? { chart: known.value } : {}),
      ...(have.exposureBy === 'profile' ? { greySignal: compileProfile(profile.data).signalAt(0) } : {}),
    }),
    [list, tested, have, zebra, known, profile.data],
  );
  return { bench, state, list, asked, camera, profile, setup, plan, range: camera.coding.range };
};
export type CameraTest = ReturnType<typeof useTest>;
