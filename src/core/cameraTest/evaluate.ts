import { success, type Result } from '../result.ts';
import { balanceOf } from './tell/balance.ts';
import { codesOf } from './tell/codes.ts';
import { curveOf } from './tell/curve.ts';
import { curveTold } from './tell/curveTold.ts';
import { driftOf } from './tell/drift.ts';
import { flickerOf } from './tell/flicker.ts';
import { gamutTold } from './tell/gamut.ts';
import { isoOf } from './tell/iso.ts';
import { lightOnCard } from './tell/light.ts';
import { meterOf } from './tell/meter.ts';
import { noiseOf } from './tell/noise.ts';
import { processingOf } from './tell/processing.ts';
import { shutterOf } from './tell/shutter.ts';
import type { Figure, Missing, Plot, TestBasis, TestCurve } from './tell/types.ts';
import { zebraOf } from './tell/zebra.ts';
import type { SensorModel } from '../noise/sensorNoise.ts';

/** Parts of what a test tells, in the order they are shown. */
export const TEST_PARTS = {
  curve: { name: 'Curve' },
  codes: { name: 'Codes' },
  gamut: { name: 'Gamut' },
  noise: { name: 'Noise and range' },
  iso: { name: 'ISO' },
  balance: { name: 'Balance' },
  meter: { name: 'Meter' },
  zebra: { name: 'Zebra and assist' },
  shutter: { name: 'Shutter' },
  processing: { name: 'Detail, noise reduction, colour' },
  flicker: { name: 'Flicker' },
  light: { name: 'Light on the card' },
  drift: { name: 'Warming up' },
} as const;
type TestPartId = keyof typeof TEST_PARTS;
const TEST_PART_IDS = Object.keys(TEST_PARTS) as TestPartId[];

type PartTold = {
  readonly id: TestPartId;
  readonly figures: readonly Figure[];
  readonly plots: readonly Plot[];
  readonly warnings: readonly string[];
};

/** All that a test tells. */
export type TestTold = {
  readonly curve: Pick<TestCurve, 'profile' | 'evidence' | 'isClipFound'>;
  readonly sensor?: SensorModel;
  readonly parts: readonly PartTold[];
  readonly missing: readonly Missing[];
};

/** Everything that can be worked out of the shots found. @returns a failure where not even a curve can. */
export const evaluateTest = (basis: TestBasis): Result<TestTold> => {
  const curve = curveOf(basis);
  if (!curve.ok) return curve;
  const noise = noiseOf(basis, curve.value);
  const ground = { ...basis, curve: curve.value };
  const gamut = gamutTold(ground);
  const told = {
    curve: curveTold(basis, curve.value),
    codes: codesOf(basis),
    gamut,
    noise,
    iso: isoOf(ground, noise.dark),
    balance: balanceOf(ground),
    meter: meterOf(ground),
    zebra: zebraOf(ground),
    shutter: shutterOf(ground),
    processing: processingOf(ground),
    flicker: flickerOf(ground),
    light: lightOnCard(ground),
    drift: driftOf(ground),
  };
  const { profile, evidence, isClipFound } = curve.value;
  return success({
    curve: { profile: gamut.gamut ? { ...profile, gamut: gamut.gamut } : profile, evidence, isClipFound },
    ...(noise.sensor ? { sensor: noise.sensor } : {}),
    parts: TEST_PART_IDS.map((id) => {
      const { figures, plots = [], warnings = [] } = told[id];
      return { id, figures, plots, warnings };
    }),
    missing: TEST_PART_IDS.flatMap((id) => told[id].missing ?? []),
  });
};
