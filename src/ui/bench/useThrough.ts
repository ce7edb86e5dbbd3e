'use client';

import { useMemo } from 'react';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import type { Result } from '#core/result.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import type { LutRecord } from '#store/records/lut.ts';
import type { Through } from '#workers/judge/protocol.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import type { Coding } from '#core/signal/scale.ts';
import { bareProfile } from '../luts/lutSource.ts';
import { dialledLight } from './benchModel.ts';
import { useBench, useRecords, useSelection, useSession } from './hooks.ts';
import { lutSpecOf, type LutShelf } from './session/lutShelf.ts';
import type { OpenedLut } from './session/lutWork.ts';
import { useAnswer } from './useAnswer.ts';

/**
 * What the monitor's picture goes through: what the plan says, the profile's own picture, the opened file, or
 * a LUT by its id.
 */
export type LutChoice = string;
export const NO_CHOICE = 'auto';
/** The profile's own picture with what the camera keeps that brings it to the hero camera. */
export const MATCHED_CHOICE = 'matched';

/** The opened file as it is asked of a worker. */
export const openedSpec = ({ id, scale }: Pick<OpenedLut, 'id' | 'scale'>, coding: Coding): LutSpec => ({
  kind: 'kept',
  id,
  scale,
  coding,
  interpolation: 'tetrahedral',
});

/** Brings files of LUTs to the workers, all of them or it has failed. */
const bringAll = async (luts: LutShelf, records: readonly LutRecord[]): Promise<Outcome<undefined>> => {
  const brought: Result<undefined>[] = await Promise.all(records.map((record) => luts.bring(record)));
  const failed = brought.find((one) => !one.ok);
  return failed && !failed.ok
    ? { state: 'failed', reason: failed.reason }
    : { state: 'done', output: undefined };
};

/** Whether the files of these LUTs are on the workers; what is missing is told in `problem`. */
export const useBrought = (
  records: readonly LutRecord[],
): { readonly ready: boolean; readonly problem?: string } => {
  const { luts } = useBench();
  const files = records.filter(({ recipe }) => !recipe);
  const key = files.map(({ id }) => id).join(' ');
  const { old, problem } = useAnswer({
    key: files.length > 0 ? key : undefined,
    ask: () => bringAll(luts, files),
  });
  return { ready: files.length === 0 || (!old && problem === undefined), problem };
};

/**
 * The LUT that a choice comes to, once its file is on the worker; undefined for the profile's own picture. A
 * LUT that is gone counts as none.
 */
export const useThrough = (choice: LutChoice): { readonly through?: Through; readonly problem?: string } => {
  const selection = useSelection();
  const { monitors, camera } = selection;
  const opened = useSession((state) => state.openedLut);
  const chosen = useRecords(({ luts }) => luts.get(choice));
  const lut = choice === NO_CHOICE ? monitors[0]?.lut : chosen;
  const { ready, problem } = useBrought(lut ? [lut] : []);
  const { coding } = camera;
  const through = useMemo((): Through | undefined => {
    if (choice === 'opened' && opened) return { spec: openedSpec(opened, coding), output: opened.output };
    if (choice === MATCHED_CHOICE) {
      const match = matchInLight(selection, dialledLight(selection).kelvin)?.correction;
      const { profile, plan } = selection;
      const recipe = monitoringRecipe({ profile: bareProfile(profile.data), pullStops: plan.placement });
      return match && { spec: { kind: 'recipe', recipe: { ...recipe, match } }, output: recipe.output };
    }
    return lut && ready ? { spec: lutSpecOf(lut), output: lut.output } : undefined;
  }, [choice, opened, coding, lut, ready, selection]);
  return { through, problem };
};
