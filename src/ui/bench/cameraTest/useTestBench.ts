'use client';

import { startCameraTest } from '#workers/cameraTest/client.ts';
import { useBench } from '../hooks.ts';
import type { Services } from '../services.ts';
import { createTestBench, type TestBench } from './testBench.ts';

const PARTS = {
  start: startCameraTest,
  now: () => performance.now(),
  newId: () => crypto.randomUUID() as string,
};

const benches = new WeakMap<Services, Map<string, TestBench>>();

/** The test of a camera in this window, made when it is first looked at. */
export const useTestBench = (cameraId: string): TestBench => {
  const services = useBench();
  const all = benches.get(services) ?? new Map<string, TestBench>();
  benches.set(services, all);
  const bench = all.get(cameraId) ?? createTestBench(PARTS);
  all.set(cameraId, bench);
  return bench;
};
